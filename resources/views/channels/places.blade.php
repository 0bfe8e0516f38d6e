<nav class="tabs subtabs" aria-label="Ways in">
    @foreach (['accounts' => 'Accounts', 'troubles' => 'Not taken', 'unreadable-mail' => 'Unreadable mail', 'arrival' => 'On arrival', 'history' => 'Import and export'] as $path => $label)
        <a href="/{{ $path }}" @if (request()->is($path, "{$path}/*")) aria-current="page" @endif>{{ $label }} @if ($path === 'troubles' && $troubleCount > 0)<b class="tab-count">{{ $troubleCount }}</b>@elseif ($path === 'unreadable-mail' && $unreadableCount > 0)<b class="tab-count">{{ $unreadableCount }}</b>@endif</a>
    @endforeach
</nav>
