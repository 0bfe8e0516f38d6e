<aside class="customer-side" aria-label="Customer">
    <h2>{{ $conversation->customer->name }}</h2>
    <ul class="handles">
        @forelse ($conversation->customer->handles as $handle)
            <li>{{ $handle->shown }}</li>
        @empty
            <li class="soft">No address is known.</li>
        @endforelse
    </ul>
    <h3>Other conversations</h3>
    @if ($earlier->isEmpty())
        <p class="soft">This is the first one.</p>
    @else
        <ul class="earlier">
            @foreach ($earlier as $other)
                <li><a href="{{ route('conversation', $other) }}"><b>{{ $other->subject }}</b></a><small>{{ $other->number() }} · {{ $other->state->label() }} · {{ $time->short($other->last_message_at) }}</small></li>
            @endforeach
        </ul>
        @if ($conversationCount - 1 > $earlier->count())
            <p class="soft">and {{ $conversationCount - 1 - $earlier->count() }} more</p>
        @endif
    @endif
    <h3>This conversation</h3>
    <dl class="facts">
        <div><dt>Number</dt><dd>{{ $conversation->number() }}</dd></div>
        <div><dt>Began</dt><dd>{{ $time->short($conversation->created_at) }}</dd></div>
        <div><dt>Team</dt><dd>{{ $conversation->team?->name ?? '—' }}</dd></div>
        <div><dt>Category</dt><dd>{{ $conversation->category?->path() ?? '—' }}</dd></div>
        @if ($conversation->linkedConversation)
            <div><dt>Links to</dt><dd><a href="{{ route('conversation', $conversation->linkedConversation) }}">{{ $conversation->linkedConversation->number() }}</a></dd></div>
        @endif
    </dl>
</aside>
