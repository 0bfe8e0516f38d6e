@use('App\Conversations\Journal\JournalKind')
<ol class="trail" id="trail" aria-label="Trail"
    hx-get="/conversations/{{ $conversation->id }}/changes?{{ http_build_query(['mark' => $mark, 'pictures' => $pictures ?: null,
        'since' => $since ?: null]) }}"
    hx-trigger="every 1500ms, writing" hx-include="#here input, #writes" hx-swap="morph:outerHTML" hx-ext="morph" aria-live="polite"
    aria-relevant="additions">
    @php $day = null; $isMarked = $since === 0 || $since >= $seen; @endphp
    @foreach ($trail as $item)
        @php
            $entry = $item->first();
            $entryDay = $time->local($entry->at)->format('Y-m-d');
            $shownDay = $entryDay !== $day ? ($time->day($entry->at) ?: 'Today') : '';
            $day = $entryDay;
        @endphp
        @if (! $isMarked && $entry->id > $since && $entry->teammate_id !== $teammate->id)
            @php $isMarked = true; @endphp
            <li class="since-look" id="since-look"><span>New since you looked</span></li>
        @endif
        <li class="entry entry-{{ $item->shape() }}" id="e-{{ $entry->id }}">
            <time class="entry-time" datetime="{{ $entry->at->toIso8601ZuluString() }}"
                title="{{ $time->full($entry->at) }}">@if ($shownDay !== '')<span>{{ $shownDay }}</span>
                @endif{{ $time->clock($entry->at) }}</time>
            <span class="marker" aria-hidden="true"></span>
            <div class="entry-body">
                @if ($entry->note !== null)
                    <p class="entry-who"><b>{{ $entry->note->teammate->name ?? 'The rule “'.$entry->cause()?->asRule()?->name.'”' }}</b>
                        <span>only the team sees this</span></p>
                    <div class="plain-text">{{ $entry->note->text }}</div>
                @elseif ($entry->message !== null && $item->shape() === 'partner')
                    <p class="entry-who"><b>{{ $entry->payload()->partner->name }}</b>
                        <span>{{ $entry->message->isIncoming() ? 'answered' : 'was asked by '.($entry->teammate?->name ?? 'us') }} · the
                        customer never sees this</span></p>
                    @include('answering.partner-message', ['message' => $entry->message])
                @elseif ($entry->message !== null && in_array($item->shape(), ['customer', 'us'], true))
                    @include('workspace.message', ['message' => $entry->message, 'why' => $entry->why])
                @else
                    <p class="entry-sentence">
                        @foreach ($sentence->together($item->entries) as [$done, $said])
                            {{ $said }}@if ($done->kind === JournalKind::Began &&
                                $conversation->linked_conversation_id !== null):
                                <a href="{{ route('conversation', $conversation->linked_conversation_id) }}">open
                                it</a>@endif{{ $loop->last ? '' : ' · ' }}
                        @endforeach
                    </p>
                @endif
            </div>
        </li>
    @endforeach
    @foreach ($scheduled as $later)
        <li class="entry entry-later" id="later-{{ $later->id }}">
            <time class="entry-time" datetime="{{ $later->send_at->toIso8601ZuluString() }}">{{ $time->day($later->send_at) }}
                {{ $time->clock($later->send_at) }}</time>
            <span class="marker" aria-hidden="true"></span>
            <div class="entry-body">
                <p class="entry-who"><b>{{ $later->teammate->name }}</b>
                    <span>to be sent
                    {{ $time->short($later->send_at) }}{{ $later->unless_answered ? ', unless the customer answers first' : '' }}</span></p>
                <div class="plain-text">{{ $later->reply['text'] }}</div>
                @can('reply', $conversation)
                    <div class="entry-foot"><form method="post" action="/scheduled/{{ $later->id }}/send-now">@csrf<button
                        class="foot-button">Send now</button></form><form method="post"
                        action="/scheduled/{{ $later->id }}/call-off">@csrf<button class="foot-button">Call off</button></form></div>
                @endcan
            </div>
        </li>
    @endforeach
    @if (($nudge ?? null) !== null)
        <li class="entry entry-later" id="nudge-{{ $nudge->id }}">
            <time class="entry-time" datetime="{{ $nudge->next_at->toIso8601ZuluString() }}">{{ $time->day($nudge->next_at) }}
                {{ $time->clock($nudge->next_at) }}</time>
            <span class="marker" aria-hidden="true"></span>
            <div class="entry-body">
                <p class="entry-who"><b>{{ $nudge->plan->name }}</b>
                    <span>{{ isset($nudge->plan->steps[$nudge->sent]) ? 'reminder '.($nudge->sent + 1).' of '.count($nudge->plan->steps)
                        : 'the last word, then resolved' }},
                    unless they answer first</span></p>
                @can('reply', $conversation)<div class="entry-foot"><form method="post"
                    action="/nudges/running/{{ $nudge->id }}/call-off">@csrf<button class="foot-button">Call
                    off</button></form></div>@endcan
            </div>
        </li>
    @endif
</ol>
