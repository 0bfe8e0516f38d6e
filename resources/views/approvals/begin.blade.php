@use('App\Conversations\ConversationState')
@if ($approval === null && $conversation->state !== ConversationState::Closed)
    <details class="menu" id="menu-approval">
        <summary class="btn btn-sm btn-outline-secondary">Approval</summary>
        <form method="post" action="/conversations/{{ $conversation->id }}/approvals" class="menu-panel menu-form">
            @csrf
            <label class="form-label" for="approval-question">What is to be approved</label>
            <input class="form-control" id="approval-question" name="question" maxlength="500"
                placeholder="Give back 40.00 EUR without the kite" required>
            <label class="form-label" for="approval-of">Who is asked</label>
            <select class="form-select" id="approval-of" name="of"><option value="">any
                lead</option>@foreach ($approvers->where('id', '!=', $teammate->id) as $person)<option
                value="{{ $person->id }}">{{ $person->name }}</option>@endforeach</select>
            <button class="btn btn-primary">Ask, and hold it</button>
        </form>
    </details>
@endif
