<div id="import-progress" @if ($import->state === 'running') hx-get="/history/{{ $import->id }}" hx-trigger="every 2s"
    hx-swap="outerHTML" @endif>
    <section class="sheet pad" aria-label="Progress">
        <progress class="import-bar" max="100" value="{{ $import->percent() }}" aria-label="Taken over so far">{{ $import->percent() }}
            %</progress>
        <p role="status"><b>{{ ['running' => "Being taken over: {$import->percent()} %.", 'stopped' =>
            "Stopped at {$import->percent()} %.", 'done' => 'Done.', 'failed' => 'It could not be read.'][$import->state] }}</b>
            {{ $import->taken }} messages taken, {{ $import->again }} were here before, {{ $import->refused }} not taken.</p>
        @if ($import->problem !== null)<p class="field-problem">{{ $import->problem }}</p>@endif
        @if ($import->state === 'running')<form method="post" action="/history/{{ $import->id }}/stop">@csrf<button
            class="btn btn-outline-secondary">Stop</button></form>@elseif ($import->state === 'stopped')<form method="post"
            action="/history/{{ $import->id }}/go-on">@csrf<button class="btn btn-primary">Go on</button></form>@endif
    </section>
    @if ($problems->isNotEmpty())
        <h2>What was not taken, and why</h2>
        <table class="table sheet"><thead><tr><th scope="col">Where</th><th
            scope="col">Why</th></tr></thead><tbody>@foreach ($problems as $problem)<tr><td
            class="wrap-anywhere">{{ $problem->place }}</td><td>{{ $problem->reason }}</td></tr>@endforeach</tbody></table>
        @if ($import->refused > $problems->count())<p class="soft">and {{ $import->refused - $problems->count() }} more</p>@endif
    @endif
</div>
