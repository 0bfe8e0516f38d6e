@use('App\Promises\PromisedKind')
@use('App\Promises\PromiseSetToSave')
@extends('layouts.app')
@section('title', "Versions of {$set->name}")
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Versions of “{{ $set->name }}”</h1><a class="btn btn-outline-secondary"
        href="/promises/{{ $set->id }}">Back to it</a></div>
    <div class="wide-scroll" tabindex="0" role="region" aria-label="Versions"><table class="table sheet">
        <thead><tr><th scope="col">Version</th><th scope="col">Since</th><th scope="col">What</th><th scope="col">Promised for
            normal</th></tr></thead>
        <tbody>@foreach ($versions as $version)
            <tr><td>{{ $version->version }}</td><td>{{ $version->since->year < 2001 ? 'the beginning' :
                $time->short($version->since) }}</td>
                <td>{{ $version->what }}<br><span class="soft">{{ $version->teammate?->name }}</span></td>
                <td>{{ collect($version->content['targets'])->map(fn ($target) => PromisedKind::from($target['kind'])->label().' '.
                    (isset($target['seconds']['normal']) ? PromiseSetToSave::written($target['seconds']['normal']) : 'none'))
                    ->implode(', ') }}</td></tr>
        @endforeach</tbody>
    </table></div>
</main>
@endsection
