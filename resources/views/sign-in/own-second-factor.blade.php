@extends('layouts.app')
@section('title', 'Second step')
@section('content')
<main id="content" class="narrow">
    <h1>Switch on the second step</h1>
    <form method="post" action="/own-sign-in/second-step" class="sheet stack">
        @csrf
        @if ($teammate->second_factor_since !== null)
            <p>It is on already.</p>
        @else
            <p>Read this with a program for one-time codes on your telephone, or write these letters into it.</p>
            <div class="qr" data-qr="{{ $address }}" role="img" aria-label="The code to read with your telephone"></div>
            <p><code class="second-secret">{{ trim(chunk_split($secret, 4, ' ')) }}</code></p>
            @error('code')<p class="field-problem" role="alert" id="code-problem">{{ $message }}</p>@enderror
            <div>
                <label class="form-label" for="code">Code that it shows now</label>
                <input class="form-control" id="code" name="code" inputmode="numeric" autocomplete="one-time-code" required maxlength="100"
                    @error('code') aria-invalid="true" aria-describedby="code-problem" @enderror>
            </div>
            <p class="row-buttons"><button class="btn btn-primary" type="submit">Switch it on</button>
                @unless ($isRequired)<a class="btn btn-outline-secondary" href="/own-sign-in">Leave it</a>@endunless</p>
        @endif
    </form>
</main>
@endsection
