@use('App\Promises\PromisedKind')
@use('App\Promises\PromiseSetToSave')
@extends('layouts.app')
@section('title', 'Promises')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Promises</h1>
        <p class="soft">The first set that fits applies. Times are those of a normal priority.</p>
        <a class="btn btn-primary" href="/promises/new">New set</a>
    </div>
    @include('promises.progress')
    @if (($check['count'] ?? 0) > 0)
        <details class="field-problem"><summary>{{ $check['count'] }} promises were stored otherwise than the journal says; they are
            mended</summary><ul>@foreach ($check['differences'] as $one)<li><a
            href="/conversations/{{ $one['conversation'] }}/promises">C-{{ $one['conversation'] }}</a>: {{ $one['promise'] }}</li>
            @endforeach</ul></details>
    @endif
    @if ($sets->isEmpty())
        <div class="empty"><x-cairn/><p>Nothing is promised. A set says how soon somebody is answered, and in which hours.</p></div>
    @else
    <div class="wide-scroll" tabindex="0" role="region" aria-label="Promise sets">
    <table class="table sheet promise-table">
        <thead><tr><th scope="col">Place</th><th scope="col">Set</th>
            @foreach (['first_reply', 'next_reply', 'update', 'resolve'] as $kind)<th scope="col">{{
                ucfirst(PromisedKind::from($kind)->label()) }}</th>@endforeach
            <th scope="col">Kept, {{ $days }} days</th><th scope="col">On</th></tr></thead>
        <tbody>
            @foreach ($sets as $set)
                @php $targets = array_column($set->targets, null, 'kind'); [$done, $missed] = $kept[$set->id] ?? [0, 0]; @endphp
                <tr @class(['rule-off' => ! $set->on])>
                    <td><form method="post" action="/promises/{{ $set->id }}/place" class="place-form">@csrf<label class="visually-hidden"
                        for="place-{{ $set->id }}">Place of {{ $set->name }}</label><input class="form-control form-control-sm"
                        type="number" min="1" id="place-{{ $set->id }}" name="place" value="{{ $loop->iteration }}" data-submit></form></td>
                    <td><a href="/promises/{{ $set->id }}"><b>{{ $set->name }}</b></a>
                        <p class="rule-sentence">{{ $for[$set->id] === '' ? 'everybody' : $for[$set->id] }}</p>
                        @foreach (['warning' => 'About to be missed', 'miss' => 'Missed'] as $when => $label)@isset($does[$set->id][$when])
                            <p class="rule-sentence"><b>{{ $label }}</b> {{ $does[$set->id][$when] }}</p>@endisset @endforeach</td>
                    @foreach (['first_reply', 'next_reply', 'update', 'resolve'] as $kind)
                        @php $target = $targets[$kind] ?? null; $seconds = $target['seconds']['normal'] ?? null; @endphp
                        <td>@if ($target === null)<span class="soft">—</span>@else{{ $seconds === null ? 'not for normal' :
                            PromiseSetToSave::written($seconds) }}<small class="soft promise-hours">{{ $target['calendar'] === null ?
                            'clock time' : ($calendars[$target['calendar']]?->name ?? 'hours are gone') }}</small>@endif</td>
                    @endforeach
                    <td><a href="/promises/{{ $set->id }}/record">{{ $done + $missed === 0 ? 'none yet' :
                        intdiv($done * 100 + intdiv($done + $missed, 2), $done + $missed).' %' }}</a>@if ($done + $missed > 0) <small
                        class="soft">of {{ $done + $missed }}</small>@endif</td>
                    <td><form method="post" action="/promises/{{ $set->id }}/switch">@csrf<input type="hidden" name="on"
                        value="{{ $set->on ? 0 : 1 }}"><button
                        class="btn btn-sm {{ $set->on ? 'btn-primary' : 'btn-outline-secondary' }}"
                        aria-pressed="{{ $set->on ? 'true' : 'false' }}">{{ $set->on ? 'On' : 'Off' }}<span class="visually-hidden">
                        {{ $set->name }}</span></button></form></td>
                </tr>
            @endforeach
        </tbody>
    </table>
    </div>
    @endif
    <p class="below soft">A marketplace’s own deadline counts beside these, and nobody can take it away. At a
        warning and a miss the owner is told, or the leads of what nobody has; what else happens then is said in each set, and by
        <a href="/rules">rules</a>.
        @isset($check['at']) Checked against the journal {{ $time->short(now()->parse($check['at'])) }}: {{ $check['looked'] }}
        conversations, {{ $check['count'] === 0 ? 'all as they should be' : "{$check['count']} mended" }}.@endisset</p>
    @if ($retired->isNotEmpty())
        <details class="below"><summary>Retired, {{ count($retired) }}</summary><ul class="plain-list">@foreach ($retired as $set)<li><form
            method="post" action="/promises/{{ $set->id }}/bring-back">@csrf<a href="/promises/{{ $set->id }}/record">{{ $set->name }}</a>
            <button class="btn btn-sm btn-link">Bring it back</button></form></li>@endforeach</ul></details>
    @endif
</main>
@endsection
