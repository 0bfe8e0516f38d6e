<details class="menu" id="menu-task">
    <summary class="btn btn-sm btn-outline-secondary" data-key="l">New task <kbd>L</kbd></summary>
    <form method="post" action="/conversations/{{ $conversation->id }}/tasks" class="menu-panel menu-form menu-start">
        @csrf
        @include('tasks.fields', ['key' => 'here'])
        <button class="btn btn-primary">Write it down</button>
    </form>
</details>
