@extends('layouts.app')
@use('App\Conversations\Attachment')
@use('App\Views\SharedWith')
@section('title', $template?->name ?? 'New template')
@php
    $sharedWith = old('shared_with', $template?->shared_with->value ?? 'everybody');
    $chosenCategories = array_map(
        strval(...), (array) (old('shared_with') !== null ? old('categories') : $template?->categories->modelKeys() ?? [])
    );
    [$alsoDone, $stepProblems] = $steps;
    $rows = [...$rows, ['', ['subject' => null, 'text' => '', 'html' => null]]];
@endphp
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>{{ $template ? "Template “{$template->name}”" : 'New template' }}</h1>
        @if ($template)<a class="btn btn-outline-secondary" href="/templates/{{ $template->id }}/versions">Version
            {{ $template->version }}</a>@endif
        <a class="btn btn-outline-secondary" href="/templates">All templates</a>
    </div>
    @if ($problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    @if ($theirs !== null)<x-stands-now :name="$template->name" :address="'/templates/'.$template->id">
        @foreach ($theirs as $in)<h3>{{ \Locale::getDisplayLanguage($in->language, 'en') }}@if ($in->subject !== null): {{ $in->subject
            }}@endif</h3><div class="template-reads">{{ $in->text }}</div>@endforeach
        </x-stands-now>@endif
    @if ($errors->any())<ul class="field-problem" role="alert">@foreach ($errors->all() as $one)<li>{{ $one }}</li>@endforeach</ul>@endif
    @foreach ($stepProblems as $one)<p class="field-problem">{{ $one }}</p>@endforeach
    @if (! $mayChange)<p class="soft">Only who made it, a lead or an administrator changes it. You can use it and look at it here.</p>@endif
    <div class="template-page">
    <form method="post" action="/templates{{ $template ? "/{$template->id}" : '' }}" class="sheet pad template-form" id="template-form">
        @csrf
        <input type="hidden" name="seen" value="{{ $seen ?: '' }}">
        <input type="hidden" name="shown" id="template-shown" value="0">
        <div class="form-pair">
            <div><label class="form-label" for="template-name">Name, by which it is found</label><input class="form-control"
                id="template-name" name="name" value="{{ old('name', $template?->name) }}" maxlength="120" required></div>
            <div><label class="form-label" for="template-folder">Folder</label><input class="form-control" id="template-folder"
                name="folder" value="{{ old('folder', $template?->folder) }}" maxlength="120" list="template-folders"><datalist
                id="template-folders">@foreach ($folders as $folder)<option value="{{ $folder }}">@endforeach</datalist></div>
            <div><label class="form-label" for="template-shared">Who sees it</label><select class="form-select" id="template-shared"
                name="shared_with">@foreach ($sharing as $with)<option value="{{ $with->value }}"
                @selected($sharedWith === $with->value)>{{ $with->label() }}</option>@endforeach</select></div>
            <div class="template-team"><label class="form-label" for="template-team">Which team</label><select class="form-select"
                id="template-team" name="team"><option value=""></option>@foreach ($teams as $team)<option value="{{ $team->id }}"
                @selected((string) old('team', $template?->team_id) === (string) $team->id)>{{ $team->name
                    }}</option>@endforeach</select></div>
        </div>
        @foreach ($rows as $index => [$language, $text])
            @php $isNew = $language === ''; $label = $isNew ? 'another language' : \Locale::getDisplayLanguage($language, 'en'); @endphp
            <details class="template-language" @if (! $isNew || $text['text'] !== '') open @endif>
                <summary>{{ $isNew ? 'In another language' : $label }}</summary>
                <div class="template-language-head">
                    <label class="visually-hidden" for="language-{{ $index }}">Language</label>
                    <select class="form-select form-select-sm" id="language-{{ $index }}"
                        name="texts[{{ $index }}][language]">@if ($isNew)<option value="">Language …</option>@endif
                        @foreach (array_unique([...($isNew ? [] : [$language]), ...$languages]) as $one)<option value="{{ $one }}"
                        @selected($one === $language)>{{ \Locale::getDisplayLanguage($one, 'en') }}</option>@endforeach</select>
                    <label class="visually-hidden" for="subject-{{ $index }}">Subject in {{ $label }}</label>
                    <input class="form-control form-control-sm" id="subject-{{ $index }}" name="texts[{{ $index }}][subject]"
                        value="{{ $text['subject'] }}" maxlength="300" placeholder="Subject, where it is to be another">
                    <button type="button" class="btn btn-sm btn-outline-secondary needs-script" data-rich-text="text-{{ $index }}"
                        aria-pressed="false">Rich text</button>
                </div>
                <label class="visually-hidden" for="text-{{ $index }}">Text in {{ $label }}</label>
                <textarea class="form-control template-text" id="text-{{ $index }}" name="texts[{{ $index }}][text]"
                    rows="{{ $isNew ? 4 : 11 }}" data-takes-placeholders data-index="{{ $index }}" maxlength="50000"
                    hx-post="/templates/preview" hx-trigger="input changed delay:400ms, focus" hx-target="#template-preview"
                    hx-include="#template-form, #preview-form">{{
                    $text['text'] }}</textarea>
                <input type="hidden" name="texts[{{ $index }}][html]" id="text-{{ $index }}-html" value="{{ $text['html'] }}">
            </details>
        @endforeach
        <h2>Goes along with the answer</h2>
        <div class="template-steps">
            @foreach ($alsoDone as $step)<label class="step-chip"><input type="checkbox" class="form-check-input" name="steps[]"
                value="{{ $step->do }}={{ $step->value }}" checked> {{ $step->label }}</label>@endforeach
            <span class="step-more"><label class="visually-hidden" for="template-step">One more step</label>
            <select class="form-select form-select-sm" id="template-step" name="step"><option value="">One more step
                …</option>@foreach ($stepChoices as $group => $choices)@if ($choices !== [])<optgroup
                label="{{ $group }}">@foreach ($choices as $value => $choice)<option value="{{ $value }}"
                @if (str_ends_with($choice, '…')) data-asks-text @endif
                @selected($stepProblems !== [] && old('step') === $value)>{{ $choice }}</option>@endforeach</optgroup>@endif
                @endforeach</select>
            <label class="visually-hidden" for="template-step-text">Its text</label><input class="form-control form-control-sm"
                id="template-step-text" name="step_text" maxlength="400" value="{{ $stepProblems !== [] ? old('step_text') : '' }}"
                placeholder="the tag, the value, or: 16 | the workshop looks at it"></span>
        </div>
        <details class="template-categories" @if ($chosenCategories !== []) open @endif><summary>Comes first in these categories</summary>
            <fieldset class="checks"><legend class="visually-hidden">Categories</legend>@foreach ($categories as $category)<label><input
                type="checkbox" class="form-check-input" name="categories[]" value="{{ $category->id }}"
                @checked(in_array((string) $category->id, $chosenCategories, true))> {{ $category->path }}</label>@endforeach</fieldset>
        </details>
        @if ($mayChange)<button class="btn btn-primary">Save</button>@endif
    </form>
    <div class="template-beside">
        <section class="sheet pad">
            <form id="preview-form" class="preview-head" hx-post="/templates/preview" hx-target="#template-preview"
                hx-include="#template-form" hx-trigger="submit, change">
                @csrf
                <h2><label for="preview-conversation">As it reads in</label></h2><input class="form-control form-control-sm"
                    id="preview-conversation" name="conversation" value="{{ $conversation?->number() }}" maxlength="20">
            </form>
            <div id="template-preview" aria-live="polite">@include('templates.preview', ['problem' => null])</div>
        </section>
        <section class="sheet pad">
            <h2>Files that go along</h2>
            @if ($template !== null && $template->files->isEmpty() && ! $mayChange)<p class="soft">None.</p>@endif
            @if ($template === null)<p class="soft">Save it first; then files can go along.</p>@else
                <ul class="files">@foreach ($template->files as $file)<li><a
                    href="/templates/{{ $template->id }}/files/{{ $file->id }}"><b>{{ $file->name }}</b></a>
                    {{ Attachment::sizeText($file->size) }}
                    @if ($mayChange)<form method="post" action="/templates/{{ $template->id }}/files/{{ $file->id }}">@csrf
                    @method('delete')<button class="file-away"
                    aria-label="Take {{ $file->name }} away">×</button></form>@endif</li>@endforeach</ul>
                @if ($mayChange)<form method="post" action="/templates/{{ $template->id }}/files" enctype="multipart/form-data"
                    class="file-form">@csrf<label class="visually-hidden" for="template-file">File</label><input type="file"
                    class="form-control form-control-sm" id="template-file" name="file" required><button
                    class="btn btn-sm btn-outline-secondary">Add or replace</button></form>
                <p class="soft">A file of the same name takes the place of the old one in all later answers.</p>@endif
            @endif
        </section>
        <section class="sheet pad">
            <h2>Placeholders</h2>
            @verbatim<p class="soft">Type
                <kbd>{{</kbd> in the text, or choose. With <code>| "there"</code> behind it, that is written where nothing is known.
                    <code>{{ if order.sent }}
                … {{ else }} … {{ end }}</code> asks.</p>@endverbatim
            <ul class="placeholder-list" id="placeholder-list">@foreach ($placeholders as $name => $what)<li><button type="button"
                data-placeholder="{{ $name }}"><code>{{ $name }}</code> <span class="soft">{{ $what }}</span></button></li>@endforeach</ul>
        </section>
    </div>
    </div>
    @if ($template)<div class="group-away below row-buttons"><form method="post" action="/templates/{{ $template->id }}/copy">@csrf<button
        class="btn btn-sm btn-link">Copy this template</button></form>@if ($mayChange)<form method="post"
        action="/templates/{{ $template->id }}/retire">@csrf<button class="btn btn-sm btn-link">Retire this template</button></form>
        @endif</div>@endif
</main>
@endsection
