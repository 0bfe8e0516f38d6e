{{-- The checklists that are at work in a conversation. --}}
<div id="checklists-beside" @isset($oob) hx-swap-oob="morph" @endisset>
    @foreach ($startedChecklists as $started)
        <section class="checklist" aria-labelledby="checklist-{{ $started->id }}">
            <h3 id="checklist-{{ $started->id }}">{{ $started->name }}
                <span>{{ $started->doneCount() }} of {{ count($started->steps) }}</span></h3>
            @foreach ($started->steps as $index => $step)
                <form method="post" action="/started-checklists/{{ $started->id }}"
                    class="step @if ($step['by'] !== null) step-done @endif">@csrf<input type="hidden" name="step"
                        value="{{ $index }}"><input type="hidden" name="done"
                    value="{{ $step['by'] === null ? 1 : 0 }}">
                    <button role="checkbox" aria-checked="{{ $step['by'] === null ? 'false' : 'true' }}"><span class="tick"
                        aria-hidden="true"></span>{{ $step['text'] }}</button>@if ($step['by'] !== null)<small>{{ explode(' ',
                            $step['by'])[0] }},
                        {{ $time->short(\Carbon\CarbonImmutable::parse($step['at'])) }}</small>@endif</form>
            @endforeach
        </section>
    @endforeach
</div>
