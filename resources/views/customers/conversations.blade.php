{{-- Conversations of a customer, or of a company's people: then $all is where all of them are found, else null. --}}
<section class="sheet pad" aria-labelledby="conversations">
    <h2 id="conversations">Conversations <span class="soft">{{ $conversationCount }}</span></h2>
    @if ($conversations->isEmpty())<p class="soft">None yet.</p>@endif
    <ul class="earlier">
        @foreach ($conversations as $conversation)
            <li><a href="{{ route('conversation', $conversation) }}"><x-icon :name="$conversation->channel->icon()"
                :label="$conversation->channel->label()"/>
                <b>{{ $conversation->subject }}</b></a><small>{{ $conversation->number() }} ·
                @if ($all !== null){{ $conversation->customer->name }} · @endif{{ $conversation->state->label() }} ·
                {{ $conversation->category?->name ?? 'no category' }} · {{ $conversation->owner?->firstName() ?? 'nobody’s' }} ·
                {{ $time->short($conversation->last_message_at) }}</small></li>
        @endforeach
    </ul>
    @if ($all !== null && $conversationCount > $conversations->count())<p class="soft">The newest {{ $conversations->count() }}. <a
        href="{{ $all }}">All of them</a></p>@endif
</section>
