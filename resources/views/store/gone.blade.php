@extends('layouts.app')
@section('title', 'This link cannot be used')
@section('content')
<main id="content" class="narrow">
    <h1>This link cannot be used</h1>
    <div class="sheet stack">
        <p>It was used, is older than a week, or there is a newer one.</p>
        <p>Where nobody is an administrator yet, <code>bin/start --no-demo</code> prints another one on the machine that this runs on. Else
            sign in.</p>
        <p><a class="btn btn-primary" href="/sign-in">Sign in</a></p>
    </div>
</main>
@endsection
