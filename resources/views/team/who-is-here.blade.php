@use('App\Hours\OpenNow')
@use('App\Hours\StoreHours')
@use('App\Team\Availability')
@extends('layouts.app')
@section('title', 'Who is here')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>Who is here</h1><p class="soft">{{ trans_choice(
        '{0} Everything open lies with somebody.|{1} One open conversation lies with nobody.'
        .'|[2,*] :count open conversations lie with nobody.', $nobodys) }}
        @if ($awaited > 0) {{ trans_choice('{1} One waits for somebody to be here.|[2,*] :count wait for somebody to be here.',
        $awaited) }}@endif</p></div>
    <div class="wide-scroll" tabindex="0" role="region" aria-label="Who is here">
    <table class="table sheet who-table">
        <thead><tr><th scope="col">Person</th><th scope="col">Now</th><th scope="col">Teams</th><th scope="col" class="num">Open</th><th
            scope="col" class="num">Due today</th><th scope="col" class="num">Missed</th>@if ($mayMove)<th scope="col">Hand
            over</th>@endif</tr></thead>
        <tbody>@foreach ($people as $person)
            @php $standing = $person->standing(); $count = $counts->get($person->id); $hours = $calendars->get($person->calendar_id ?? 0);
                @endphp
            <tr>
                <td><b>{{ $person->name }}</b><br><span class="soft">{{ $person->role->label() }}</span></td>
                <td @class(['soft' => $standing !== Availability::Here])>{{ $person->away_word ?? $standing->label() }}
                    @if ($standing === Availability::Away && $person->away_until) until {{ $time->short($person->away_until) }}
                    @elseif ($hours !== null)<br><small>{{ OpenNow::of(StoreHours::of($hours), $time, now()) }}</small>@endif</td>
                <td>{{ $person->teams->pluck('name')->implode(', ') }}</td>
                @foreach (['open', 'due', 'missed'] as $what)<td class="num">@if ((int) ($count->{$what} ?? 0) === 0)<span
                    class="soft">0</span>@else<a @class(['due-missed' => $what === 'missed'])
                    href="/queue/my-turn?owner={{ $person->id }}">{{ $count->{$what} }}</a>@endif</td>@endforeach
                @if ($mayMove)<td>@if ((int) ($count->open ?? 0) > 0)
                    <form method="post" action="/team/{{ $person->id }}/move" class="inline-form">@csrf<label class="visually-hidden"
                        for="count-{{ $person->id }}">How many of {{ $person->name }}</label><input class="form-control form-control-sm"
                        type="number" min="1" max="500" id="count-{{ $person->id }}" name="count" value="{{ $count->open }}"><label
                        for="to-{{ $person->id }}">to</label><select class="form-select form-select-sm" id="to-{{ $person->id }}"
                        name="to"><option value="turn">whoever’s turn it is</option>@foreach ($people as $other)
                        @continue($other->is($person))<option value="{{ $other->id }}">{{ $other->firstName() }}</option>@endforeach
                        </select><button class="btn btn-sm btn-outline-secondary">See …</button></form>@endif</td>@endif
            </tr>
        @endforeach</tbody>
    </table>
    </div>
    @if ($mayMove)<p class="soft">Those that fall due first are handed over; it is shown before anything happens, and can be undone for ten
        minutes. <a href="/sorting/teams">Teams, shares and skills</a></p>@endif
</main>
@endsection
