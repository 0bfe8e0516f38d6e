@extends('layouts.app')
@section('title', 'Due meanwhile')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>What falls due while {{ $isOwn ? 'you are' : "{$person->firstName()} is" }} away</h1></div>
    @if ($conversations->isEmpty())
        <div class="empty"><x-cairn/><p>Nothing of it falls due until then.</p></div>
    @else
        <ul class="plain-list sheet pad">@foreach ($conversations as $conversation)<li><b>{{ $time->short($conversation->due_at) }}</b>
            <a href="/conversations/{{ $conversation->id }}">{{ $conversation->number() }} {{ $conversation->subject }}</a>
            <span class="soft">{{ $conversation->customer->name }}</span></li>@endforeach</ul>
        <form method="post" action="/team/{{ $person->id }}/hand-out" class="row-buttons">@csrf<button class="btn btn-primary">Hand
            {{ $conversations->count() === 1 ? 'it' : "all {$conversations->count()}" }} out by turns …</button><a
            class="btn btn-outline-secondary" href="/queue">Leave them</a></form>
        <p class="soft">It is shown first to whom, and can be undone. What is in no team, or in one that takes no turns, stays.</p>
    @endif
</main>
@endsection
