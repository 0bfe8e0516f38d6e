@extends('layouts.app')
@use('App\Views\SharedWith')
@use('Illuminate\Support\Str')
@section('title', 'Templates')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Templates</h1>
        <form method="get" action="/templates" class="find" role="search"><label class="visually-hidden" for="find">Name, folder or
            words of the text</label><input class="form-control" id="find" name="find" type="search" value="{{ $find }}"
            placeholder="Name, folder or words of the text">
            <label class="visually-hidden" for="sort">In which order</label><select class="form-select" id="sort" name="sort"
                data-submit>@foreach (['folder' => 'by folder', 'used' => 'most used first', 'rewritten' => 'most rewritten first']
                    as $key => $label)<option
                value="{{ $key }}" @selected($sort === $key)>{{ $label }}</option>@endforeach</select>
            <button class="btn btn-outline-secondary">Find</button></form>
        <a class="btn btn-outline-secondary" href="/templates/exchange">As a file</a>
        <a class="btn btn-primary" href="/templates/new">New template</a>
    </div>
    @if ($groups->flatten()->isEmpty())
        <div class="empty"><x-cairn/><p>@if ($find !== '')No template has “{{ $find }}” in its name, folder or text.@else No templates
            yet. What you answer twice is worth one.@endif</p></div>
    @else
    <table class="table sheet template-table">
        <colgroup><col class="col-template"><col class="col-languages"><col class="col-goes"><col class="col-seen"><col
            class="col-uses"><col class="col-last"><col class="col-changed"><col class="col-stars"></colgroup>
        <thead><tr><th scope="col">Template</th><th scope="col">Languages</th><th scope="col">Goes along</th><th scope="col">Who sees
            it</th><th scope="col" class="number">Uses</th><th scope="col">Last</th><th scope="col" class="number">Words changed</th><th
            scope="col" class="number">Stars</th></tr></thead>
        @foreach ($groups as $folder => $templates)
        <tbody>
            @if ($sort === 'folder')<tr class="template-folder"><th scope="rowgroup"
                colspan="8">{{ $folder === '' ? 'In no folder' : $folder }}
                <span class="soft">{{ count($templates) }}</span></th></tr>@endif
            @foreach ($templates as $template)
                @php
                    $share = $template->changedShare();
                    $isRewritten = $template->hand_uses >= $enoughUses && $share >= $rewrittenFrom;
                    $goes = array_filter(
                        [
                            count($template->steps) === 0
                                ? null
                                : count($template->steps).(count($template->steps) === 1 ? ' step' : ' steps'),
                            count($template->files) === 0
                                ? null
                                : count($template->files).(count($template->files) === 1 ? ' file' : ' files'),
                        ]
                    );
                    $seenBy = match ($template
                        ->shared_with) { SharedWith::Nobody => 'only me', SharedWith::Team => $template
                        ->team
                        ?->name ?? 'a team', default => 'everybody' };
                @endphp
                <tr>
                    <td><a href="/templates/{{ $template->id }}"><b>{{ $template->name }}</b></a>
                        <span class="soft template-begins">{{ Str::limit($template->begins(), 110) }}</span></td>
                    <td>{{ $template->inOrder()->pluck('language')->implode(', ') ?: '—' }}</td>
                    <td class="soft">{{ implode(', ', $goes) ?: '—' }}</td>
                    <td class="soft">{{ $seenBy }}</td>
                    <td class="number">{{ $template->uses }}</td>
                    <td class="soft">{{ $template->last_used_at === null ? 'not yet' : $time->short($template->last_used_at) }}</td>
                    <td class="number">@if ($share === null)<span class="soft">—</span>@elseif ($isRewritten)<b class="rewritten"
                        title="Changed in {{ $template->changed_uses }} of {{ $template->hand_uses
                            }} answers: worth writing anew"><x-icon name="warning"/> {{ round($share * 100) }}
                            %</b>@else{{ round($share * 100) }} %@endif</td>
                    <td class="number">@isset($stars[$template->id])<span
                        title="{{ $stars[$template->id]->count }} {{ $stars[$template->id]->count === 1 ? 'rating' : 'ratings'
                            }} of answers sent with it">{{ $stars[$template->id]->average() }}</span>@else<span
                            class="soft">—</span>@endisset</td>
                </tr>
            @endforeach
        </tbody>
        @endforeach
    </table>
    @endif
    @if ($retired->isNotEmpty())
        <details class="below"><summary>Retired, {{ count($retired) }}</summary>
            <ul class="plain-list">@foreach ($retired as $template)<li><form method="post"
                action="/templates/{{ $template->id }}/bring-back">@csrf{{ $template->name }}
                <button class="btn btn-sm btn-link">Use it again</button></form></li>@endforeach</ul>
        </details>
    @endif
</main>
@endsection
