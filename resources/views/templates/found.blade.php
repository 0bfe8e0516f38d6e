@use('Illuminate\Support\Str')
@forelse ($rows as [$template, $why])
    <li id="found-{{ $loop->index }}" role="option" aria-selected="{{ $loop->first ? 'true' : 'false' }}"
        data-use="/conversations/{{ $conversation->id }}/templates/{{ $template->id }}">
        <b>{{ $template->name }}</b> @if ($template->folder !== '')<span class="soft">{{ $template->folder }}</span>@endif
        <span class="found-begins">{{ Str::limit($template->begins() ?: 'only steps', 110) }}</span>
        @if ($why !== '')<small>{{ $why }}</small>@endif
    </li>
@empty
    <li class="soft" role="option" aria-disabled="true" aria-selected="false">No template has “{{ $letters }}” in its name, folder or
        text.</li>
@endforelse
