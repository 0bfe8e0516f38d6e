@use('App\Conversations\Attachment')
@use('App\Conversations\MessageHtml')
@use('App\Conversations\OutboxItem')
@use('Cairnfield\Core\Mail\SenderCheck')
@use('Cairnfield\Core\Mood\Mood')
@use('Cairnfield\Core\Text\FoldedText')
@use('Illuminate\Support\Str')
@php
    $html = $message->html === null ? null : MessageHtml::of($message, $pictures === $message->id);
    $folded = FoldedText::of($message->text);
    $files = $message->attachments->reject(
        fn ($file) => $html !== null && $file->inline && str_contains((string) $message->html, 'cid:'.$file->content_id)
    );
    $item = $message->outboxItem;
    $sentTo = ($message->forwarded ? 'forwarded to ' : 'replied to ').implode(', ', $message->to)
        .($message->cc === [] ? '' : ', copy to '.implode(', ', $message->cc))
        .(($message->bcc ?? []) === [] ? '' : ', hidden copy to '.implode(', ', $message->bcc));
@endphp
<p class="entry-who">
    @if ($message->isIncoming())
        <b>{{ $message->from_name !== '' ? $message->from_name : ($message->from_address !== '' ? $message->from_address :
            'Unknown sender') }}</b>
            @if ($message->from_name !== '' && $message->account->channel->isMail())
                <span class="entry-address" @if ($message->sender_check === SenderCheck::Passed) title="The mail server found that it comes
                    from there" @endif>{{ $message->from_address }}</span>
            @endif
            <span>{{ $message->automatic ? 'sent an automatic message' : $message->kind->did() }}{{ $message->alsoWentTo()
                }}@if ($message->account_id !== $conversation->account_id)
            on {{ $message->account->title() }}@endif @if ($why !== '') · {{ $why }}@endif</span>
    @else
        @php $byRule = $entry->cause()?->asRule()?->name; @endphp
        <b>{{ $byRule !== null ? "The rule “{$byRule}”" : ($message->teammate?->name ?? 'Cairnfield') }}</b>
        @if ($byRule !== null && $message->teammate !== null)<span>in the name of {{ $message->teammate->name }}</span>@endif
            <span>{{ $message->public ? 'replied in public' : $sentTo }}@if ($message->account_id !== $conversation->account_id) by
            {{ $message->account->title() }}@endif @if ($item?->state === OutboxItem::DUE && $item->attempts === 0)
            · {{ $item->due_at->addMinute()->isPast() ? 'waits to be sent since '.$time->short($item->due_at) : 'being sent' }}
            @endif</span>
    @endif
</p>
@if ($item !== null && $item->canBeCalledBack() && $message->teammate_id === $teammate->id && $item->due_at->isFuture())
    <form method="post" action="/messages/{{ $message->id }}/call-back" class="call-back">@csrf<span>Leaves in a few seconds.</span>
        <button class="btn btn-sm btn-outline-secondary" data-key="z">Call back <kbd>Z</kbd></button></form>
@elseif ($message->called_back_at !== null)
    <p class="message-mark">Called back {{ $time->short($message->called_back_at) }}: it was not sent.</p>
@endif
@if ($message->sender_check === SenderCheck::Failed)
    <p class="message-mark"><x-icon name="warning"/> The mail server found that this does not come from {{ $message->from_address }}.</p>
@endif
@if ($html !== null)
    @if ($html->unshownPictures() > 0)
        <p class="pictures-note">{{ trans_choice('One picture from elsewhere is not shown|:count pictures from elsewhere are not shown',
            $html->unshownPictures(), ['count' => $html->unshownPictures()]) }}.
            <a href="{{ route('conversation', $conversation) }}?pictures={{ $message->id }}#e-{{ $entry->id }}">Show</a></p>
    @endif
    <div class="mail-html" tabindex="-1">{!! $html->written() !!}</div>
    @if ($html->quoted() !== '')
        <details class="fold" id="fold-{{ $message->id }}"><summary>Earlier text</summary><div
            class="mail-html">{!! $html->quoted() !!}</div></details>
    @endif
@else
    @if (trim($folded->written) === '' && $files->isEmpty() && $folded->quoted === '')
        <p class="soft">The message has no text.</p>
    @endif
    @foreach ($folded->pieces() as $index => [$piece, $isQuoted])
        @if ($isQuoted)<details class="fold fold-between" id="quote-{{ $message->id }}-{{ $index }}"><summary>{{
            Str::limit(Str::squish(preg_replace('/^[\s>]+/m', '', $piece)), 60) }}</summary><div
            class="plain-text">{{ trim($piece) }}</div></details>
        @elseif (trim($piece) !== '')<div class="plain-text">{{ trim($piece, "\n") }}</div>@endif
    @endforeach
    @if (trim($folded->signature) !== '')
        <details class="fold" id="signature-{{ $message->id }}"><summary>Signature</summary><div
            class="plain-text">{{ trim($folded->signature) }}</div></details>
    @endif
    @if (trim($folded->quoted) !== '')
        <details class="fold" id="fold-{{ $message->id }}"><summary>Earlier text</summary><div
            class="plain-text">{{ trim($folded->quoted) }}</div></details>
    @endif
@endif
@if ($message->removed_at !== null)
    <p class="message-mark"><x-icon name="warning"/> Removed by the customer {{ $time->short($message->removed_at) }}; nobody else can
        read it any more.</p>
@endif
@if ($message->edited_at !== null && ($message->earlier_texts ?? []) !== [])
    <details class="fold" id="before-{{ $message->id }}"><summary>Changed by the customer {{ $time->short($message->edited_at)
        }}; before</summary><div class="plain-text">@foreach ($message->earlier_texts as $text){{ $text }}@if (! $loop->last)

— — —

@endif @endforeach</div></details>
@endif
@if (($message->redacted ?? []) !== [])
    <p class="message-mark"><x-icon name="warning"/>
        {{ trans_choice('A number was taken out on arrival|:count numbers were taken out on arrival', count($message->redacted),
            ['count' => count($message->redacted)]) }}
        ({{ collect($message->redacted)->map(fn ($one) => "{$one['kind']} …{$one['last4']}")->implode(', ') }}). The original is not
        kept.</p>
@endif
@if ($message->mood !== null && $message->mood !== Mood::Neutral)
    <p class="message-mood">Sounds {{ $message->mood->value }}:
        {{ collect($message->mood_words)->map(fn ($words) => "“{$words}”")->implode(', ') }}</p>
@endif
@foreach ($message->marks as $mark)
    <p class="message-mark"><x-icon name="warning"/> {{ $mark }}</p>
@endforeach
@if ($files->isNotEmpty())
    <ul class="files" aria-label="Files">
        @foreach ($files as $file)
            <li><a href="/attachments/{{ $file->id }}" @if (str_starts_with($file->media_type, 'image/')) target="_blank" rel="noopener"
                @endif><b>{{ $file->name }}</b> {{ Attachment::sizeText($file->size) }}</a></li>
        @endforeach
    </ul>
@endif
@if ($item !== null && $item->state === OutboxItem::FAILED)
    <div class="delivery-trouble">
        <p><x-icon name="warning"/> <b>Not delivered.</b> {{ $item->last_error }}</p>
        @can('reply', $conversation)
            <form method="post" action="/messages/{{ $message->id }}/send-again">@csrf<button class="btn btn-sm btn-outline-danger">Send
                it again</button></form>
        @endcan
    </div>
@elseif ($item !== null && $item->state === OutboxItem::DUE && $item->attempts > 0)
    <p class="message-mark"><x-icon name="warning"/> Not delivered yet, next try {{ $time->short($item->due_at) }}:
        {{ $item->last_error }}</p>
@endif
@php $publicItem = $message->isIncoming() && $message->public ? $message->channelItem : null; @endphp
<div class="entry-foot">
    @if ($message->original !== null)<a href="/messages/{{ $message->id }}/original">Original</a>@endif
    @can('reply', $conversation)
        @includeWhen($publicItem !== null, 'public.reactions', ['item' => $publicItem, 'account' => $message->account])
    @endcan
    @if ($message->isIncoming())
        @can('reply', $conversation)<a href="/conversations/{{ $conversation->id }}/forward?message={{ $message->id }}">Forward</a>@endcan
        @can('resolve', $conversation)<form method="post" action="/messages/{{ $message->id }}/split">@csrf<button class="foot-button"
            title="Another matter: make it a conversation of its own">Split off</button></form>@endcan
    @endif
</div>
