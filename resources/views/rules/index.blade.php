@extends('layouts.app')
@use('App\Rules\RunsDrawing')
@section('title', 'Rules')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Rules</h1>
        <p class="soft">They run in this order: every one that matches, of the ladder only the first.</p>
        @can('arrange')<a class="btn btn-primary" href="/rules/new">New rule</a>@endcan
    </div>
    @foreach ($circles as $circle)<p class="template-mark"><x-icon name="warning"/> {{ $circle }}</p>@endforeach
    @if ($rules->isEmpty())
        <div class="empty"><x-cairn/><p>No rules yet. What you do by hand each time can be one.</p></div>
    @else
    <table class="table sheet rule-table" id="rule-table">
        <colgroup><col class="col-place"><col class="col-rule"><col class="col-way"><col class="col-runs"><col class="col-failed"><col
            class="col-on"></colgroup>
        <thead><tr><th scope="col">Place</th><th scope="col">Rule</th><th scope="col">Way</th><th scope="col">Last {{ $days }}
            days</th><th scope="col" class="number">Failed</th><th scope="col">On</th></tr></thead>
        <tbody>
            @foreach ($rules as $rule)
                @php
                    $mayChange = $teammate->can('change', $rule);
                    $byDay = $runs[$rule->id] ?? [];
                    $label = $labels[$rule->id];
                    $failed = array_sum(array_column($byDay, 'failed'));
                @endphp
                <tr @class(['rule-off' => ! $rule->on]) id="rule-{{ $rule->id }}" data-rule="{{ $rule->id }}">
                    <td>@if ($mayChange)<form method="post" action="/rules/{{ $rule->id }}/place" class="place-form"><span class="drag"
                        aria-hidden="true">⠿</span>@csrf<label class="visually-hidden" for="place-{{ $rule->id }}">Place of
                        {{ $rule->name }}</label><input class="form-control form-control-sm" type="number" min="1"
                        id="place-{{ $rule->id }}" name="place" value="{{ $loop->iteration }}"
                        data-submit></form>@else{{ $loop->iteration }}@endif</td>
                    <td class="rule-cell"><a href="/rules/{{ $rule->id }}"><b>{{ $rule->name }}</b></a>
                        <p class="rule-sentence"><b>When</b> {{ implode(' or ', $label['when']) }}@if ($label['which'] !== [])
                            <b>and</b> {{ implode('; ', $label['which']) }}@endif
                            <b>then</b> {{ rtrim(implode('; ', $label['what']), '.') }}.</p>
                        @if ($rule->promise_set_id !== null)<p class="soft">Written with its <a
                            href="/promises/{{ $rule->promise_set_id }}#promise-does">promise set</a>.</p>@endif
                        @if ($rule->last_error !== null)<p class="template-mark"><x-icon name="warning"/> {{ $rule->last_error }}
                            <small>({{ $time->short($rule->last_error_at) }})</small>@if ($rule->stopped_at !== null && $mayChange)</p><form
                            method="post" action="/rules/{{ $rule->id }}/go-on">@csrf<button class="btn btn-sm btn-outline-secondary">Go
                            on answering</button></form>@else</p>@endif @endif
                    </td>
                    <td>{{ $rule->way->value }}</td>
                    <td><a href="/rules/{{ $rule->id }}/runs" class="runs-link">{{ RunsDrawing::of($byDay, $days) }}
                        <span>{{ array_sum(array_column($byDay, 'done')) }}</span></a></td>
                    <td class="number">@if ($failed > 0)<b class="rewritten">{{ $failed }}</b>@else<span class="soft">0</span>@endif</td>
                    <td>@if ($mayChange)<form method="post" action="/rules/{{ $rule->id }}/switch">@csrf<input type="hidden" name="on"
                        value="{{ $rule->on ? 0 : 1 }}"><button
                        class="btn btn-sm {{ $rule->on ? 'btn-primary' : 'btn-outline-secondary' }}"
                        aria-pressed="{{ $rule->on ? 'true' : 'false' }}">{{ $rule->on ? 'On' : 'Off' }}<span class="visually-hidden">
                        {{ $rule->name }}</span></button></form>@else{{ $rule->on ? 'on' : 'off' }}@endif</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @endif
    @if ($teammate->role->administers())
        <p class="below"><a href="/rules/hooks">Webhooks</a> that rules can tell</p>
        <form method="post" action="/rules/limit" class="limit-form">@csrf<label for="limit">A rule sends at most</label><input
            class="form-control form-control-sm" type="number" min="1" max="10000" id="limit" name="most" value="{{ $limit }}"> answers
            in a minute; then it stops and asks. <button class="btn btn-sm btn-outline-secondary">Keep</button></form>
    @endif
    @if ($retired->isNotEmpty() && $teammate->role->arranges())
        <details class="below"><summary>Retired, {{ count($retired) }}</summary><ul
            class="plain-list">@foreach ($retired as $rule)<li><form method="post"
            action="/rules/{{ $rule->id }}/bring-back">@csrf{{ $rule->name }}
            <button class="btn btn-sm btn-link">Bring it back, off</button></form></li>@endforeach</ul></details>
    @endif
</main>
@endsection
