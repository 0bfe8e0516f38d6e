@extends('layouts.app')
@section('title', 'Not taken')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>What came and was not taken</h1></div>
    @if ($traces->isEmpty())
        <div class="empty"><p>Everything that came could be taken.</p></div>
    @else
        @include('channels.trace-table')
        @include('layouts.pages', ['rows' => $traces])
    @endif
</main>
@endsection
