{{-- The tasks of a conversation. --}}
<div id="tasks-beside" @isset($oob) hx-swap-oob="morph" @endisset>
    @if ($tasks->isNotEmpty())
        <section class="checklist" aria-label="Tasks">
            <h3>Tasks</h3>
            @foreach ($tasks as $task)
                <form method="post" action="/tasks/{{ $task->id }}"
                    class="step @if ($task->done_at !== null) step-done @endif">@csrf<input type="hidden" name="done"
                        value="{{ $task->done_at === null ? 1 : 0 }}">
                    <button role="checkbox" aria-checked="{{ $task->done_at === null ? 'false' : 'true' }}"><span class="tick"
                        aria-hidden="true"></span>{{ $task->title }}</button><small
                        @class(['due-missed' => $task->done_at === null && $task->due_at->isPast()])>{{ $task->assignee->firstName() }},
                        {{ $time->short($task->due_at) }}</small></form>
            @endforeach
        </section>
    @endif
</div>
