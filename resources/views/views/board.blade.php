@extends('layouts.app')
@section('title', "{$view->label()}, as a board")
@section('keys')
    <div><dt><kbd>↓</kbd> <kbd>↑</kbd> <kbd>←</kbd> <kbd>→</kbd></dt><dd>From card to card</dd></div>
    <div><dt><kbd>Shift</kbd> <kbd>←</kbd> <kbd>→</kbd></dt><dd>Move the card to the next column</dd></div>
    <div><dt><kbd>m</kbd></dt><dd>Where the card can be moved</dd></div>
    <div><dt><kbd>Enter</kbd></dt><dd>Open the card</dd></div>
    <div><dt><kbd>b</kbd></dt><dd>Back to the list</dd></div>
@endsection
@section('content')
<main id="content" class="board-page">
    <div class="board-head">
        <h1>{{ $view->label() }}</h1>
        <nav class="board-by" aria-label="Columns by">
            @foreach (\App\Views\BoardBy::cases() as $one)<a href="/queue/{{ $view->key() }}/board?by={{ $one->value }}" @if ($one === $by) aria-current="page" @endif>by {{ $one->label() }}</a>@endforeach
        </nav>
        <a class="btn btn-outline-secondary" href="/queue/{{ $view->key() }}" data-key="b">As a list <kbd>B</kbd></a>
    </div>
    @include('views.board-columns')
</main>
@endsection
