<nav class="tabs subtabs" aria-label="Templates and rules">
    @foreach (['templates' => 'Templates', 'rules' => 'Rules', 'nudges' => 'Nudge plans'] as $path => $label)
        <a href="/{{ $path }}" @if (request()->is("{$path}*")) aria-current="page" @endif>{{ $label }}</a>
    @endforeach
</nav>
