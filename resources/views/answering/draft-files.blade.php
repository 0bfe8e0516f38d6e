@use('App\Conversations\Attachment')
<div id="draft-files" @if ($oob ?? false) hx-swap-oob="true" @endif>
    @if ($fileProblem ?? null)
        <p class="field-problem" role="alert">{{ $fileProblem }}</p>
    @endif
    @if ($replyDraft !== null && $replyDraft->files !== [])
        <ul class="files" aria-label="Files of the answer">
            @foreach ($replyDraft->files as $file)
                <li><span><b>{{ $file['name'] }}</b> {{ Attachment::sizeText($file['size']) }}</span>
                    <button type="button" class="file-away" aria-label="Take {{ $file['name'] }} away"
                    hx-delete="/conversations/{{ $conversation->id }}/draft-files/{{ $file['sha256'] }}" hx-target="#draft-files"
                    hx-swap="outerHTML">×</button></li>
            @endforeach
        </ul>
    @endif
</div>
