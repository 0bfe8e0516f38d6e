@extends('layouts.app')
@section('title', 'Write down a call')
@section('content')
<main id="content" class="narrow">
    <h1>Write down a call</h1>
    @if ($errors->any())<ul class="field-problem"
        role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
    <div class="sheet pad">@include('channels.call-form')</div>
</main>
@endsection
