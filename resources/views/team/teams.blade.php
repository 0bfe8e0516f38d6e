@use('App\Support\RefusedInput')
@use('App\Team\Availability')
@extends('layouts.app')
@section('title', 'Teams')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Teams</h1>
        <form method="post" action="/sorting/teams" class="find">@csrf<label class="visually-hidden" for="new-team">New
            team</label><input class="form-control" id="new-team" name="name"
            value="{{ RefusedInput::in('/sorting/teams')->value('name') }}" maxlength="60" placeholder="New team"
            required><button class="btn btn-primary">Add</button></form>
    </div>
    <p class="soft">Whoever’s turn it is gets a conversation where a rule or a template says so. Who is away, or has as many open
        as they take, is passed over; who speaks the customer’s language comes first.</p>
    @foreach ($teams as $team)
        @php $members = $team->teammates->keyBy('id'); $was = RefusedInput::in("/sorting/teams/{$team->id}"); @endphp
        <form method="post" action="/sorting/teams/{{ $team->id }}" class="sheet pad team-form" aria-label="Team {{ $team->name }}">
            @csrf
            <div class="team-head">
                <div><label class="form-label" for="team-{{ $team->id }}">Team</label><input class="form-control"
                    id="team-{{ $team->id }}" name="name" value="{{ $was->value('name', $team->name) }}" maxlength="60" required></div>
                <div><label class="form-label" for="turns-{{ $team->id }}">Gives out what comes in</label>
                    <select class="form-select" id="turns-{{ $team->id }}" name="turns"><option value="">not by itself: people take
                        it</option>@foreach ($ways as $value => $label)<option value="{{ $value }}"
                        @selected($was->value('turns', $team->turns?->value) === $value)>{{ $label }}</option>@endforeach</select></div>
                <button class="btn btn-outline-secondary">Save</button>
            </div>
            @php $fallback = (string) $was->value('fallback', $team->fallback_minutes === null ? '' :
                (string) ($team->fallback_team_id ?? 'lead')); @endphp
            <div class="team-ways">
                <label><input type="checkbox" class="form-check-input" name="earlier_owner_first" value="1"
                    @checked($was->value('earlier_owner_first', $team->earlier_owner_first))> rather to who had the customer’s last
                    matter</label>
                <label><input type="checkbox" class="form-check-input" name="next_only" value="1"
                    @checked($was->value('next_only', $team->next_only))> its people take what is next, and nothing else</label>
                <span>Where nobody can take it: <label class="visually-hidden" for="fallback-{{ $team->id }}">What then</label><select
                    class="form-select form-select-sm" id="fallback-{{ $team->id }}" name="fallback"><option value="">wait</option><option
                    value="lead" @selected($fallback === 'lead')>to the lead</option>@foreach ($teams as $other)@continue($other->is($team))
                    <option value="{{ $other->id }}" @selected($fallback === (string) $other->id)>to {{ $other->name }}</option>
                    @endforeach</select> <label for="minutes-{{ $team->id }}">after</label> <input class="form-control form-control-sm"
                    type="number" min="1" max="10000" id="minutes-{{ $team->id }}" name="fallback_minutes"
                    value="{{ $was->value('fallback_minutes', $team->fallback_minutes ?? 30) }}"> minutes</span>
            </div>
            @if ($team->turns === null && ! $team->next_only)
                <p class="soft">Where people pick from a list, hard ones tend to be left lying.</p>
            @endif
            @if ($members->isEmpty())<p class="template-mark"><x-icon name="warning"/> Nobody is in it: what comes to it lies
                there.</p>@endif
            <div class="wide-scroll" tabindex="0" role="region" aria-label="People of {{ $team->name }}">
            <table class="table team-people">
                <thead><tr><th scope="col">In the team</th><th scope="col">Share</th><th scope="col">At most open</th><th scope="col"
                    class="num">Open now</th></tr></thead>
                <tbody>
                    @foreach ($people as $person)
                        @php $turn = $members->get($person->id)?->turn; @endphp
                        <tr>
                            <td><label><input type="checkbox" class="form-check-input" name="people[{{ $person->id }}][in]" value="1"
                                @checked($was->value("people.{$person->id}.in", $turn))> {{ $person->name }}
                                @if ($person->standing() !== Availability::Here)<span class="word-chip">{{
                                    $person->standing()->label() }}</span>@endif</label></td>
                            <td><input class="form-control form-control-sm" type="number" min="0" max="100"
                                name="people[{{ $person->id }}][weight]"
                                value="{{ $was->value("people.{$person->id}.weight", $turn->weight ?? 1) }}"
                                aria-label="Share of {{ $person->name }} in {{ $team->name }}" required></td>
                            <td><input class="form-control form-control-sm" type="number" min="1" max="1000"
                                name="people[{{ $person->id }}][cap]" value="{{ $was->value("people.{$person->id}.cap", $turn?->cap) }}"
                                placeholder="no limit" aria-label="{{ $person->name }} takes at most in {{ $team->name }}"></td>
                            <td class="num">{{ $open[$person->id] ?? 0 }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            </div>
        </form>
    @endforeach
    <h2>People</h2>
    <div class="wide-scroll" tabindex="0" role="region" aria-label="People">
    <table class="table sheet people">
        <caption class="visually-hidden">Who speaks what, and who is away</caption>
        <thead><tr><th scope="col">Name</th><th scope="col">Speaks also, can, works in</th><th scope="col">Away</th></tr></thead>
        <tbody>
            @foreach ($people as $person)
                <tr>
                    <td><b>{{ $person->name }}</b><br><span class="soft">{{ $person->role->label() }}</span></td>
                    <td><form method="post" action="/sorting/people/{{ $person->id }}/speaks" class="inline-form">@csrf<input
                        class="form-control form-control-sm" name="speaks"
                        value="{{ RefusedInput::in("/sorting/people/{$person->id}/speaks")->value('speaks', implode(', ',
                            $person->speaks ?? [])) }}"
                        placeholder="de, lv" maxlength="60"
                        aria-label="Languages that {{ $person->name }} speaks also, two letters each"><input
                        class="form-control form-control-sm" name="skills" maxlength="600" placeholder="wholesale, repairs" list="skills"
                        value="{{ RefusedInput::in("/sorting/people/{$person->id}/speaks")->value('skills',
                            $person->skills->pluck('name')->implode(', ')) }}" aria-label="What {{ $person->name }} can do"><select
                        class="form-select form-select-sm" name="calendar" aria-label="Hours in which {{ $person->name }} works"><option
                            value="">whenever here</option>@foreach ($calendars as $calendar)<option value="{{ $calendar->id }}"
                            @selected((string) RefusedInput::in("/sorting/people/{$person->id}/speaks")->value('calendar',
                                (string) $person->calendar_id) === (string) $calendar->id)>{{ $calendar->name }}</option>
                        @endforeach</select><button
                            class="btn btn-sm btn-outline-secondary">Save</button></form></td>
                    <td>
                        @if ($person->hasAway())
                            <form method="post" action="/people/{{ $person->id }}/here"
                                class="inline-form">@csrf<span>{{ $person->isAway() ? 'away' : 'from '.$time->short($person->away_from) }}
                                @if ($person->away_until !== null)until {{ $time->short($person->away_until) }}@endif</span><button
                                class="btn btn-sm btn-outline-secondary">{{ $person->isAway() ? 'Is here' : 'Will be here' }}
                                <span class="visually-hidden">{{ $person->name }}</span></button></form>
                        @else
                            <form method="post" action="/people/{{ $person->id }}/away" class="inline-form">@csrf
                                <label>from <input class="form-control form-control-sm" type="datetime-local" name="from"
                                    value="{{ RefusedInput::in("/people/{$person->id}/away")->value('from') }}"
                                    aria-label="{{ $person->name }} is away from"></label>
                                <label>until <input class="form-control form-control-sm" type="datetime-local" name="until"
                                    value="{{ RefusedInput::in("/people/{$person->id}/away")->value('until') }}"
                                    aria-label="{{ $person->name }} is away until"></label>
                                <button class="btn btn-sm btn-outline-secondary">Away</button></form>
                        @endif
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
    </div>
    <datalist id="skills">@foreach ($skills as $skill)<option value="{{ $skill }}">@endforeach</datalist>
    <form method="post" action="/sorting/away-words" class="inline-form below">@csrf<label for="away-words">Words for being away</label>
        <input class="form-control form-control-sm" id="away-words" name="words" maxlength="400" placeholder="lunch, training, ill"
            value="{{ implode(', ', $awayWords) }}"><button class="btn btn-sm btn-outline-secondary">Save</button></form>
</main>
@endsection
