@extends('layouts.app')
@section('title', "Versions of {$rule->name}")
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Versions of “{{ $rule->name }}”</h1><a class="btn btn-outline-secondary"
        href="/rules/{{ $rule->id }}">Back to the rule</a></div>
    @foreach ($versions as $version)
        @php $label = $labels($version->content); @endphp
        <div class="sheet pad template-version"><p><b>{{ $version->version }}</b> {{ $version->what }},
            {{ $version->teammate?->name ?? 'Cairnfield' }}, {{ $time->short($version->at) }}</p>
            <p class="rule-sentence"><b>When</b> {{ implode(' or ', $label['when']) }}@if ($label['which'] !== [])
                <b>and</b> {{ implode('; ', $label['which']) }}@endif <b>then</b> {{ rtrim(implode('; ', $label['what']), '.') }}.</p>
            @if ($mayChange && ! $loop->first)<form method="post"
                action="/rules/{{ $rule->id }}/versions/{{ $version->version }}">@csrf<button
                class="btn btn-sm btn-outline-secondary">Make it so again</button></form>@endif</div>
    @endforeach
</main>
@endsection
