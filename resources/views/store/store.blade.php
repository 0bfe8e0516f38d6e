@extends('layouts.app')
@section('title', 'The store')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>The store</h1></div>
    @include('store.form', ['action' => '/store', 'button' => 'Save'])
</main>
@endsection
