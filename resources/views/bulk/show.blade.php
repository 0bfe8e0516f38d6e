@extends('layouts.app')
@section('title', $bulk->label)
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>{{ $bulk->label }}</h1><a class="btn btn-outline-secondary" href="/queue">Back to the queue</a></div>
    @include('bulk.progress')
</main>
@endsection
