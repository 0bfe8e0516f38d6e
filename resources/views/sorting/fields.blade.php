@extends('layouts.app')
@use('App\Fields\About')
@use('App\Fields\FieldKind')
@use('App\Support\RefusedInput')
@section('title', 'Own fields')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Own fields</h1></div>
    <div class="page-two page-two-wide">
        <div>
            @if ($fields->isEmpty())
                <div class="empty sheet"><p>There are none yet. A field of your own can be filled in beside each conversation, customer
                    or order, and is there in views, searches and exports.</p></div>
            @endif
            @foreach ($fields as $field)
                @php $was = RefusedInput::in("/sorting/fields/{$field->id}"); @endphp
                <form method="post" action="/sorting/fields/{{ $field->id }}" class="sheet pad field-form">
                    @csrf
                    <div><label class="form-label" for="field-{{ $field->id }}">Name</label><input class="form-control"
                        id="field-{{ $field->id }}" name="name" value="{{ $was->value('name', $field->name) }}" maxlength="60" required>
                        <p class="soft">{{ $field->about->label() }} · {{ mb_strtolower($field->kind->label()) }} ·
                            <code>{{ $field->word }}</code> ·
                            {{ trans_choice('{0} written nowhere|{1} written once|[2,*] written :count times', $field->values_count,
                                ['count' => $field->values_count]) }}</p></div>
                    <div>
                        @if ($field->kind->hasChoices())<label class="form-label"
                            for="choices-{{ $field->id }}">Choices, one on each line</label><textarea class="form-control"
                            id="choices-{{ $field->id }}" name="choices" rows="3">{{ $was->value('choices', implode("\n",
                            $field->choices)) }}</textarea>@endif
                        @if ($field->about === About::Conversation)<div class="form-check"><input type="checkbox"
                            class="form-check-input" id="required-{{ $field->id }}" name="required" value="1"
                            @checked($was->value('required', $field->required_to_resolve))><label for="required-{{ $field->id }}">Must
                            be filled in before it is resolved</label></div>@endif
                    </div>
                    <div class="row-buttons"><button class="btn btn-outline-secondary">Save</button><button
                        class="btn btn-outline-secondary" formaction="/sorting/fields/{{ $field->id }}/retire">Retire</button></div>
                </form>
            @endforeach
            @include('sorting.retired', ['at' => '/sorting/fields', 'mergedNames' => []])
        </div>
        @php $was = RefusedInput::in('/sorting/fields'); @endphp
        <form method="post" action="/sorting/fields" class="sheet pad">
            @csrf
            <h2>New field</h2>
            <label class="form-label" for="new-name">Name</label><input class="form-control" id="new-name" name="name"
                value="{{ $was->value('name') }}" maxlength="60" required>
            <label class="form-label" for="new-about">For</label>
            <select class="form-select" id="new-about" name="about">@foreach (About::cases() as $about)<option
                value="{{ $about->value }}"
                @selected($was->value('about') === $about->value)>{{ $about->label() }}</option>@endforeach</select>
            <label class="form-label" for="new-kind">What is written in it</label>
            <select class="form-select" id="new-kind" name="kind">@foreach (FieldKind::cases() as $kind)<option
                value="{{ $kind->value }}" @selected($was->value('kind') === $kind->value)>{{ $kind->label() }}</option>@endforeach</select>
            <label class="form-label" for="new-choices">Choices, one on each line, if there are any</label><textarea
                class="form-control" id="new-choices" name="choices" rows="3">{{ $was->value('choices') }}</textarea>
            <div class="form-check"><input type="checkbox" class="form-check-input" id="new-required" name="required" value="1"
                @checked($was->value('required'))><label for="new-required">Must be filled in before a conversation is
                resolved</label></div>
            <button class="btn btn-primary">Make it</button>
        </form>
    </div>
</main>
@endsection
