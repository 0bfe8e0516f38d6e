@use('App\Conversations\ConversationState')
@can('reply', $conversation)
    @if ($plans->isNotEmpty() && $conversation->state === ConversationState::Waiting)
        <details class="menu" id="menu-nudge">
            <summary class="btn btn-sm btn-outline-secondary">Remind</summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/nudges" class="menu-panel menu-start">
                @csrf
                @foreach ($plans as $plan)<button name="plan" value="{{ $plan->id }}">{{ $plan->name }}</button>@endforeach
            </form>
        </details>
    @endif
@endcan
