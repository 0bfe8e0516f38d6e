<nav class="tabs subtabs" aria-label="Sorting">
    @foreach (['categories' => 'Categories', 'outcomes' => 'Outcomes', 'tags' => 'Tags', 'fields' => 'Own fields', 'checklists' => 'Checklists', 'teams' => 'Teams'] as $path => $label)
        <a href="/sorting/{{ $path }}" @if (request()->is("sorting/{$path}*")) aria-current="page" @endif>{{ $label }}</a>
    @endforeach
</nav>
@if ($errors->any())<ul class="field-problem" role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
