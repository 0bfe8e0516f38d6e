@extends('layouts.app')
@section('title', 'Begin')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Begin</h1></div>
    <p class="soft">First of four: your store. All of it can be changed later, under Set up.</p>
    @include('store.form', ['action' => "/begin/{$key}/store", 'button' => 'Go on'])
</main>
@endsection
