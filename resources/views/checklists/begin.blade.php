@if ($checklists->isNotEmpty())
    <details class="menu" id="menu-checklist">
        <summary class="btn btn-sm btn-outline-secondary" data-key="y">Checklist <kbd>Y</kbd></summary>
        <form method="post" action="/conversations/{{ $conversation->id }}/checklists" class="menu-panel menu-start">
            @csrf
            {{-- Those of its category first. --}}
            @foreach ($checklists->sortBy(fn ($one) => (int) $one->also === $conversation->category_id ? 0 : 1) as $checklist)<button
                name="checklist"
                value="{{ $checklist->id }}">{{ $checklist->name }}</button>@endforeach
        </form>
    </details>
@endif
