@extends('layouts.app')
@section('title', 'Join into one')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Join {{ $conversations->count() }} conversations into one</h1><a class="btn btn-outline-secondary"
        href="/queue">Back to the queue</a></div>
    <form method="post" action="/join" class="sheet pad">
        @csrf
        <p>Choose the one that stays. The others become part of it: all their messages are read there in the order of time, every
            customer can be answered, and what comes later to any of them arrives there. It can be undone.</p>
        <table class="table">
            <thead><tr><th scope="col"><span class="visually-hidden">Stays</span></th><th scope="col">Conversation</th><th
                scope="col">Customer</th><th scope="col">By</th><th scope="col">State</th><th scope="col">Owner</th><th
                scope="col">Began</th></tr></thead>
            <tbody>
                @foreach ($conversations as $one)
                    <tr><td><input type="hidden" name="ids[]" value="{{ $one->id }}"><input type="radio" class="form-check-input"
                        name="into" value="{{ $one->id }}" id="into-{{ $one->id }}"
                        @checked($loop->first) aria-label="{{ $one->number() }} stays"></td><td><label
                        for="into-{{ $one->id }}">{{ $one->number() }}
                        {{ $one->subject }}</label></td><td>{{ $one->customer->name }}</td><td>{{ $one->account->title() }}</td><td>{{
                            $one->state->label() }}</td><td>{{ $one->owner?->firstName() ?? '—' }}</td><td>{{
                            $time->short($one->created_at) }}</td></tr>
                @endforeach
            </tbody>
        </table>
        <button class="btn btn-primary">Join them</button>
    </form>
</main>
@endsection
