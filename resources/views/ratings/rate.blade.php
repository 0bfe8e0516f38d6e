@extends('channels.forms.layout')
@use('App\Ratings\RateConversation')
@section('title', $words->question)
@section('language', $words->language)
@section('content')
<h1>{{ $words->question }}</h1>
<p class="soft">{{ sprintf($words->about, $conversation->subject) }}, {{ $conversation->number() }}</p>
@if ($isDone)<p class="rate-thanks" role="status"><b>{{ $words->thanks }}</b> {{ $words->arrived }}</p>@endif
@if ($problem !== null)<p class="field-problem" role="alert" id="score-problem">{{ $problem }}</p>@endif
<form method="post" action="{{ $at }}" class="customer-form rate-form">
    <fieldset class="rate-stars" @if ($problem !== null) aria-describedby="score-problem" @endif>
        <legend class="visually-hidden">{{ $words->question }}</legend>
        <span aria-hidden="true">{{ $words->bad }}</span>
        @foreach (range(1, 5) as $stars)
            <label title="{{ sprintf($words->stars, $stars) }}"><input type="radio" name="score" value="{{ $stars }}"
                aria-label="{{ sprintf($words->stars, $stars) }}"
                @checked($score === $stars) required><b aria-hidden="true">{{ $stars }}</b><span aria-hidden="true">★</span></label>
        @endforeach
        <span aria-hidden="true">{{ $words->good }}</span>
    </fieldset>
    <label class="form-label" for="comment">{{ $words->comment }}</label>
    <textarea class="form-control" id="comment" name="comment" rows="4"
        maxlength="{{ RateConversation::LONGEST_COMMENT }}">{{ $comment }}</textarea>
    <button class="btn btn-primary">{{ $words->send }}</button>
</form>
@endsection
