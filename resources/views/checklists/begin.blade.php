@if ($checklists->isNotEmpty())
    <details class="menu" id="menu-checklist">
        <summary class="btn btn-sm btn-outline-secondary" data-key="y">Checklist <kbd>Y</kbd></summary>
        <form method="post" action="/conversations/{{ $conversation->id }}/checklists" class="menu-panel menu-start">
            @csrf
            @foreach ($checklists as $checklist)<button name="checklist"
                value="{{ $checklist->id }}">{{ $checklist->name }}</button>@endforeach
        </form>
    </details>
@endif
