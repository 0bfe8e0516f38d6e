<nav class="tabs subtabs set-up-places" aria-label="Set up">
    <a class="set-up-back" href="/set-up">Set up</a>
    @foreach ($setUpNeighbours as $page)
        <a href="{{ $page->address }}" @if ($page->holds(request()->path())) aria-current="page" @endif>{{ $page->title }}
            @if ($page->wants() !== null)
                <b class="tab-count" title="{{ $page->wants() }}">!<span class="visually-hidden"> {{ $page->wants() }}</span></b>
            @endif
        </a>
    @endforeach
</nav>
@if ($errors->any() && request()->is('sorting/*'))
    <ul class="field-problem" role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>
@endif
