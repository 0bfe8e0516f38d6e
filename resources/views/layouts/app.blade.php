@use('App\Team\Availability')
@use('App\Support\SecurityHeaders')
<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="htmx-config"
        content='{"includeIndicatorStyles":false,"allowEval":false,"allowScriptTags":false,"selfRequestsOnly":true,"historyCacheSize":0}'>
    <meta name="csp-nonce" content="{{ request()->attributes->get(SecurityHeaders::STYLE_NONCE) }}">
    <title>@yield('title') · Cairnfield</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @vite(['resources/scss/app.scss', 'resources/js/app.js'])
</head>
<body @if ($signedIn) data-person="{{ $signedIn->id }}" @endif @if ($signedIn && ! $signedIn->single_keys) data-single-keys="off" @endif
    hx-headers='{"X-CSRF-TOKEN": "{{ csrf_token() }}"}'>
    <a class="visually-hidden-focusable skip" href="#content">To the content</a>
    <header class="topbar">
        <a class="brand" href="/queue"><x-logo/> Cairnfield</a>
        @if ($signedIn)
            <nav class="places" aria-label="Places">
                @foreach ($places as [$name, $address, $isHere])
                    <a href="{{ $address }}" @if ($isHere) aria-current="page" @endif>{{ $name }}</a>
                @endforeach
            </nav>
            <details class="menu places-menu" id="menu-places">
                <summary>{{ $here }} <span aria-hidden="true">▾</span></summary>
                <nav class="menu-panel" aria-label="All places">
                    @foreach ($places as [$name, $address, $isHere])
                        <a href="{{ $address }}" @if ($isHere) aria-current="page" @endif>{{ $name }}</a>
                    @endforeach
                    <a href="/set-up" @if ($isSetUp) aria-current="page" @endif>Set up</a>
                </nav>
            </details>
            <div class="topbar-end">
                <form method="get" action="/search" class="search-bar" role="search" aria-label="Everything">
                    <label class="visually-hidden" for="search-field">Search for everything</label>
                    <input id="search-field" name="q"
                        value="{{ request()->is('search') && is_string(request('q')) ? request('q') : '' }}" placeholder="Search  /"
                        maxlength="400" autocomplete="off" list="search-completions" hx-get="/search/complete"
                        hx-trigger="input changed delay:150ms" hx-target="#search-completions" hx-swap="innerHTML">
                    <datalist id="search-completions"></datalist>
                </form>
                <a class="search-link" href="/search">Search</a>
                @include('notifications.count')
                <a class="call-link" href="/calls/new" data-key="c" data-opens="call">Call <kbd>C</kbd></a>
                <a class="set-up-link" href="/set-up" data-key="u" @if ($isSetUp) aria-current="page" @endif>Set up
                    @if ($unreadableCount + $troubleCount > 0)
                        <span class="count" title="Mail and events to look at">{{ $unreadableCount + $troubleCount }}</span>
                    @endif
                </a>
                <details class="menu" id="menu-me">
                    @php $stands = $standing === Availability::Here ? '' : ($signedIn->away_word ?? $standing->label()); @endphp
                    <summary>
                        <span class="name-whole">{{ $signedIn->name }}</span><span class="name-short">{{ $signedIn->firstName() }}</span>
                        @if ($stands !== '')<span class="away-mark">{{ $stands }}</span>@endif
                        <span class="visually-hidden">my own menu</span>
                    </summary>
                    <div class="menu-panel menu-end">
                        <p class="menu-note">{{ $signedIn->role->label() }}</p>
                        @if ($signedIn->hasAway())
                            <form method="post"
                                action="/people/{{ $signedIn->id }}/here">@csrf<button>{{ $signedIn->isAway() ? 'I am here again' :
                                    'I shall be here after all' }}</button></form>
                        @else
                            <form method="post" action="/people/{{ $signedIn->id }}/says">@csrf
                                @foreach (Availability::said() as $one)<button name="availability" value="{{ $one->value }}"
                                    @if ($one === $signedIn->availability) aria-current="true" @endif>I am {{ $one->label() }}</button>
                                @endforeach</form>
                            <form method="post" action="/people/{{ $signedIn->id }}/away" class="away-form">@csrf
                                <label for="away-until">Away until, or empty until you are back</label>
                                @if ($awayWords !== [])<select class="form-select form-select-sm" name="word" aria-label="Why"><option
                                    value="">away</option>@foreach ($awayWords as $word)<option>{{ $word }}</option>@endforeach</select>
                                @endif
                                <span><input class="form-control form-control-sm" type="datetime-local" id="away-until"
                                    name="until"><button class="btn btn-sm btn-outline-secondary">Away</button></span></form>
                        @endif
                        <a href="/team">Who is here</a>
                        <a href="/tasks">Tasks</a>
                        <button type="button" data-opens-go-to>Go to or do <kbd>G</kbd></button>
                        <button type="button" data-show-keys>Keys of this page <kbd>?</kbd></button>
                        <a href="/own-settings">Own settings</a>
                        <form method="post" action="/sign-out">@csrf<button type="submit">Sign out</button></form>
                    </div>
                </details>
            </div>
        @endif
    </header>
    @if (count($silentParts) + count($troubledAccounts) > 0)<section aria-label="What does not work">
    @foreach ($silentParts as [$part, $since])
        <p class="banner banner-trouble"><x-icon name="warning"/>
            <span>{{ $part->without() }} since {{ $time->short($since) }}: that part of Cairnfield does not answer.
            {{ $administers
                ? "It is begun again by itself whenever it ends; why it does not last stands in var/logs/{$part->log()}, and bin/start "
                    .'on the server sets everything right.'
                : ($whoMends === '' ? 'An administrator can mend it.' : "{$whoMends} can mend it.") }}</span></p>
    @endforeach
    @foreach ($troubledAccounts as $troubled)
        <p class="banner banner-trouble"><x-icon name="warning"/>
            <span>@if ($administers)<a href="/accounts/{{ $troubled->id }}">{{ $troubled->title() }}</a>:
                {{ $troubled->last_error }} <small>({{ $time->short($troubled->last_error_at) }})</small>
            @else{{ $troubled->title() }} brings {{ $troubled->last_heard_at === null ? 'nothing' :
                "nothing new, or not all of it, since {$time->short($troubled->last_heard_at)}" }}: {{ $troubled->last_error }}
                {{ $whoMends === '' ? 'An administrator can mend it.' : "{$whoMends} can mend it." }}@endif</span></p>
    @endforeach
    </section>@endif
    @if (session('problem'))
        <p class="banner banner-trouble" role="alert"><x-icon name="warning"/> <span>{{ session('problem') }}</span></p>
    @endif
    @if (session('done'))
        <div class="banner banner-done"><span role="status">{{ session('done') }}</span>
            @if (session('can_be_called_back'))
                <form method="post" action="/messages/{{ session('can_be_called_back') }}/call-back"
                    data-gone-after="{{ config('cairnfield.outbox.call_back_seconds') }}">
                    @csrf
                    <button class="btn btn-sm btn-outline-secondary" data-key="z">Call back <kbd>Z</kbd></button>
                </form>
            @endif
        </div>
    @endif
    @yield('content')
    @if ($signedIn)
        <dialog id="call" aria-labelledby="call-title">
            <h2 id="call-title">Write down a call</h2>
            <div id="call-place">@include('channels.call-form', ['inDialog' => true, 'onceKey' => $callKey])</div>
        </dialog>
        <dialog id="go-to" aria-label="Go to or do">
            <label class="visually-hidden" for="go-to-field">Go to or do</label>
            <input id="go-to-field" class="form-control" name="q" placeholder="A page, an order, a person, a number, or what to do"
                autocomplete="off" hx-get="/go-to" hx-trigger="input delay:100ms" hx-target="#go-to-found" hx-swap="innerHTML">
            <ul id="go-to-found"></ul>
        </dialog>
        <dialog id="keys" aria-labelledby="keys-title">
            <h2 id="keys-title">Keys of this page</h2>
            <dl class="keys">@yield('keys')
                <div><dt><kbd>c</kbd> or <kbd>F2</kbd></dt><dd>Write down a call; F2 also while writing</dd></div>
                <div><dt><kbd>g</kbd></dt><dd>Go to or do</dd></div>
                <div><dt><kbd>/</kbd></dt><dd>Search</dd></div>
                <div><dt><kbd>q</kbd></dt><dd>To the queue</dd></div>
                <div><dt><kbd>u</kbd></dt><dd>Set up</dd></div>
                <div><dt><kbd>?</kbd></dt><dd>These keys</dd></div>
            </dl>
            <p class="soft">Single keys can be switched off under <a href="/own-settings">own settings</a>.</p>
            <form method="dialog"><button class="btn btn-outline-secondary">Close</button></form>
        </dialog>
    @endif
</body>
</html>
