@extends('channels.forms.layout')
@section('title', 'Thank you')
@section('content')
<div role="status">
    <h1>Thank you, it has arrived.</h1>
    <p>Its number is <b>{{ $taken->number }}</b>. @if ($taken->hasReceipt)A copy is on its way to {{ $email }}, and so will be our
        answer.@else Our answer comes to {{ $email }}.@endif</p>
</div>
@endsection
