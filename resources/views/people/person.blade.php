@extends('layouts.app')
@section('title', $person->exists ? $person->name : 'Invite somebody')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>{{ $person->exists ? $person->name : 'Invite somebody' }}</h1>
        @if ($person->exists && $person->may_sign_in)
            <div class="row-buttons">
                <form method="post" action="/people/{{ $person->id }}/pass">@csrf<button class="btn btn-outline-secondary">{{
                    $person->password_chosen_at === null ? 'Send the invitation again' : 'Send a link for a new password' }}</button></form>
                @if ($person->second_factor_since !== null)
                    <form method="post" action="/people/{{ $person->id }}/second-step/end">@csrf<button
                        class="btn btn-outline-secondary">Their device is lost</button></form>
                @endif
                <a class="btn btn-outline-danger" href="/people/{{ $person->id }}/leaving">Deactivate …</a>
            </div>
        @endif
    </div>
    @if (session('pass'))
        <p class="sheet pad" role="status">Only shown this once, and good for one use: <code>{{ session('pass') }}</code></p>
    @endif
    @if ($person->exists && ! $person->may_sign_in)
        <p class="soft">Deactivated: cannot sign in.</p>
    @elseif ($person->exists && $person->password_chosen_at === null)
        <p class="soft">Invited, and has not chosen a password yet.</p>
    @endif
    @if ($errors->any())
        <ul class="field-problem" role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>
    @endif
    <form method="post" action="{{ $person->exists ? "/people/{$person->id}" : '/people' }}" class="sheet form-columns">
        @csrf
        <fieldset>
            <legend>Who they are</legend>
            <label class="form-label" for="name">Name</label>
            <input class="form-control" id="name" name="name" required maxlength="120" value="{{ old('name', $person->name) }}">
            <label class="form-label" for="email">Email address</label>
            <input class="form-control" id="email" name="email" type="email" required maxlength="254"
                value="{{ old('email', $person->email) }}">
            <label class="form-label" for="time_zone">Time zone</label>
            <select class="form-select" id="time_zone" name="time_zone">@foreach ($zones as $zone)<option
                @selected($zone === old('time_zone', $person->time_zone))>{{ $zone }}</option>@endforeach</select>
        </fieldset>
        <fieldset>
            <legend>Role</legend>
            @foreach ($roles as $role)
                <div class="form-check form-check-tall"><input class="form-check-input" type="radio" name="role" value="{{ $role->value }}"
                    id="role-{{ $role->value }}" @checked(old('role', $person->role->value) === $role->value)> <label
                    class="form-check-label" for="role-{{ $role->value }}">{{ $role->label() }}<br><span class="soft">{{ $role->about()
                        }}</span></label></div>
            @endforeach
        </fieldset>
        <fieldset>
            <legend>Teams</legend>
            @foreach ($teams as $team)
                <div class="form-check"><input class="form-check-input" type="checkbox" name="teams[]" value="{{ $team->id }}"
                    id="team-{{ $team->id }}" @checked(in_array($team->id, old('teams', $in)))> <label class="form-check-label"
                    for="team-{{ $team->id }}">{{ $team->name }}</label></div>
            @endforeach
        </fieldset>
        <div class="form-end"><button class="btn btn-primary">{{ $person->exists ? 'Save' : 'Invite' }}</button></div>
    </form>
    @if ($open->isNotEmpty())
        <section class="sheet pad mt-3" aria-labelledby="open-head">
            <div class="page-head"><h2 id="open-head">Signed in</h2><form method="post"
                action="/people/{{ $person->id }}/sign-ins/end">@csrf<button class="btn btn-sm btn-outline-secondary">Sign out
                everywhere</button></form></div>
            <ul class="plain-list">@foreach ($open as $one)<li>{{ $one->deviceName() }}, from {{ $one->network }}, since
                {{ $time->short($one->began_at) }}, last seen {{ $time->short($one->seen_at) }}</li>@endforeach</ul>
        </section>
    @endif
</main>
@endsection
