<div class="work-begin">
    <details class="menu" id="menu-task">
        <summary class="btn btn-sm btn-outline-secondary" data-key="l">New task <kbd>L</kbd></summary>
        <form method="post" action="/conversations/{{ $conversation->id }}/tasks" class="menu-panel menu-form menu-start">
            @csrf
            @include('tasks.fields', ['key' => 'here'])
            <button class="btn btn-primary">Write it down</button>
        </form>
    </details>
    @can('reply', $conversation)
        @if ($plans->isNotEmpty() && $conversation->state === \App\Conversations\ConversationState::Waiting)
            <details class="menu" id="menu-nudge">
                <summary class="btn btn-sm btn-outline-secondary">Remind</summary>
                <form method="post" action="/conversations/{{ $conversation->id }}/nudges" class="menu-panel menu-start">
                    @csrf
                    @foreach ($plans as $plan)<button name="plan" value="{{ $plan->id }}">{{ $plan->name }}</button>@endforeach
                </form>
            </details>
        @endif
    @endcan
    @if ($approval === null && $conversation->state !== \App\Conversations\ConversationState::Closed)
        <details class="menu" id="menu-approval">
            <summary class="btn btn-sm btn-outline-secondary">Approval</summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/approvals" class="menu-panel menu-form">
                @csrf
                <label class="form-label" for="approval-question">What is to be approved</label>
                <input class="form-control" id="approval-question" name="question" maxlength="500" placeholder="Give back 40.00 EUR without the kite" required>
                <label class="form-label" for="approval-of">Who is asked</label>
                <select class="form-select" id="approval-of" name="of"><option value="">any lead</option>@foreach ($teammates->where('id', '!=', $teammate->id) as $person)<option value="{{ $person->id }}">{{ $person->name }}{{ $person->isAway() ? ', away' : '' }}</option>@endforeach</select>
                <button class="btn btn-primary">Ask, and hold it</button>
            </form>
        </details>
    @endif
    @if ($checklists->isNotEmpty())
        <details class="menu" id="menu-checklist">
            <summary class="btn btn-sm btn-outline-secondary" data-key="y">Checklist <kbd>Y</kbd></summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/checklists" class="menu-panel menu-start">
                @csrf
                @foreach ($checklists as $checklist)<button name="checklist" value="{{ $checklist->id }}">{{ $checklist->name }}</button>@endforeach
            </form>
        </details>
    @endif
</div>
