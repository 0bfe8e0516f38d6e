@extends('layouts.app')
@section('title', 'Signing in')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Signing in</h1><a class="btn btn-outline-secondary" href="/own-settings">Own settings</a></div>
    <section class="sheet pad" aria-labelledby="password-head">
        <h2 id="password-head">Password</h2>
        <form method="post" action="/own-sign-in/password" class="own-password">
            @csrf
            <input type="hidden" name="email" value="{{ $teammate->email }}" autocomplete="username">
            @error('current')<p class="field-problem" role="alert" id="current-problem">{{ $message }}</p>@enderror
            <div>
                <label class="form-label" for="current">The one that you have</label>
                <input class="form-control" id="current" name="current" type="password" autocomplete="current-password" required
                    @error('current') aria-invalid="true" aria-describedby="current-problem" @enderror>
            </div>
            @include('sign-in.new-password')
            <div><button class="btn btn-primary" type="submit">Change it</button>
            <p class="form-text">You are then signed out everywhere but here.</p></div>
        </form>
    </section>
    <section class="sheet pad mt-3" aria-labelledby="second-head">
        <h2 id="second-head">Second step</h2>
        @if (session('recovery_codes'))
            <div role="status">
                <p>These codes let you in when your device is lost, each once. Write them down or print them now: they are not shown
                    again.</p>
                <ul class="recovery-codes">@foreach (session('recovery_codes') as $code)<li><code>{{ $code }}</code></li>@endforeach</ul>
            </div>
        @endif
        @if ($teammate->second_factor_since === null)
            <p>Signing in takes the password alone. With a second step, a code from your telephone as well: who has learnt your password
                is not in.</p>
            <a class="btn btn-primary" href="/own-sign-in/second-step">Switch it on</a>
        @else
            <p>On since {{ $time->short($teammate->second_factor_since) }}; {{ trans_choice('{0} no recovery code is|{1} one recovery code
                is|[2,*] :count recovery codes are', count($teammate->recovery_codes ?? []),
                ['count' => count($teammate->recovery_codes ?? [])]) }} left.</p>
            <form method="post" action="/own-sign-in/recovery-codes" class="own-password">
                @csrf
                @error('confirm')<p class="field-problem" role="alert" id="confirm-problem">{{ $message }}</p>@enderror
                <div><label class="form-label" for="confirm">Your password</label><input class="form-control" id="confirm" name="confirm"
                    type="password" autocomplete="current-password" required @error('confirm') aria-invalid="true"
                    aria-describedby="confirm-problem" @enderror></div>
                <div class="row-buttons"><button class="btn btn-outline-secondary">New recovery codes</button> <button
                    class="btn btn-outline-danger" formaction="/own-sign-in/second-step/end">Switch it off</button></div>
            </form>
        @endif
    </section>
    <section class="sheet pad mt-3" aria-labelledby="open-head">
        <div class="page-head"><h2 id="open-head">Where you are signed in</h2>
            @if ($open->count() > 1)<form method="post" action="/own-sign-in/others/end" class="inline-form">@csrf<button
                class="btn btn-sm btn-outline-danger">Sign out everywhere else</button></form>@endif</div>
        <table class="table people">
            <thead><tr><th scope="col">Device</th><th scope="col">From</th><th scope="col">Since</th><th scope="col">Last seen</th>
                <td></td></tr></thead>
            <tbody>
                @foreach ($open as $one)
                    <tr>
                        <td><b>{{ $one->deviceName() }}</b></td>
                        <td>{{ $one->network }}</td>
                        <td>{{ $time->short($one->began_at) }}</td>
                        <td>{{ $one->is($current) ? 'here, now' : $time->short($one->seen_at) }}</td>
                        <td class="num">@unless ($one->is($current))<form method="post" class="inline-form"
                            action="/own-sign-in/{{ $one->id }}/end">@csrf<button class="btn btn-sm btn-outline-secondary">Sign out
                            <span class="visually-hidden">{{ $one->deviceName() }}, {{ $time->short($one->began_at)
                            }}</span></button></form>@endunless</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </section>
</main>
@endsection
