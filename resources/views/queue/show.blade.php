@extends('layouts.app')
@section('title', $view->label())
@section('keys')
    <div><dt><kbd>n</kbd></dt><dd>Take the next one</dd></div>
    <div><dt><kbd>↓</kbd> <kbd>↑</kbd></dt><dd>Next and previous row</dd></div>
    <div><dt><kbd>Enter</kbd></dt><dd>Open the row</dd></div>
    <div><dt><kbd>x</kbd></dt><dd>Choose the row</dd></div>
    <div><dt><kbd>X</kbd></dt><dd>Choose all that are shown</dd></div>
    <div><dt><kbd>e</kbd></dt><dd>What to do with those chosen</dd></div>
    <div><dt><kbd>j</kbd></dt><dd>Join those chosen into one</dd></div>
    <div><dt><kbd>b</kbd></dt><dd>As a board</dd></div>
    <div><dt><kbd>w</kbd></dt><dd>Why each row stands where it stands</dd></div>
@endsection
@section('content')
<main id="content" class="queue">
    <h1 class="visually-hidden">Queue: {{ $view->label() }}</h1>
    @include('queue.list')
    @include('bulk.bar')
</main>
@endsection
