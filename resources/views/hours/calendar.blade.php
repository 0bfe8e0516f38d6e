@use('App\Hours\WeekDrawing')
@use('App\Hours\WeekText')
@use('App\Support\RefusedInput')
@extends('layouts.app')
@section('title', $calendar?->name ?? 'New hours')
@php
    $action = '/hours'.($calendar ? "/{$calendar->id}" : '');
    $was = RefusedInput::in($action);
    $usual = ['mon' => [['09:00', '17:00']], 'tue' => [['09:00', '17:00']], 'wed' => [['09:00', '17:00']],
        'thu' => [['09:00', '17:00']], 'fri' => [['09:00', '17:00']]];
@endphp
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>{{ $calendar?->name ?? 'New hours' }}</h1><a class="btn btn-link" href="/hours">All hours</a></div>
    @if ($errors->any())
        <ul class="field-problem" role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>
    @endif
    <form method="post" action="{{ $action }}" class="sheet pad hours-form">
        @csrf
        @if ($calendar)<input type="hidden" name="seen" value="{{ $was->value('seen', (string) $calendar->version) }}">@endif
        <div class="hours-names">
            <div><label class="form-label" for="name">Name</label><input class="form-control" id="name" name="name" maxlength="80" required
                placeholder="Returns bench" value="{{ $was->value('name', $calendar?->name) }}" @if (! $calendar) autofocus @endif></div>
            <div><label class="form-label" for="time_zone">Time zone</label><select class="form-select" id="time_zone"
                name="time_zone">@foreach ($zones as $zone)<option
                @selected($zone === $was->value('time_zone', $calendar->time_zone ?? 'Europe/Copenhagen'))>{{ $zone }}</option>
                @endforeach</select></div>
        </div>
        <fieldset class="week" data-week>
            <legend>The week</legend>
            <p class="soft" id="week-about">Draw with the pointer or type, such as 09:00–12:30, 13:30–17:00. Empty is closed.</p>
            <div class="week-scale" aria-hidden="true"><span></span><span class="week-times">@foreach ([0, 3, 6, 9, 12, 15, 18, 21, 24]
                as $hour)<i>{{ $hour }}</i>@endforeach</span></div>
            @foreach (WeekText::DAYS as $day => $label)
                @php $spans = ($calendar->week ?? $usual)[$day] ?? []; @endphp
                <div class="week-day" data-day>
                    <label for="week-{{ $day }}">{{ $label }}</label>
                    <span class="day-track">{{ WeekDrawing::day($spans) }}</span>
                    <input class="form-control form-control-sm" id="week-{{ $day }}" name="week[{{ $day }}]" maxlength="200"
                        value="{{ $was->value("week.{$day}", WeekText::written($spans)) }}" placeholder="closed" autocomplete="off"
                        aria-describedby="week-about" @if ($errors->has("week.{$day}")) aria-invalid="true" @endif>
                </div>
            @endforeach
        </fieldset>
        <div class="form-foot"><button class="btn btn-primary">{{ $calendar ? 'Save' : 'Add' }}</button></div>
    </form>
    @if ($calendar)
        @php $wasDay = RefusedInput::in("/hours/{$calendar->id}/days"); @endphp
        <section class="sheet pad other-days" aria-labelledby="other-days">
            <h2 id="other-days">Other days</h2>
            <p class="soft">Holidays, and days with hours of their own. They stand in place of the week.</p>
            <form method="post" action="/hours/{{ $calendar->id }}/days" class="other-day-form">
                @csrf
                <label>Day <input class="form-control form-control-sm" type="date" name="date" required
                    value="{{ $wasDay->value('date') }}"></label>
                <label>to <input class="form-control form-control-sm" type="date" name="until"
                    value="{{ $wasDay->value('until') }}"></label>
                <label>Name <input class="form-control form-control-sm" name="name" maxlength="120" placeholder="Stocktaking"
                    value="{{ $wasDay->value('name') }}"></label>
                <label>Open <input class="form-control form-control-sm" name="open" maxlength="200" placeholder="closed" autocomplete="off"
                    value="{{ $wasDay->value('open') }}"></label>
                <button class="btn btn-sm btn-outline-secondary">Add</button>
            </form>
            @if ($coming->isEmpty())
                <p class="empty">No day is other than the week.</p>
            @else
                <table class="table">
                    <thead><tr><th scope="col">Day</th><th scope="col">Name</th><th scope="col">Open</th><th></th></tr></thead>
                    <tbody>@foreach ($coming->take(200) as $day)
                        <tr><td>{{ $day->date->format('D j M Y') }}</td><td>{{ $day->name }}</td><td>{{
                            $day->open === [] ? 'closed' : WeekText::written($day->open) }}</td>
                            <td class="num"><form method="post" action="/hours/{{ $calendar->id }}/days/remove">@csrf<input type="hidden"
                                name="date" value="{{ $day->date->format('Y-m-d') }}"><button class="btn-away"
                                aria-label="Remove {{ $day->date->format('j F Y') }}">×</button></form></td></tr>
                    @endforeach</tbody>
                </table>
                @if ($coming->count() > 200)<p class="soft">and {{ $coming->count() - 200 }} later ones</p>@endif
            @endif
            <div class="holiday-files">
                <form method="post" action="/hours/{{ $calendar->id }}/import" enctype="multipart/form-data" class="inline-form">@csrf
                    <label class="form-label" for="file">Holidays from a calendar file (.ics)</label>
                    <input class="form-control form-control-sm" type="file" id="file" name="file" accept=".ics,text/calendar" required>
                    <button class="btn btn-sm btn-outline-secondary">Take them in</button></form>
                @foreach ($files as $source => $count)
                    <form method="post" action="/hours/{{ $calendar->id }}/days/remove" class="inline-form">@csrf<input type="hidden"
                        name="source" value="{{ $source }}"><span class="soft">{{ $source }}, {{ trans_choice(
                        '{1} one day|[2,*] :count days', $count) }}</span><button class="btn btn-sm btn-link">Remove
                        {{ $count === 1 ? 'it' : 'them' }}</button></form>
                @endforeach
                @if ($past > 0)
                    <form method="post" action="/hours/{{ $calendar->id }}/days/remove" class="inline-form">@csrf<input type="hidden"
                        name="past" value="1"><span class="soft">{{ trans_choice('{1} one day is over|[2,*] :count days are over', $past)
                        }}</span><button class="btn btn-sm btn-link">Remove {{ $past === 1 ? 'it' : 'them' }}</button></form>
                @endif
            </div>
        </section>
        @if (! $calendar->is_main)
            <form method="post" action="/hours/{{ $calendar->id }}/remove" class="row-buttons">@csrf<button
                class="btn btn-sm btn-outline-danger">Remove these hours</button></form>
        @endif
    @endif
</main>
@endsection
