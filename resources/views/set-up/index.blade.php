@extends('layouts.app')
@section('title', 'Set up')
@section('keys')
    <div><dt><kbd>/</kbd></dt><dd>Find a setting</dd></div>
    <div><dt><kbd>↓</kbd> <kbd>↑</kbd></dt><dd>Next and previous page</dd></div>
@endsection
@section('content')
<main id="content" class="page set-up">
    <div class="page-head">
        <h1>Set up</h1>
        <form method="get" action="/set-up" role="search" class="set-up-find">
            <label class="visually-hidden" for="set-up-field">Find a setting</label>
            <input id="set-up-field" class="form-control" name="find" value="{{ $find }}" maxlength="100" autocomplete="off" data-find
                data-first-row
                placeholder="Find a setting: signature, teams, reminders …" hx-get="/set-up" hx-trigger="input changed delay:100ms"
                    hx-target="#set-up-found" hx-swap="outerHTML" hx-replace-url="true">
            <kbd aria-hidden="true">/</kbd>
        </form>
        <p class="soft">{{ trans_choice('{0} Nothing wants a look.|{1} One thing wants a look.|[2,*] :count things want a look.',
            $wanting) }}</p>
    </div>
    @include('set-up.found')
</main>
@endsection
