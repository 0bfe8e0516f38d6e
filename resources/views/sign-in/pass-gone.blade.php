@extends('layouts.app')
@section('title', 'This link cannot be used any more')
@section('content')
<main id="content" class="narrow">
    <h1>This link cannot be used any more</h1>
    <div class="sheet stack">
        <p>It has been used, is too old, or another one was made since. Ask for a new one, or have an administrator send it.</p>
        <p class="row-buttons"><a class="btn btn-primary" href="/forgotten">Ask for a new one</a> <a class="btn btn-outline-secondary"
            href="/sign-in">Sign in</a></p>
    </div>
</main>
@endsection
