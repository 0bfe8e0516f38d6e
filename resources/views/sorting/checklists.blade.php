@extends('layouts.app')
@use('App\Support\RefusedInput')
@section('title', 'Checklists')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Checklists</h1></div>
    <p class="soft">Steps to go through for one kind of matter. One is started in a conversation, and each tick stands on its trail.</p>
    @foreach ([...$checklists, null] as $checklist)
        @php
            $key = $checklist->id ?? 'new';
            $action = '/sorting/checklists'.($checklist ? "/{$checklist->id}" : '');
            $was = RefusedInput::in($action);
            $offeredFor = (string) $was->value('category', $checklist?->category_id);
            $retiredCategory = $checklist?->category !== null && $checklist->category->retired_at !== null ? $checklist->category : null;
        @endphp
        <form method="post" action="{{ $action }}" class="sheet pad field-form">
            @csrf
            <div><label class="form-label" for="checklist-{{ $key }}">{{ $checklist ? 'Name' : 'New checklist' }}</label><input
                class="form-control" id="checklist-{{ $key }}" name="name" value="{{ $was->value('name', $checklist?->name) }}"
                maxlength="80" required>
                <label class="form-label below-small" for="checklist-category-{{ $key }}">Offered first for</label>
                <select class="form-select" id="checklist-category-{{ $key }}" name="category"><option value="">any
                    matter</option>@foreach ($categories as $category)<option value="{{ $category->id }}"
                    @selected($offeredFor === (string) $category->id)>{{ $category->path }}</option>@endforeach
                    @if ($retiredCategory)<option value="{{ $retiredCategory->id }}"
                    @selected($offeredFor === (string) $retiredCategory->id)>{{ $retiredCategory->path }}
                    (retired)</option>@endif</select></div>
            <div><label class="form-label" for="checklist-steps-{{ $key }}">Steps, one on each line</label><textarea
                class="form-control" id="checklist-steps-{{ $key }}" name="steps" rows="5" required>{{ $was->value('steps',
                implode("\n", $checklist->steps ?? [])) }}</textarea></div>
            <div class="row-buttons"><button
                class="btn btn-outline-secondary">{{ $checklist ? 'Save' : 'Make it' }}</button>@if ($checklist)<button
                class="btn btn-outline-secondary" formaction="/sorting/checklists/{{ $checklist->id }}/retire"
                formnovalidate>Retire</button>@endif</div>
        </form>
    @endforeach
    @include('sorting.retired', ['at' => '/sorting/checklists', 'mergedNames' => []])
</main>
@endsection
