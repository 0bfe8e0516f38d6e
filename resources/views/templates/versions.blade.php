@extends('layouts.app')
@section('title', "Versions of {$template->name}")
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Versions of “{{ $template->name }}”</h1><a class="btn btn-outline-secondary"
        href="/templates/{{ $template->id }}">Back to the template</a></div>
    @foreach ($versions as $version)
        <details class="sheet pad template-version" @if ($loop->first) open @endif>
            <summary><b>{{ $version->version }}</b> {{ $version->what }}, {{ $version->teammate?->name ?? 'Cairnfield' }},
                {{ $time->short($version->at) }}</summary>
            @foreach ($version->content['texts'] as $language => $text)
                <h2>{{ \Locale::getDisplayLanguage($language, 'en') }}@if (($text['subject'] ?? null) !== null):
                    {{ $text['subject'] }}@endif</h2>
                <div class="template-reads">{{ $text['text'] }}</div>
            @endforeach
            @if ($version->content['steps'] !== [])<p class="soft">Goes along:
                {{ implode(', ', array_map(fn ($step) => "{$step['do']} {$step['value']}", $version->content['steps'])) }}</p>@endif
            @if ($mayChange && ! $loop->first)<form method="post"
                action="/templates/{{ $template->id }}/versions/{{ $version->version }}">@csrf<button
                class="btn btn-sm btn-outline-secondary">Make it so again</button></form>@endif
        </details>
    @endforeach
</main>
@endsection
