@use('App\Promises\PromiseSetToSave')
@extends('layouts.app')
@section('title', "Record of {$set->name}")
@php $words = ['all' => 'promised', 'kept' => 'kept', 'missed' => 'missed', 'warned' => 'warned of', 'running' => 'still running',
    'dropped' => 'dropped']; @endphp
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>“{{ $set->name }}”: {{ $words[$counted] }}</h1><a class="btn btn-outline-secondary"
        href="/promises/{{ $set->id }}/record?weeks={{ $weeks }}&amp;by={{ $by }}">Back to the record</a></div>
    <table class="table sheet">
        <thead><tr><th scope="col">Conversation</th><th scope="col">Customer</th><th scope="col">Promise</th><th scope="col">Began</th><th
            scope="col">Ended</th><th scope="col" class="num">Taken</th><th scope="col" class="num">Promised</th></tr></thead>
        <tbody>@foreach ($promises as $promise)
            @php $conversation = $conversations[$promise->conversation_id]; @endphp
            <tr><td><a href="/conversations/{{ $conversation->id }}/promises">{{ $conversation->number() }}
                {{ $conversation->subject }}</a></td><td>{{ $conversation->customer->name }}</td><td>{{ $promise->kind->label() }}</td>
                <td>{{ $time->short($promise->started_at) }}</td><td>{{ $promise->ended_at === null ? $promise->state->value :
                    $time->short($promise->ended_at) }}</td><td class="num">{{ PromiseSetToSave::written($promise->spent) }}</td>
                <td class="num">{{ PromiseSetToSave::written($promise->target) }}</td></tr>
        @endforeach</tbody>
    </table>
    @if ($page > 1 || $hasMore)
        <p class="row-buttons">@if ($page > 1)<a href="{{ request()->fullUrlWithQuery(['page' => $page - 1]) }}">Earlier page</a>@endif
            @if ($hasMore)<a href="{{ request()->fullUrlWithQuery(['page' => $page + 1]) }}">Next page</a>@endif</p>
    @endif
</main>
@endsection
