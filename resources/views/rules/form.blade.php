@extends('layouts.app')
@use('App\Rules\ChangedBy')
@section('title', $rule?->name ?? 'New rule')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>{{ $rule ? "Rule “{$rule->name}”" : 'New rule' }}</h1>
        @if ($rule)<a class="btn btn-outline-secondary" href="/rules/{{ $rule->id }}/try">Try it out</a><a
            class="btn btn-outline-secondary" href="/rules/{{ $rule->id }}/runs">Runs</a><a class="btn btn-outline-secondary"
            href="/rules/{{ $rule->id }}/versions">Version {{ $rule->version }}</a>@endif
        <a class="btn btn-outline-secondary" href="/rules">All rules</a>
    </div>
    @if ($problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    @if ($theirs !== null)<x-stands-now :name="$rule->name" :address="'/rules/'.$rule->id">
        <p class="rule-sentence"><b>When</b> {{ implode(' or ', $theirs['when']) }}@if ($theirs['which'] !== [])
            <b>and</b> {{ implode('; ', $theirs['which']) }}@endif <b>then</b> {{ rtrim(implode('; ', $theirs['what']), '.') }}.</p>
        </x-stands-now>@endif
    @if ($errors->any())<ul class="field-problem" role="alert">@foreach ($errors->all() as $one)<li>{{ $one }}</li>@endforeach</ul>@endif
    <form method="post" action="/rules{{ $rule ? "/{$rule->id}" : '' }}" class="rule-form">
        @csrf
        <x-default-button does="Save"/>
        <input type="hidden" name="rule" value="{{ $rule?->id }}">
        <input type="hidden" name="seen" value="{{ $seen ?: '' }}">
        @include('rules.editor')
        <div class="sheet pad rule-rest">
            <div class="form-pair">
                <div><label class="form-label" for="rule-name">Name, as it stands on the trail</label><input class="form-control"
                    id="rule-name" name="name" value="{{ old('name', $rule?->name) }}" maxlength="120" required></div>
                <div><label class="form-label" for="rule-way">Which of several that match</label><select class="form-select"
                    id="rule-way" name="way"><option value="every"
                    @selected(old('way', $rule?->way->value) === 'every')>every: it runs whatever others do</option><option
                    value="ladder" @selected(old('way', $rule?->way->value) === 'ladder')>ladder: only the first that matches
                    runs</option></select></div>
                <div><label class="form-label" for="rule-changed-by">Who may change it</label><select class="form-select"
                    id="rule-changed-by" name="changed_by">@foreach (ChangedBy::cases() as $by)<option
                    value="{{ $by->value }}"
                    @selected(old('changed_by', $rule?->changed_by->value) === $by->value)>{{ $by->label()
                        }}</option>@endforeach</select></div>
                <div><label class="form-label" for="rule-notes">Notes</label><input class="form-control" id="rule-notes" name="notes"
                    value="{{ old('notes', $rule?->notes) }}" maxlength="5000" placeholder="Why there is this rule"></div>
            </div>
            @if ($mayChange)<div class="compose-buttons"><button
                class="btn btn-primary">{{ $rule ? 'Save' : 'Save, and see what it would have done' }}</button><button
                class="btn btn-outline-secondary" formaction="/rules/try" formnovalidate hx-post="/rules/try" hx-include="closest form"
                hx-target="#tried" hx-swap="innerHTML" hx-disabled-elt="this">Try it out, without saving</button></div>@else<p
                class="soft">Only {{ $rule->changed_by->label() }} change this rule.</p>@endif
        </div>
    </form>
    <section id="tried" class="below" aria-live="polite" aria-label="What it would have done"></section>
    @if ($readyMade !== [])
        <section class="ready-made below" aria-labelledby="ready-made-title"><h2 id="ready-made-title">Or begin with one that is
            ready-made</h2>
            <ul>@foreach ($readyMade as $key => [$name, $what])<li><form method="post"
                action="/rules/ready-made/{{ $key }}">@csrf<button class="btn btn-sm btn-outline-secondary">{{ $name }}</button>
                <span class="soft">{{ $what }}</span></form></li>@endforeach</ul>
        </section>
    @endif
    @if ($rule && $mayChange)<div class="group-away below row-buttons"><form method="post"
        action="/rules/{{ $rule->id }}/copy">@csrf<button class="btn btn-sm btn-link">Copy this rule</button></form><form method="post"
        action="/rules/{{ $rule->id }}/retire">@csrf<button class="btn btn-sm btn-link">Retire this rule</button></form></div>@endif
</main>
@endsection
