@extends('layouts.app')
@section('title', 'Password forgotten')
@section('content')
<main id="content" class="narrow">
    <h1>Password forgotten</h1>
    <form method="post" action="/forgotten" class="sheet stack">
        @csrf
        <p>A link to choose a new one is sent to your address. It works once, for two hours.</p>
        @error('email')<p class="field-problem" role="alert" id="email-problem">{{ $message }}</p>@enderror
        <div>
            <label class="form-label" for="email">Email address</label>
            <input class="form-control" id="email" name="email" type="email" autocomplete="username" required
                value="{{ old('email') }}" autofocus @error('email') aria-invalid="true" aria-describedby="email-problem" @enderror>
        </div>
        <p class="row-buttons"><button class="btn btn-primary" type="submit">Send the link</button>
            <a class="btn btn-outline-secondary" href="/sign-in">Back</a></p>
    </form>
</main>
@endsection
