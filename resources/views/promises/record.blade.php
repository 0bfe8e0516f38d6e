@use('App\Promises\PromiseRecord')
@use('App\Promises\PromiseSetToSave')
@use('App\Promises\RecordDrawing')
@extends('layouts.app')
@section('title', "Record of {$set->name}")
@php
    $link = fn (string $counted, string $by, string $value): string => "/promises/{$set->id}/record/behind?".http_build_query(
        ['counted' => $counted, 'by' => $by, 'value' => $value, 'weeks' => $weeks]);
    $names = ['kind' => 'promise', 'week' => 'week', 'category' => 'category', 'channel' => 'way in', 'team' => 'team',
        'person' => 'person', 'company' => 'company'];
@endphp
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Record of “{{ $set->name }}”</h1>
        <form method="get" class="filters"><label class="visually-hidden" for="record-weeks">Since</label><select id="record-weeks"
            name="weeks" class="form-select form-select-sm" data-submit>@foreach ($choices as $one)<option value="{{ $one }}"
            @selected($one === $weeks)>the last {{ $one }} weeks</option>@endforeach</select><label class="visually-hidden"
            for="record-by">By</label><select id="record-by" name="by" class="form-select form-select-sm"
            data-submit>@foreach (PromiseRecord::BY as $one)<option value="{{ $one }}" @selected($one === $by)>by
            {{ $names[$one] }}</option>@endforeach</select><noscript><button class="btn btn-sm">Show</button></noscript></form>
        <a class="btn btn-outline-secondary" href="/promises/{{ $set->id }}/record.csv?weeks={{ $weeks }}&amp;by={{ $by }}">CSV</a>
        <a class="btn btn-outline-secondary" href="/promises/{{ $set->id }}">The set</a></div>
    @if ($lines === [])
        <div class="empty"><x-cairn/><p>Nothing was promised by this set in that time.</p></div>
    @else
        <div class="sheet pad record-head">
            <dl>@foreach ($kinds as $line)<div><dt>{{ $line->label }}</dt><dd><b>{{ $line->share() ?? '—' }}</b> kept
                @if ($line->median !== null)<small class="soft">half within {{ PromiseSetToSave::written($line->median) }}</small>@endif
                </dd></div>@endforeach</dl>
            {{ RecordDrawing::of($columns) }}
        </div>
        <table class="table sheet record-table">
            <caption class="visually-hidden">By {{ $names[$by] }}</caption>
            <thead><tr><th scope="col">{{ ucfirst($names[$by]) }}</th><th scope="col" class="num">Promised</th><th scope="col"
                class="num">Kept</th><th scope="col" class="num">Missed</th><th scope="col" class="num">Share kept</th><th scope="col"
                class="num">Warned</th><th scope="col" class="num">Running</th><th scope="col" class="num">Dropped</th><th scope="col"
                class="num">Median</th><th scope="col" class="num">90 %</th></tr></thead>
            <tbody>@foreach ($lines as $line)
                <tr><th scope="row">{{ $line->label }}</th>
                    @foreach (['all', 'kept', 'missed'] as $counted)<td class="num">@include('promises.count')</td>@endforeach
                    <td class="num">{{ $line->share() ?? '—' }}</td>
                    @foreach (['warned', 'running', 'dropped'] as $counted)<td class="num">@include('promises.count')</td>@endforeach
                    <td class="num">{{ PromiseSetToSave::written($line->median) }}</td>
                    <td class="num">{{ PromiseSetToSave::written($line->ninetieth) }}</td></tr>
            @endforeach</tbody>
        </table>
        <p class="soft">Counted where it began in that time. Kept and missed are decided; what was dropped was resolved without an answer,
            or was no longer ours to do. Times are those of the promise’s hours, of what was answered. Category, way in and company are
            those of the conversation now; team and person those at its end.</p>
    @endif
</main>
@endsection
