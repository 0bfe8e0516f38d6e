@use('App\Conversations\Attachment')
@use('App\Conversations\OutboxItem')
@use('Cairnfield\Core\Text\FoldedText')
@php $folded = FoldedText::of($message->text); @endphp
<div class="plain-text">{{ trim($folded->written) }}</div>
@if (trim($folded->quoted) !== '')<details class="fold" id="fold-{{ $message->id }}"><summary>Earlier text</summary><div
    class="plain-text">{{ trim($folded->quoted) }}</div></details>@endif
@if ($message->attachments->isNotEmpty())
    <ul class="files" aria-label="Files">@foreach ($message->attachments as $file)<li><a
        href="/attachments/{{ $file->id }}"><b>{{ $file->name }}</b>
        {{ Attachment::sizeText($file->size) }}</a></li>@endforeach</ul>
@endif
@if ($message->outboxItem?->state === OutboxItem::FAILED)<p class="message-mark"><x-icon name="warning"/> Not
    delivered: {{ $message->outboxItem->last_error }}</p>@endif
