{{-- Checklists and tasks of a conversation. --}}
<div id="work-beside" @isset($oob) hx-swap-oob="morph" @endisset>
    @foreach ($startedChecklists as $started)
        <section class="checklist" aria-labelledby="checklist-{{ $started->id }}">
            <h3 id="checklist-{{ $started->id }}">{{ $started->name }} <span>{{ $started->doneCount() }} of {{ count($started->steps) }}</span></h3>
            @foreach ($started->steps as $index => $step)
                <form method="post" action="/started-checklists/{{ $started->id }}" class="step @if ($step['by'] !== null) step-done @endif">@csrf<input type="hidden" name="step" value="{{ $index }}"><input type="hidden" name="done" value="{{ $step['by'] === null ? 1 : 0 }}">
                    <button role="checkbox" aria-checked="{{ $step['by'] === null ? 'false' : 'true' }}"><span class="tick" aria-hidden="true"></span>{{ $step['text'] }}</button>@if ($step['by'] !== null)<small>{{ explode(' ', $step['by'])[0] }}, {{ $time->short(\Carbon\CarbonImmutable::parse($step['at'])) }}</small>@endif</form>
            @endforeach
        </section>
    @endforeach
    @if ($tasks->isNotEmpty())
        <section class="checklist" aria-label="Tasks">
            <h3>Tasks</h3>
            @foreach ($tasks as $task)
                <form method="post" action="/tasks/{{ $task->id }}" class="step @if ($task->done_at !== null) step-done @endif">@csrf<input type="hidden" name="done" value="{{ $task->done_at === null ? 1 : 0 }}">
                    <button role="checkbox" aria-checked="{{ $task->done_at === null ? 'false' : 'true' }}"><span class="tick" aria-hidden="true"></span>{{ $task->title }}</button><small @class(['due-missed' => $task->done_at === null && $task->due_at->isPast()])>{{ $task->assignee->firstName() }}, {{ $time->short($task->due_at) }}</small></form>
            @endforeach
        </section>
    @endif
</div>
