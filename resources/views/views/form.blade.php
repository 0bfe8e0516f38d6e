@extends('layouts.app')
@use('App\Views\BoardBy')
@use('App\Views\Column')
@use('App\Views\SharedWith')
@use('App\Views\Sort')
@section('title', $view?->name ?? 'New view')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>{{ $view ? "View “{$view->name}”" : 'New view' }}</h1><a class="btn btn-outline-secondary"
        href="/queue/{{ $view?->id }}">Back</a></div>
    @if ($problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    @if ($isBehind && $view)<x-stands-now :name="$view->name" :address="'/views/'.$view->id">
        <p>{{ $theirs === '' ? 'All conversations' : $theirs }}. {{ $view->shared_with->label() }}.</p>
        </x-stands-now>@endif
    @if ($errors->any())<ul class="field-problem" role="alert">@foreach ($errors->all() as $one)<li>{{ $one }}</li>@endforeach</ul>@endif
    <form method="post" action="/views{{ $view ? "/{$view->id}" : '' }}" class="sheet pad view-form">
        @csrf
        <x-default-button does="Save"/>
        <input type="hidden" name="seen" value="{{ $seen }}">
        <input type="hidden" name="view" value="{{ $view?->id }}">
        <label class="form-label" for="view-name">Name</label>
        <input class="form-control" id="view-name" name="name" value="{{ old('name', $view?->name) }}" maxlength="60" required>
        <h2>Which conversations</h2>
        @include('conditions.editor')
        <div class="form-pair">
            <div><label class="form-label" for="view-sort">In which order</label>
                <select class="form-select" id="view-sort" name="sort">@foreach (Sort::cases() as $sort)<option
                    value="{{ $sort->value }}"
                    @selected(old('sort', $view?->sort->value) === $sort->value)>{{ $sort->label() }}</option>@endforeach</select></div>
            <div><label class="form-label" for="view-board">As a board, in columns by</label>
                <select class="form-select" id="view-board" name="board_by">@foreach (BoardBy::cases() as $by)<option
                    value="{{ $by->value }}"
                    @selected(old('board_by', $view?->board_by->value) === $by->value)>{{ $by->label() }}</option>@endforeach</select></div>
            <div><label class="form-label" for="view-shared">Who sees it</label>
                <select class="form-select" id="view-shared"
                    name="shared_with">@foreach ($sharing as $with)<option value="{{ $with->value }}"
                    @selected(old('shared_with', $view?->shared_with->value) === $with->value)>{{ $with->label()
                        }}</option>@endforeach</select></div>
            <div class="view-team"><label class="form-label" for="view-team">Which team</label>
                <select class="form-select" id="view-team" name="team"><option value=""></option>@foreach ($teams as $team)<option
                    value="{{ $team->id }}"
                    @selected((string) old('team', $view?->team_id) === (string) $team->id)>{{ $team->name
                        }}</option>@endforeach</select></div>
        </div>
        <fieldset class="checks"><legend class="form-label">Columns, beside who it is from and what it is about</legend>
            @php $shown = (array) (old('shared_with') !== null ? old('columns') : ($view ? $view->columns :
                array_column(Column::USUAL, 'value'))); @endphp
            @foreach (Column::beginningWith($shown) as $column)<label><input type="checkbox" class="form-check-input"
                name="columns[]" value="{{ $column->value }}" @checked(in_array($column->value, $shown, true))>
                {{ $column->label() }}</label>@endforeach
        </fieldset>
        <button class="btn btn-primary">Save</button>
    </form>
    @if ($view)<form method="post" action="/views/{{ $view->id }}" class="group-away below">@csrf
        @method('delete')<button class="btn btn-sm btn-link">Take this view away</button></form>@endif
</main>
@endsection
