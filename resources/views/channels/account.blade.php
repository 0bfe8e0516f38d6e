@use('App\Store\Store')
@extends('layouts.app')
@use('App\Channels\AccountState')
@php
    $channel = $account->channel;
    $heading = $account->exists ? $account->title() : "Connect {$channel->label()}";
    $isAway = $account->state === AccountState::Disconnected;
@endphp
@section('title', $heading)
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>{{ $heading }}</h1>
        @if ($account->exists && ! $isAway)
            <div class="row-buttons">
                @if ($type->connection() !== null)<form method="post" action="/accounts/{{ $account->id }}/check">@csrf<button
                    class="btn btn-outline-secondary">Check the connection</button></form>@endif
                <form method="post" action="/accounts/{{ $account->id }}/pause">@csrf<button
                    class="btn btn-outline-secondary">{{ $account->state === AccountState::Paused ? 'Go on' : 'Pause' }}</button></form>
                <details class="menu"><summary class="btn btn-outline-secondary">Disconnect …</summary><form method="post"
                    action="/accounts/{{ $account->id }}/disconnect" class="menu-panel menu-end menu-form">@csrf<p>Its secrets are
                    thrown away, and nothing is read or sent by it any more. What came by it stays.</p><button
                    class="btn btn-outline-danger">Disconnect it</button></form></details>
            </div>
        @endif
    </div>
    @if ($account->exists)
        <p class="soft">{{ $account->state->label() }}. Last heard:
            {{ $account->last_heard_at === null ? 'never' : $time->short($account->last_heard_at) }}.</p>
    @else
        <p class="soft">{{ $type->description() }}.</p>
    @endif
    @if ($account->last_error)<p class="field-problem"><x-icon name="warning"/> {{ $account->last_error }}</p>@endif
    @if ($errors->any())
        <ul class="field-problem" role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>
    @endif
    <form method="post"
        action="{{ match (true) { ! $account->exists => '/accounts', $isAway => "/accounts/{$account->id}/reconnect", default =>
            "/accounts/{$account->id}" } }}"
        class="sheet form-columns">
        @csrf
        @if (! $account->exists)<input type="hidden" name="channel" value="{{ $channel->value }}">@endif
        <fieldset>
            <legend>{{ $channel->isMail() ? 'The address' : 'The account' }}</legend>
            @include('channels.account-field', ['field' => $type->addressField(), 'value' => $account->address])
            @if ($channel->bringsMessages())
                <label class="form-label" for="sender_name">Name that answers carry</label>
                <input class="form-control" id="sender_name" name="sender_name" required
                    value="{{ old('sender_name', $account->sender_name ?? Store::current()->name) }}">
                @if ($channel->takesAnswers())
                <label class="form-label" for="signature">Signature</label>
                <textarea class="form-control" id="signature" name="signature"
                    rows="3">{{ old('signature', $account->signature) }}</textarea>
                @endif
                <label class="form-label" for="team_id">Team</label>
                <select class="form-select" id="team_id" name="team_id"><option value="">None</option>@foreach ($teams as $team)<option
                    value="{{ $team->id }}"
                    @selected((string) old(
                        'team_id', $account->exists || $teams->count() > 1 ? $account->team_id : $team->id
                    ) === (string) $team->id)>{{ $team->name
                        }}</option>@endforeach</select>
            @endif
        </fieldset>
        @foreach ($type->fields($account) as $legend => $fields)
            <fieldset>
                <legend>{{ $legend }}</legend>
                @foreach ($fields as $field)
                    @include('channels.account-field', ['value' => $account->settings[$field->name] ?? $field->usual])
                @endforeach
            </fieldset>
        @endforeach
        @if ($errors->has('allow_inside'))
            <label class="form-check"><input class="form-check-input" type="checkbox" name="allow_inside" value="1"> This server is inside
                our own network, and it is the right one</label>
        @endif
        <div class="form-foot"><button
            class="btn btn-primary">{{ match (true) { ! $account->exists => 'Connect', $isAway => 'Connect it again', default => 'Save'
                } }}</button></div>
    </form>
    @if ($account->exists && ! $isAway && $type->accountView() !== null)
        @include($type->accountView())
    @endif
    @if ($traces->isNotEmpty())
        <section aria-labelledby="traces"><h2 id="traces">What could not be taken</h2>@include('channels.trace-table')</section>
    @endif
</main>
@endsection
