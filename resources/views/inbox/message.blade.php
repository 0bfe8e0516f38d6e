@php
    use App\Channels\OutboxItem;
    use App\Inbox\MessageHtml;
    $html = $message->html === null ? null : MessageHtml::of($message, $pictures === $message->id);
    $folded = \Cairnfield\Core\Text\FoldedText::of($message->text);
    $files = $message->attachments->reject(fn ($file) => $html !== null && $file->inline && str_contains((string) $message->html, 'cid:'.$file->content_id));
    $item = $message->outboxItem;
@endphp
<p class="entry-who">
    @if ($message->isIncoming())
        <b>{{ $message->from_name !== '' ? $message->from_name : ($message->from_address !== '' ? $message->from_address : 'Unknown sender') }}</b> <span>{{ $message->automatic ? 'sent an automatic message' : 'wrote' }}@if ($why !== '') · {{ $why }}@endif</span>
    @else
        <b>{{ $message->teammate?->name ?? 'Cairnfield' }}</b> <span>replied to {{ implode(', ', $message->to) }}@if ($item?->state === OutboxItem::DUE && $item->attempts === 0) · being sent @endif</span>
    @endif
</p>
@if ($html !== null)
    @if ($html->unshownPictures() > 0)
        <p class="pictures-note">{{ trans_choice('One picture from elsewhere is not shown|:count pictures from elsewhere are not shown', $html->unshownPictures(), ['count' => $html->unshownPictures()]) }}. <a href="{{ route('conversation', $conversation) }}?pictures={{ $message->id }}#e-{{ $entry->id }}">Show</a></p>
    @endif
    <div class="mail-html" tabindex="-1">{!! $html->written() !!}</div>
    @if ($html->quoted() !== '')
        <details class="fold" id="fold-{{ $message->id }}"><summary>Earlier text</summary><div class="mail-html">{!! $html->quoted() !!}</div></details>
    @endif
@else
    @if (trim($folded->written) === '' && $files->isEmpty() && $folded->quoted === '')
        <p class="soft">The message has no text.</p>
    @endif
    <div class="plain-text">{{ trim($folded->written) }}</div>
    @if (trim($folded->signature) !== '')
        <details class="fold" id="signature-{{ $message->id }}"><summary>Signature</summary><div class="plain-text">{{ trim($folded->signature) }}</div></details>
    @endif
    @if (trim($folded->quoted) !== '')
        <details class="fold" id="fold-{{ $message->id }}"><summary>Earlier text</summary><div class="plain-text">{{ trim($folded->quoted) }}</div></details>
    @endif
@endif
@foreach ($message->marks as $mark)
    <p class="message-mark"><x-icon name="warning"/> {{ $mark }}</p>
@endforeach
@if ($files->isNotEmpty())
    <ul class="files" aria-label="Files">
        @foreach ($files as $file)
            <li><a href="/attachments/{{ $file->id }}" @if (str_starts_with($file->media_type, 'image/')) target="_blank" rel="noopener" @endif><b>{{ $file->name }}</b> {{ \App\Inbox\Attachment::sizeText($file->size) }}</a></li>
        @endforeach
    </ul>
@endif
@if ($item !== null && $item->state === OutboxItem::FAILED)
    <div class="delivery-trouble">
        <p><x-icon name="warning"/> <b>Not delivered.</b> {{ $item->last_error }}</p>
        @can('reply', $conversation)
            <form method="post" action="/messages/{{ $message->id }}/send-again">@csrf<button class="btn btn-sm btn-outline-danger">Send it again</button></form>
        @endcan
    </div>
@elseif ($item !== null && $item->state === OutboxItem::DUE && $item->attempts > 0)
    <p class="message-mark"><x-icon name="warning"/> Not delivered yet, next try {{ $time->short($item->due_at) }}: {{ $item->last_error }}</p>
@endif
@if ($message->original !== null)
    <p class="entry-foot"><a href="/messages/{{ $message->id }}/original">Original</a></p>
@endif
