@use('App\Promises\PromisedKind')
@use('App\Promises\PromiseSetToSave')
@use('Cairnfield\Core\Queue\Priority')
@extends('layouts.app')
@section('title', $set?->name ?? 'New promise set')
@php
    $about = [
        'first_reply' => 'from the customer’s first message to the first answer by a person',
        'next_reply' => 'from what they wrote again to the next answer',
        'update' => 'from an answer to the next word, while it is open or held',
        'resolve' => 'from the first message until it is resolved',
    ];
    $states = ['open' => 'open', 'held' => 'held', 'waiting' => 'waiting on the customer'];
@endphp
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>{{ $set ? "Promises: {$set->name}" : 'New promise set' }}</h1>
        @if ($set)<a class="btn btn-outline-secondary" href="/promises/{{ $set->id }}/record">Record</a><a
            class="btn btn-outline-secondary" href="/promises/{{ $set->id }}/versions">Version {{ $set->version }}</a>@endif
        <a class="btn btn-outline-secondary" href="/promises">All sets</a></div>
    @if ($problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    <form method="post" action="/promises{{ $set ? "/{$set->id}" : '' }}" class="promise-form">
        @csrf
        <x-default-button does="Save"/>
        <input type="hidden" name="set" value="{{ $set?->id }}">
        <div class="sheet pad promise-for">
            <label class="form-label" for="set-name">Name</label>
            <input class="form-control" id="set-name" name="name" maxlength="120" required value="{{ $was->value('name', $set?->name) }}"
                placeholder="Wholesale" @if (! $set) autofocus @endif>
            <h2>It is for</h2>
            @include('promises.condition')
        </div>
        <div class="sheet pad promise-targets">
            <h2>It promises</h2>
            <p class="soft" id="targets-about">Such as 45 min, 4 h, 1 h 30 or 2 d. Empty is not promised for that priority.</p>
            <div class="promise-grid-scroll"><table class="promise-grid" aria-describedby="targets-about">
                <thead><tr><th scope="col"><span class="visually-hidden">Promise</span></th>@foreach (Priority::cases() as $priority)<th
                    scope="col">{{ $priority->label() }}</th>@endforeach<th scope="col">Counted in</th><th scope="col">Warning
                    before</th></tr></thead>
                <tbody>@foreach ($about as $kind => $text)
                    @php $target = $targets[$kind] ?? null; $label = ucfirst(PromisedKind::from($kind)->label()); @endphp
                    <tr>
                        <th scope="row">{{ $label }}<small>{{ $text }}</small></th>
                        @foreach (Priority::cases() as $priority)
                            <td><input class="form-control form-control-sm" name="targets[{{ $kind }}][seconds][{{ $priority->value }}]"
                                value="{{ $was->value("targets.{$kind}.seconds.{$priority->value}",
                                    PromiseSetToSave::written($target['seconds'][$priority->value] ?? null)) }}" maxlength="40"
                                aria-label="{{ $label }}, priority {{ $priority->value }}" autocomplete="off"></td>
                        @endforeach
                        <td><select class="form-select form-select-sm" name="targets[{{ $kind }}][calendar]"
                            aria-label="{{ $label }} is counted in"><option value="">clock time</option>
                            @foreach ($calendars as $calendar)<option value="{{ $calendar->id }}" @selected((string) $calendar->id ===
                                (string) $was->value("targets.{$kind}.calendar", (string) ($target === null ? $calendars->first()?->id :
                                $target['calendar'])))>{{ $calendar->name }}</option>@endforeach</select></td>
                        <td><input class="form-control form-control-sm" name="targets[{{ $kind }}][warn_before]" maxlength="40"
                            value="{{ $was->value("targets.{$kind}.warn_before", ($target['warn_before'] ?? 0) === 0 ? '' :
                                PromiseSetToSave::written($target['warn_before'])) }}" aria-label="Warning before {{ $label }}"
                            placeholder="none" autocomplete="off"></td>
                    </tr>
                    @if ($kind === 'resolve')
                        @php $runs = (array) $was->value('targets.resolve.runs_in', $target['runs_in'] ?? ['open', 'held']); @endphp
                        <tr class="promise-runs"><td></td><td colspan="6">Its clock runs while it is
                            @foreach ($states as $state => $word)<label><input type="checkbox" class="form-check-input"
                                name="targets[resolve][runs_in][]" value="{{ $state }}" @checked(in_array($state, $runs, true))>
                                {{ $word }}</label>@endforeach</td></tr>
                    @endif
                @endforeach</tbody>
            </table></div>
        </div>
        @include('promises.does')
        <div class="form-foot">
            <button class="btn btn-primary">Save</button>
            <button class="btn btn-outline-secondary" formaction="/promises/preview" formnovalidate hx-post="/promises/preview"
                hx-include="closest form" hx-target="#promise-preview" hx-swap="innerHTML" hx-disabled-elt="this">What would
                change?</button>
        </div>
    </form>
    <section id="promise-preview" class="below" aria-live="polite" aria-label="What would change"></section>
    @if ($set)<form method="post" action="/promises/{{ $set->id }}/retire" class="group-away below">@csrf<button
        class="btn btn-sm btn-link">Retire this set</button></form>@endif
</main>
@endsection
