@if ($suggested !== [])
    <p class="suggested"><span class="soft">Answered before with</span>
        @foreach ($suggested as [$template, $why])
            <button type="button" class="btn btn-sm btn-outline-secondary"
                data-use="/conversations/{{ $conversation->id }}/templates/{{ $template->id }}" title="{{ $why }}">{{ $template->name }}
                <small>{{ $why }}</small></button>
        @endforeach
    </p>
@endif
