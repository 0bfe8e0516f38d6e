@extends('channels.forms.layout')
@section('title', $form->title)
@section('content')
@php
    $value = fn (string $name) => is_string($written[$name] ?? null) ? $written[$name] : '';
    $problem = fn (string $name) => $problems[$name][0] ?? null;
@endphp
<h1>{{ $form->title }}</h1>
@if ($form->introduction !== '')<p class="plain-text">{{ $form->introduction }}</p>@endif
@if ($opening !== '')<p class="soft">{{ $opening }}</p>@endif
@foreach ($problems['opened'] ?? [] as $text)<p class="field-problem" role="alert">{{ $text }}</p>@endforeach
@if ($problems !== [] && ! isset($problems['opened']))<p class="field-problem" role="alert">Something is missing or cannot be right. It
    says below what.</p>@endif
<form method="post" action="/forms/{{ $form->account->address }}" enctype="multipart/form-data" class="customer-form">
    <input type="hidden" name="opened" value="{{ $opened }}">
    <input type="hidden" name="framed" value="{{ $isFramed ? 'yes' : 'no' }}">
    <div class="form-pair">
        @foreach (['name' => ['Your name', 'name', 'text'], 'email' => ['Your email address', 'email', 'email']] as $field => [$label,
            $autocomplete, $type])
            <div><label class="form-label" for="{{ $field }}">{{ $label }}</label><input class="form-control" id="{{ $field }}"
                name="{{ $field }}" type="{{ $type }}" autocomplete="{{ $autocomplete }}" required value="{{ $value($field) }}"
                @if ($problem($field)) aria-invalid="true" aria-describedby="{{ $field }}-problem"
                @endif>@if ($problem($field))<p class="field-problem" id="{{ $field }}-problem">{{ $problem($field) }}</p>@endif</div>
        @endforeach
        <div><label class="form-label" for="category">What is it about?</label><select class="form-select" id="category"
            name="category"><option value="">Something else</option>@foreach ($form->categories() as $category)<option
            value="{{ $category->id }}"
            @selected($value('category') === (string) $category->id)>{{ $category->customer_name }}</option>@endforeach</select></div>
        <div><label class="form-label" for="order">Order number, if there is one</label><input class="form-control" id="order"
            name="order" value="{{ $value('order') }}" maxlength="60" @if ($problem('order')) aria-invalid="true"
            aria-describedby="order-problem" @endif>@if ($problem('order'))<p class="field-problem"
            id="order-problem">{{ $problem('order') }}</p>@endif</div>
        @foreach ($form->fields as $index => $field)
            @php $text = $problem("own.{$index}"); @endphp
            <div><label class="form-label" for="own-{{ $index }}">{{ $field['label'] }}</label>
                @if ($field['choices'] !== [])<select class="form-select" id="own-{{ $index }}" name="own[{{ $index }}]"
                @required($field['required'])><option value=""></option>@foreach ($field['choices'] as $choice)<option
                @selected(($written['own'][$index] ?? null) === $choice)>{{ $choice }}</option>@endforeach</select>@else
                <input class="form-control" id="own-{{ $index }}" name="own[{{ $index }}]" maxlength="1000"
                @required($field['required'])
                value="{{ is_array($written['own'] ?? null) && is_string($written['own'][$index] ?? null) ? $written['own'][$index] : '' }}"
                @if ($text) aria-invalid="true" aria-describedby="own-{{ $index }}-problem" @endif> @endif
                @if ($text)<p class="field-problem" id="own-{{ $index }}-problem">{{ $text }}</p>@endif</div>
        @endforeach
    </div>
    <label class="form-label" for="text">Your message</label>
    <textarea class="form-control" id="text" name="text" rows="7" required
        @if ($problem('text')) aria-invalid="true" aria-describedby="text-problem" @endif>{{ $value('text') }}</textarea>
    @if ($problem('text'))<p class="field-problem" id="text-problem">{{ $problem('text') }}</p>@endif
    @php $reasons = $form->returnReasons(); @endphp
    @if ($reasons->isNotEmpty())
        <details class="form-return" @if ($value('goods') !== '' || $value('return_reason') !== '') open @endif>
            <summary>Something is to come back</summary>
            <p class="soft">Wait for our answer before you send it: it says whether it may come back, and who pays the parcel.</p>
            <label class="form-label" for="return_reason">Why does it come back?</label>
            <select class="form-select" id="return_reason" name="return_reason" @if ($problem('return_reason')) aria-invalid="true"
                aria-describedby="return_reason-problem" @endif><option value="">choose …</option>@foreach ($reasons as $reason)<option
                value="{{ $reason->id }}" @selected($value('return_reason') === (string) $reason->id)>{{ $reason->name }}</option>
                @endforeach</select>
            @if ($problem('return_reason'))<p class="field-problem" id="return_reason-problem">{{ $problem('return_reason') }}</p>@endif
            <label class="form-label" for="goods">What comes back? One thing a line, as on your confirmation</label>
            <textarea class="form-control" id="goods" name="goods" rows="2" maxlength="2000"
                placeholder="2 x Reel">{{ $value('goods') }}</textarea>
        </details>
    @endif
    <label class="form-label" for="files">Photos or other files</label>
    <input class="form-control" id="files" name="files[]" type="file" multiple>
    @foreach (array_filter([$problem('files'), ...collect($problems)->filter(fn ($_, $key) => str_starts_with($key,
        'files.'))->flatten()->all()]) as $text)<p
        class="field-problem">{{ $text }}</p>@endforeach
    <div class="trap" aria-hidden="true"><label for="website">Leave this empty</label><input id="website" name="website" tabindex="-1"
        autocomplete="off"></div>
    <button class="btn btn-primary">Send</button>
</form>
@endsection
