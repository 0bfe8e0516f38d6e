@use('App\SignIn\PassPurpose')
@use('App\SignIn\Password')
@extends('layouts.app')
@section('title', 'Choose a password')
@section('content')
<main id="content" class="narrow">
    <h1>{{ $pass->purpose === PassPurpose::Invitation ? "Welcome, {$pass->teammate->firstName()}" : 'Choose a new password' }}</h1>
    <form method="post" class="sheet stack">
        @csrf
        <p>You sign in with <b>{{ $pass->teammate->email }}</b> and the password that you choose here.</p>
        <input type="hidden" name="email" value="{{ $pass->teammate->email }}" autocomplete="username">
        @include('sign-in.new-password')
        <button class="btn btn-primary" type="submit">Choose it and go on</button>
    </form>
</main>
@endsection
