@use('App\Hours\OpenNow')
@use('App\Hours\StoreHours')
@use('App\Hours\WeekDrawing')
@use('App\Hours\WeekText')
@extends('layouts.app')
@section('title', 'Hours')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Hours</h1><a class="btn btn-primary" href="/hours/new">New hours</a></div>
    <p class="soft">When who works. Promises are counted in these hours; what has no hours of its own goes by the first.</p>
    @foreach ($calendars as $calendar)
        @php $today = $now->setTimezone($calendar->time_zone)->format('Y-m-d');
            $next = $calendar->days->sortBy('date')->first(fn ($day) => $day->date->format('Y-m-d') >= $today); @endphp
        <section class="sheet pad hours-card" aria-label="{{ $calendar->name }}">
            <div class="hours-card-head">
                <h2><a class="row-link" href="/hours/{{ $calendar->id }}">{{ $calendar->name }}</a></h2>
                @if ($calendar->is_main)<span class="word-chip">the store’s own</span>@endif
                <p>{{ OpenNow::of(StoreHours::of($calendar), $time, $now) }}</p>
                <p class="soft">{{ $calendar->time_zone }}@if ($next), next other day: {{ $next->date->format('D j M') }}
                    {{ $next->name }}, {{ $next->open === [] ? 'closed' : WeekText::written($next->open) }}@endif</p>
                @if (! $calendar->is_main)
                    <form method="post" action="/hours/{{ $calendar->id }}/main" class="inline-form">@csrf<button
                        class="btn btn-sm btn-outline-secondary">Make it the store’s own</button></form>
                @endif
            </div>
            <dl class="hours-week">@foreach (WeekText::DAYS as $day => $label)
                <div><dt>{{ substr($label, 0, 3) }}</dt><dd>{{ WeekDrawing::day($calendar->week[$day] ?? []) }}<span
                    class="visually-hidden">{{ WeekText::written($calendar->week[$day] ?? []) ?: 'closed' }}</span></dd></div>
            @endforeach</dl>
        </section>
    @endforeach
</main>
@endsection
