@extends('layouts.app')
@section('title', $account?->address ?? 'Connect an email address')
@section('content')
@php
    $value = fn (string $name, mixed $default = '') => old($name, $account?->settings[$name] ?? $default);
    $securities = ['tls' => 'TLS from the start', 'starttls' => 'STARTTLS', 'none' => 'None (this machine only)'];
@endphp
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>{{ $account?->address ?? 'Connect an email address' }}</h1>
        @if ($account)<form method="post" action="/accounts/{{ $account->id }}/check">@csrf<button class="btn btn-outline-secondary">Check the connection</button></form>@endif
    </div>
    @if ($account?->last_error)<p class="field-problem"><x-icon name="warning"/> {{ $account->last_error }}</p>@endif
    @if ($errors->any())
        <ul class="field-problem" role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>
    @endif
    <form method="post" action="{{ $account ? "/accounts/{$account->id}" : '/accounts' }}" class="sheet form-columns">
        @csrf
        <fieldset>
            <legend>The address</legend>
            <label class="form-label" for="address">Email address</label>
            <input class="form-control" id="address" name="address" type="email" required value="{{ old('address', $account?->address) }}">
            <label class="form-label" for="sender_name">Name that answers carry</label>
            <input class="form-control" id="sender_name" name="sender_name" required value="{{ old('sender_name', $account?->sender_name) }}">
            <label class="form-label" for="signature">Signature</label>
            <textarea class="form-control" id="signature" name="signature" rows="3">{{ old('signature', $account?->signature) }}</textarea>
            <label class="form-label" for="team_id">Team</label>
            <select class="form-select" id="team_id" name="team_id"><option value="">None</option>@foreach ($teams as $team)<option value="{{ $team->id }}" @selected((string) old('team_id', $account?->team_id) === (string) $team->id)>{{ $team->name }}</option>@endforeach</select>
            <label class="form-label" for="state">State</label>
            <select class="form-select" id="state" name="state">@foreach (\App\Channels\AccountState::cases() as $state)<option value="{{ $state->value }}" @selected(old('state', $account?->state->value) === $state->value)>{{ ucfirst($state->value) }}</option>@endforeach</select>
        </fieldset>
        @foreach (['imap' => 'Reading mail (IMAP)', 'smtp' => 'Sending mail (SMTP)'] as $kind => $title)
            <fieldset>
                <legend>{{ $title }}</legend>
                <label class="form-label" for="{{ $kind }}_host">Server</label>
                <input class="form-control" id="{{ $kind }}_host" name="{{ $kind }}_host" required value="{{ $value("{$kind}_host") }}">
                <label class="form-label" for="{{ $kind }}_port">Port</label>
                <input class="form-control" id="{{ $kind }}_port" name="{{ $kind }}_port" inputmode="numeric" required value="{{ $value("{$kind}_port", $kind === 'imap' ? 993 : 587) }}">
                <label class="form-label" for="{{ $kind }}_security">Encryption</label>
                <select class="form-select" id="{{ $kind }}_security" name="{{ $kind }}_security">@foreach ($securities as $key => $text)<option value="{{ $key }}" @selected($value("{$kind}_security", $kind === 'imap' ? 'tls' : 'starttls') === $key)>{{ $text }}</option>@endforeach</select>
                <label class="form-label" for="{{ $kind }}_user">User name</label>
                <input class="form-control" id="{{ $kind }}_user" name="{{ $kind }}_user" autocomplete="off" @required($kind === 'imap') value="{{ $value("{$kind}_user") }}">
                <label class="form-label" for="{{ $kind }}_password">Password</label>
                <input class="form-control" id="{{ $kind }}_password" name="{{ $kind }}_password" type="password" autocomplete="new-password" placeholder="{{ isset($account?->secrets["{$kind}_password"]) ? 'kept; write here to change it' : '' }}">
            </fieldset>
        @endforeach
        <div class="form-foot"><button class="btn btn-primary">Save</button></div>
    </form>
    @if ($account)
        <section class="sheet stack" aria-labelledby="forwarding">
            <h2 id="forwarding">Forwarding instead of a mailbox</h2>
            <p>A mail server can hand messages over by <code>php artisan mail:take --account={{ $account->address }}</code>, or signed over HTTP to <code>/intake/mail/{{ $account->id }}</code>. How to sign is in docs/mail.md.</p>
            @if (session('forward_secret'))
                <p role="status">The new signing secret, shown this once: <code>{{ session('forward_secret') }}</code></p>
            @endif
            <form method="post" action="/accounts/{{ $account->id }}/forward-secret">@csrf<button class="btn btn-outline-secondary">Make a new signing secret</button></form>
        </section>
    @endif
</main>
@endsection
