@extends('layouts.app')
@section('title', 'Second step')
@section('content')
<main id="content" class="narrow">
    <h1>Second step</h1>
    <form method="post" action="/sign-in/second-step" class="sheet stack">
        @csrf
        @error('code')<p class="field-problem" role="alert" id="code-problem">{{ $message }}</p>@enderror
        <div>
            <label class="form-label" for="code">Code that your device shows</label>
            <input class="form-control" id="code" name="code" inputmode="numeric" autocomplete="one-time-code" required autofocus
                maxlength="100" aria-describedby="code-about" @error('code') aria-invalid="true" @enderror>
            <p class="form-text" id="code-about">Or one of your recovery codes, if you do not have it with you.</p>
        </div>
        <p class="row-buttons"><button class="btn btn-primary" type="submit">Go on</button> <a class="btn btn-outline-secondary"
            href="/sign-in">Back</a></p>
    </form>
</main>
@endsection
