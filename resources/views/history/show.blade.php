@extends('layouts.app')
@section('title', "Taking over {$import->name}")
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <h1>{{ $import->name }}</h1>
    <p class="soft">{{ $import->format->label() }}, for {{ $import->account->title() }}. Begun
        {{ $time->short($import->created_at) }}@if ($import->teammate) by {{ $import->teammate->name }}@endif.</p>
    @include('history.progress')
</main>
@endsection
