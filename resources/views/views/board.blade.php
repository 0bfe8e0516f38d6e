@extends('layouts.app')
@use('App\Views\BoardBy')
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
            @foreach (BoardBy::cases() as $one)<a href="/queue/{{ $view->key() }}/board?by={{ $one->value }}"
                @if ($one === $by) aria-current="page" @endif>by {{ $one->label() }}</a>@endforeach
        </nav>
        <a class="btn btn-outline-secondary" href="/queue/{{ $view->key() }}" data-key="b">As a list <kbd>B</kbd></a>
    </div>
    @include('views.board-columns')
    <dialog id="move" aria-labelledby="move-title">
        <h2 id="move-title">Where to?</h2>
        @foreach ($columns as $target)
            @continue($target->key === 'resolved' && $by === BoardBy::State && ! $mayResolve)
            <form method="post" action="/board/move" data-move-to="{{ $target->key }}">
                @csrf
                <input type="hidden" name="conversation" value=""><input type="hidden" name="by" value="{{ $by->value }}"><input
                    type="hidden" name="to" value="{{ $target->key }}">
                @if ($by === BoardBy::State && $target->key === 'held')
                    <label class="visually-hidden" for="move-reason">Who must act first, and why</label><input class="form-control"
                        id="move-reason" name="reason" maxlength="300" placeholder="Who must act first, and why" required>
                @elseif ($by === BoardBy::State && $target->key === 'resolved')
                    <label class="visually-hidden" for="move-outcome">Outcome</label><select class="form-select" id="move-outcome"
                        name="outcome" required><option value="">Outcome …</option>@foreach ($outcomes as $outcome)<option
                        value="{{ $outcome->id }}">{{ $outcome->name }}</option>@endforeach</select>
                @endif
                <button class="btn btn-outline-secondary">to {{ $target->label }}</button>
            </form>
        @endforeach
        <form method="dialog"><button class="btn btn-link">Leave it</button></form>
    </dialog>
</main>
@endsection
