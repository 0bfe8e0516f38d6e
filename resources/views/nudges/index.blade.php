@extends('layouts.app')
@section('title', 'Nudge plans')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Nudge plans</h1></div>
    <p class="soft">Reminders to a customer who does not answer, and an end. A template or a rule starts one; any answer calls it off.</p>
    @if ($errors->any())
        <ul class="field-problem" role="alert">@foreach ($errors->all() as $one)<li>{{ $one }}</li>@endforeach</ul>
    @endif
    @foreach ([...$plans, ...($mayChange ? [null] : [])] as $plan)
        @include('nudges.plan')
    @endforeach
    @if ($retired->isNotEmpty() && $mayChange)
        <details class="below">
            <summary>Retired, {{ count($retired) }}</summary>
            <ul class="plain-list">
                @foreach ($retired as $plan)
                    <li><form method="post" action="/nudges/{{ $plan->id }}/bring-back">@csrf{{ $plan->name }}
                        <button class="btn btn-sm btn-link">Bring it back</button></form></li>
                @endforeach
            </ul>
        </details>
    @endif
</main>
@endsection
