@extends('layouts.app')
@section('title', 'People')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>People</h1><a class="btn btn-primary" href="/people/new">Invite somebody</a></div>
    <table class="table sheet people">
        <caption class="visually-hidden">Who may sign in</caption>
        <thead><tr><th scope="col">Name</th><th scope="col">Role</th><th scope="col">Teams</th><th
            scope="col">Second step</th><th scope="col">Last here</th></tr></thead>
        <tbody>
            @foreach ($people as $person)
                <tr>
                    <td><a href="/people/{{ $person->id }}"><b>{{ $person->name }}</b></a><br><span
                        class="soft">{{ $person->email }}</span></td>
                    <td>{{ $person->role->label() }}</td>
                    <td>{{ $person->teams->pluck('name')->join(', ') }}</td>
                    <td>{{ $person->second_factor_since === null ? 'no' : 'yes' }}</td>
                    <td>@if ($person->password_chosen_at === null)<span class="word-chip">invited, not here yet</span>
                        @else{{ isset($seen[$person->id]) ? $time->short($seen[$person->id]) : 'not lately' }}@endif</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    <form method="post" action="/people/second-step" class="sheet pad mt-3">
        @csrf
        <h2>Second step</h2>
        <p class="soft">Beside the password, a code from a device that they have with them. Whoever has to have it is asked at the next
            page that they open.</p>
        <fieldset class="row-buttons"><legend class="visually-hidden">Of whom it is asked</legend>
            @foreach ($roles as $role)<label class="check-label"><input type="checkbox" class="form-check-input" name="roles[]"
                value="{{ $role->value }}" @checked(in_array($role->value, $requiredOf, true))> {{ $role->label() }}</label>@endforeach
            <button class="btn btn-outline-secondary">Ask for it</button></fieldset>
    </form>
    @if ($gone->isNotEmpty())
        <h2>Deactivated</h2>
        <table class="table sheet people">
            <caption class="visually-hidden">Who cannot sign in any more</caption>
            <thead><tr><th scope="col">Name</th><th scope="col">Role</th><td></td></tr></thead>
            <tbody>
                @foreach ($gone as $person)
                    <tr>
                        <td><b>{{ $person->name }}</b><br><span class="soft">{{ $person->email }}</span></td>
                        <td>{{ $person->role->label() }}</td>
                        <td class="num"><form method="post" action="/people/{{ $person->id }}/activate">@csrf<button
                            class="btn btn-sm btn-outline-secondary">Let in again <span class="visually-hidden">{{ $person->name
                                }}</span></button></form></td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endif
</main>
@endsection
