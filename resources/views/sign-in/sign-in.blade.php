@extends('layouts.app')
@section('title', 'Sign in')
@section('content')
<main id="content" class="narrow">
    <h1>Sign in</h1>
    <form method="post" action="/sign-in" class="sheet stack">
        @csrf
        @error('email')<p class="field-problem" role="alert" id="email-problem">{{ $message }}</p>@enderror
        <div>
            <label class="form-label" for="email">Email address</label>
            <input class="form-control" id="email" name="email" type="email" autocomplete="username" required value="{{ old('email') }}"
                autofocus @error('email') aria-invalid="true" aria-describedby="email-problem" @enderror>
        </div>
        <div>
            <label class="form-label" for="password">Password</label>
            <input class="form-control" id="password" name="password" type="password" autocomplete="current-password" required>
        </div>
        <button class="btn btn-primary" type="submit">Sign in</button>
        <a href="/forgotten">Password forgotten</a>
    </form>
</main>
@endsection
