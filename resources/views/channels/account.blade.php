@extends('layouts.app')
@php
    use App\Channels\AccountState;
    use App\Channels\Channel;
    $channel = $account->channel;
    $value = fn (string $name, mixed $default = '') => old($name, $account->settings[$name] ?? $default);
    $heading = $account->exists ? $account->title() : "Connect {$channel->label()}";
    $isAway = $account->state === AccountState::Disconnected;
    $securities = ['tls' => 'TLS from the start', 'starttls' => 'STARTTLS', 'none' => 'None (this machine only)'];
@endphp
@section('title', $heading)
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>{{ $heading }}</h1>
        @if ($account->exists && ! $isAway)
            <div class="row-buttons">
                @if ($channel === Channel::WebForm)<a class="btn btn-outline-secondary" href="/forms/{{ $account->address }}" target="_blank" rel="noopener">See the form</a>@endif
                @if ($channel === Channel::Email || $channel->isService())<form method="post" action="/accounts/{{ $account->id }}/check">@csrf<button class="btn btn-outline-secondary">Check the connection</button></form>@endif
                <form method="post" action="/accounts/{{ $account->id }}/pause">@csrf<button class="btn btn-outline-secondary">{{ $account->state === AccountState::Paused ? 'Go on' : 'Pause' }}</button></form>
                <details class="menu"><summary class="btn btn-outline-secondary">Disconnect …</summary><form method="post" action="/accounts/{{ $account->id }}/disconnect" class="menu-panel menu-end menu-form">@csrf<p>Its secrets are thrown away, and nothing is read or sent by it any more. What came by it stays.</p><button class="btn btn-outline-danger">Disconnect it</button></form></details>
            </div>
        @endif
    </div>
    @if ($account->exists)
        <p class="soft">{{ $account->state->label() }}. Last heard: {{ $account->last_heard_at === null ? 'never' : $time->short($account->last_heard_at) }}.</p>
    @else
        <p class="soft">{{ $channel->describe() }}.</p>
    @endif
    @if ($account->last_error)<p class="field-problem"><x-icon name="warning"/> {{ $account->last_error }}</p>@endif
    @if ($errors->any())
        <ul class="field-problem" role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>
    @endif
    <form method="post" action="{{ match (true) { ! $account->exists => '/accounts', $isAway => "/accounts/{$account->id}/reconnect", default => "/accounts/{$account->id}" } }}" class="sheet form-columns">
        @csrf
        @if (! $account->exists)<input type="hidden" name="channel" value="{{ $channel->value }}">@endif
        <fieldset>
            <legend>{{ $channel === Channel::Email ? 'The address' : 'The account' }}</legend>
            <label class="form-label" for="address">{{ match (true) { $channel === Channel::Email => 'Email address', $channel === Channel::WebForm => 'Name in the address', default => 'Name of the account there' } }}</label>
            <input class="form-control" id="address" name="address" @if ($channel === Channel::Email) type="email" @endif required value="{{ old('address', $account->address) }}" @if ($channel === Channel::WebForm) placeholder="contact" pattern="[a-z0-9\-]+" @endif>
            @if ($channel === Channel::WebForm)<p class="soft">The form is at /forms/ and this name.</p>@endif
            @if ($channel->bringsMessages())
                <label class="form-label" for="sender_name">Name that answers carry</label>
                <input class="form-control" id="sender_name" name="sender_name" required value="{{ old('sender_name', $account->sender_name ?? config('cairnfield.store.name')) }}">
                @if ($channel->takesAnswers())
                <label class="form-label" for="signature">Signature</label>
                <textarea class="form-control" id="signature" name="signature" rows="3">{{ old('signature', $account->signature) }}</textarea>
                @endif
                <label class="form-label" for="team_id">Team</label>
                <select class="form-select" id="team_id" name="team_id"><option value="">None</option>@foreach ($teams as $team)<option value="{{ $team->id }}" @selected((string) old('team_id', $account->team_id) === (string) $team->id)>{{ $team->name }}</option>@endforeach</select>
            @endif
        </fieldset>
        @if ($channel === Channel::Email)
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
                <input class="form-control" id="{{ $kind }}_password" name="{{ $kind }}_password" type="password" autocomplete="new-password" placeholder="{{ isset($account->secrets["{$kind}_password"]) ? 'kept; write here to change it' : '' }}">
            </fieldset>
        @endforeach
        @elseif ($channel->isService())
            <fieldset>
                <legend>Getting in</legend>
                <label class="form-label" for="base_url">Address of the service</label>
                <input class="form-control" id="base_url" name="base_url" type="url" required value="{{ $value('base_url') }}" placeholder="https://api.service.example">
                <label class="form-label" for="api_key">Key that the service gave you</label>
                <input class="form-control" id="api_key" name="api_key" type="password" autocomplete="new-password" @required(! isset($account->secrets['api_key'])) placeholder="{{ isset($account->secrets['api_key']) ? 'kept; write here to change it' : '' }}">
                @if (! $channel->isNetwork() && $channel !== Channel::WrenParcel)
                    <label class="form-label" for="number_patterns">How it writes order numbers</label>
                    <input class="form-control" id="number_patterns" name="number_patterns" value="{{ $value('number_patterns') }}" placeholder="B-2####" aria-describedby="patterns-help">
                    <p class="soft" id="patterns-help"># is a digit, @ a letter. Several with commas. Orders are found in texts by it.</p>
                @endif
            </fieldset>
            @if ($channel->isNetwork())
            @php $arrivals = $account->arrivals(); @endphp
            <fieldset>
                <legend>What becomes of what arrives</legend>
                <label class="form-label" for="mentions">{{ $channel === Channel::Pennon ? 'Mentions' : 'Comments' }} in public</label>
                <select class="form-select" id="mentions" name="mentions">@foreach (['all' => 'all become conversations', 'words' => 'those with one of these words; the others are only listed', 'none' => 'are only listed'] as $key => $text)<option value="{{ $key }}" @selected(old('mentions', $arrivals->mentions) === $key)>{{ $text }}</option>@endforeach</select>
                <label class="form-label" for="words">Words, with commas</label>
                <textarea class="form-control" id="words" name="words" rows="2">{{ old('words', implode(', ', $arrivals->words)) }}</textarea>
                <p class="soft">Answers to what we posted, and direct messages, always become conversations.</p>
                <label class="form-label" for="join_hours">Hours in which the same person’s messages join one conversation</label>
                <input class="form-control" id="join_hours" name="join_hours" inputmode="numeric" required value="{{ old('join_hours', $arrivals->joinHours) }}">
            </fieldset>
            @endif
        @elseif ($channel === Channel::WebForm)
            <fieldset>
                <legend>What customers see</legend>
                <label class="form-label" for="title">Heading</label>
                <input class="form-control" id="title" name="title" required value="{{ $value('title', 'Write to us') }}">
                <label class="form-label" for="introduction">Introduction</label>
                <textarea class="form-control" id="introduction" name="introduction" rows="2">{{ $value('introduction') }}</textarea>
                <label class="form-label" for="fields">Own fields, one a line; a star after it makes it required</label>
                <textarea class="form-control" id="fields" name="fields" rows="3" placeholder="Batch letter">{{ $value('fields') }}</textarea>
            </fieldset>
            <fieldset>
                <legend>How it works</legend>
                <label class="form-label" for="answers_by">Answered from</label>
                <select class="form-select" id="answers_by" name="answers_by">@foreach ($mailAccounts as $mail)<option value="{{ $mail->id }}" @selected((string) $value('answers_by') === (string) $mail->id)>{{ $mail->address }}</option>@endforeach</select>
                <label class="form-label" for="frame_origins">Sites that may show it in a frame, one a line</label>
                <textarea class="form-control" id="frame_origins" name="frame_origins" rows="2" placeholder="https://shop.example">{{ $value('frame_origins') }}</textarea>
                <input type="hidden" name="receipt" value="0">
                <label class="form-check"><input class="form-check-input" type="checkbox" name="receipt" value="1" @checked((bool) $value('receipt', true))> Send a receipt with the number</label>
            </fieldset>
        @elseif ($channel === Channel::Telephone)
            <fieldset>
                <legend>How it works</legend>
                <label class="form-label" for="answers_by">Answered from, where an address is known</label>
                <select class="form-select" id="answers_by" name="answers_by">@foreach ($mailAccounts as $mail)<option value="{{ $mail->id }}" @selected((string) $value('answers_by') === (string) $mail->id)>{{ $mail->address }}</option>@endforeach</select>
            </fieldset>
        @endif
        <div class="form-foot"><button class="btn btn-primary">{{ match (true) { ! $account->exists => 'Connect', $isAway => 'Connect it again', default => 'Save' } }}</button></div>
    </form>
    @if ($account->exists && $channel === Channel::Email && ! $isAway)
        <section class="sheet stack" aria-labelledby="forwarding">
            <h2 id="forwarding">Forwarding instead of a mailbox</h2>
            <p>A mail server can hand messages over by <code>php artisan mail:take --account={{ $account->address }}</code>, or signed over HTTP to <code>/intake/mail/{{ $account->id }}</code>. How to sign is in docs/mail.md.</p>
            @if (session('forward_secret'))
                <p role="status">The new signing secret, shown this once: <code>{{ session('forward_secret') }}</code></p>
            @endif
            <form method="post" action="/accounts/{{ $account->id }}/forward-secret">@csrf<button class="btn btn-outline-secondary">Make a new signing secret</button></form>
        </section>
    @endif
    @if ($account->exists && $channel === Channel::WebForm)
        <section class="sheet stack" aria-labelledby="embedding">
            <h2 id="embedding">On the shop’s page</h2>
            <p>A link to <code>{{ config('app.url') }}/forms/{{ $account->address }}</code>, or in a frame:</p>
            <pre class="code">&lt;iframe src="{{ config('app.url') }}/forms/{{ $account->address }}/frame" title="{{ $value('title', 'Write to us') }}" width="100%" height="760"&gt;&lt;/iframe&gt;</pre>
        </section>
    @endif
    @if ($traces->isNotEmpty())
        <section aria-labelledby="traces"><h2 id="traces">What could not be taken</h2>@include('channels.trace-table')</section>
    @endif
</main>
@endsection
