@use('App\Store\Store')
@extends('layouts.app')
@section('title', 'The first administrator')
@section('content')
<main id="content" class="narrow">
    <h1>Who are you?</h1>
    <form method="post" action="/begin/{{ $key }}/administrator" class="sheet stack">
        @csrf
        <p>You become the first administrator of <b>{{ Store::current()->name }}</b>. With this the link is used up: from then on you
            sign in, and the rest can wait.</p>
        @if ($errors->has('name') || $errors->has('email'))
            <ul class="field-problem" role="alert">@foreach ([...$errors->get('name'), ...$errors->get('email')] as $problem)<li>{{
                $problem }}</li>@endforeach</ul>
        @endif
        <div><label class="form-label" for="name">Your name</label><input class="form-control" id="name" name="name" required
            maxlength="120" autocomplete="name" value="{{ old('name') }}" autofocus></div>
        <div><label class="form-label" for="email">Your email address</label><input class="form-control" id="email" name="email"
            type="email" required maxlength="254" autocomplete="username" value="{{ old('email') }}"></div>
        @include('sign-in.new-password')
        <p class="row-buttons"><button class="btn btn-primary" type="submit">Make me the administrator</button>
            <a class="btn btn-outline-secondary" href="/begin/{{ $key }}?store=1">Back to the store</a></p>
    </form>
</main>
@endsection
