<ol class="trail" id="trail" aria-label="Trail" hx-get="/conversations/{{ $conversation->id }}/changes?{{ http_build_query(['mark' => $mark, 'pictures' => $pictures ?: null]) }}" hx-trigger="every 3s" hx-swap="morph:outerHTML" hx-ext="morph" aria-live="polite" aria-relevant="additions">
    @php $day = null; @endphp
    @foreach ($trail as $entry)
        @php
            $entryDay = $time->local($entry->at)->format('Y-m-d');
            $shownDay = $entryDay !== $day ? ($time->day($entry->at) ?: 'Today') : '';
            $day = $entryDay;
        @endphp
        <li class="entry entry-{{ match (true) { $entry->message?->isIncoming() => 'customer', $entry->message !== null && $entry->kind === \App\Inbox\JournalKind::Replied => 'us', $entry->note !== null => 'note', $entry->kind === \App\Inbox\JournalKind::DeliveryFailed => 'trouble', default => 'pebble' } }}" id="e-{{ $entry->id }}">
            <time class="entry-time" datetime="{{ $entry->at->toIso8601ZuluString() }}" title="{{ $time->full($entry->at) }}">@if ($shownDay !== '')<span>{{ $shownDay }}</span> @endif{{ $time->clock($entry->at) }}</time>
            <span class="marker" aria-hidden="true"></span>
            <div class="entry-body">
                @if ($entry->note !== null)
                    <p class="entry-who"><b>{{ $entry->note->teammate->name }}</b> <span>only the team sees this</span></p>
                    <div class="plain-text">{{ $entry->note->text }}</div>
                @elseif ($entry->message !== null && in_array($entry->kind, [\App\Inbox\JournalKind::MessageReceived, \App\Inbox\JournalKind::Replied], true))
                    @include('inbox.message', ['message' => $entry->message, 'why' => $entry->why])
                @else
                    <p class="entry-sentence">{{ $sentence->of($entry) }}@if ($entry->kind === \App\Inbox\JournalKind::Began && $conversation->linkedConversation) <a href="{{ route('conversation', $conversation->linked_conversation_id) }}">Open {{ $conversation->linkedConversation->number() }}</a>@endif</p>
                @endif
            </div>
        </li>
    @endforeach
</ol>
