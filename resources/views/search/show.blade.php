@extends('layouts.app')
@use('App\Search\MarkedText')
@use('App\Support\Drawings')
@use('Cairnfield\Core\Search\FoundWords')
@use('Cairnfield\Core\Search\SearchQuery')
@section('title', $written === '' ? 'Search' : "Search: {$written}")
@section('keys')
    <div><dt><kbd>↓</kbd> <kbd>↑</kbd></dt><dd>Next and previous row</dd></div>
    <div><dt><kbd>Enter</kbd></dt><dd>Open the row</dd></div>
@endsection
@section('content')
<main id="content" class="page page-narrow search-page">
    <h1 class="visually-hidden">Search</h1>
    @if ($asked->cut)<p class="message-mark"><x-icon name="warning"/> Only the first {{ SearchQuery::LONGEST }}
        characters and twenty words are looked for.</p>@endif
    @foreach ($hints as $hint)<p class="message-mark"><x-icon name="warning"/> {{ $hint }}</p>@endforeach
    @foreach ($problems as $problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endforeach
    @if ($rows === null)
        <div class="empty">
            <x-cairn/>
            <p>{{ $written === '' ? 'Write what you look for above: words, a name, an order’s number, an address.' :
                'There is no word in “'.$written.'” to look for. Write a name, a number or a word.' }}</p>
            <p>Narrow it with <code>state:held</code>, <code>owner:ilse</code>, <code>category:late</code>, <code>tag:festival</code>,
                <code>from:ana</code>, <code>order:B-20431</code>, <code>before:{{ now()->format('Y-m-d') }}</code>,
                <code>has:file</code>, <code>is:public</code>. Put a phrase in "quotes", and a minus before what must not be there.</p>
        </div>
    @elseif ($problems === [])
        <p class="soft"
            role="status">{{ $rows->isEmpty() ? 'Nothing was found.' : ($hasMore ? 'The latest '.$rows->count().($page > 1 ?
                ' of this page' : '') : trans_choice('{1} One conversation|[2,*] :count conversations', $rows->count(), ['count' =>
                $rows->count()])) }}</p>
        @if ($proposed !== null)<p>Did you mean <a href="/search?q={{ urlencode($proposed) }}"><b>{{ $proposed }}</b></a>?</p>@endif
        @if ($rows->isNotEmpty())<ol class="found sheet">
            @foreach ($rows as $row)
                <li>
                    <p><a class="row-link"
                        href="{{ route('conversation', $row) }}">{{
                            MarkedText::of(FoundWords::in($row->subject, $words)) }}</a>
                        <span class="soft found-at">@php $standing = $row->standing(); @endphp @if ($standing !== null)
                            {{ Drawings::cairn($standing) }} <b class="due {{ $standing->missed ? 'due-missed' : '' }}"
                            title="{{ $standing->kind->label() }}" data-time-left="{{ $standing->dueAt }}">{{ $standing->timeLeft()
                            }}</b> · @endif{{ $time->short($row->last_message_at) }}</span></p>
                    <p class="soft"><b>{{ MarkedText::of(FoundWords::in($row->customer->name,
                        $words)) }}</b>
                        · {{ $row->number() }}@if ($row->orders->isNotEmpty()) ·
                        {{ $row->orders->pluck('number')->implode(', ') }}@endif · {{ $row->state->label() }} ·
                        {{ $row->owner?->firstName() ?? 'nobody’s yet' }}</p>
                    <p>{{ MarkedText::of($pieces[$row->id] ?? []) }}</p>
                </li>
            @endforeach
        </ol>@endif
        @if ($page > 1 || $hasMore)
            <nav class="pages" aria-label="Pages">
                @if ($page > 1)<a class="btn btn-outline-secondary" rel="prev"
                    href="/search?{{ http_build_query(['q' => $written, 'page' => $page - 1]) }}">Before</a>@endif
                <span class="soft">Page {{ $page }}</span>
                @if ($hasMore)<a class="btn btn-outline-secondary" rel="next"
                    href="/search?{{ http_build_query(['q' => $written, 'page' => $page + 1]) }}">Next</a>@endif
            </nav>
        @endif
    @endif
</main>
@endsection
