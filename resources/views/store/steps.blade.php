@use('App\Store\Store')
@extends('layouts.app')
@section('title', 'Begin')
@php
    $open = array_keys(array_filter($steps, fn (bool $isDone): bool => ! $isDone));
@endphp
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Begin</h1></div>
    <p class="soft">{{ $open === [] ? 'Everything is there. This page stays under Set up.' :
        'You can leave this at any time and go on later, under Set up.' }}</p>
    <ol class="begin-steps">
        <li class="sheet pad" id="step-store">
            <h2>@include('store.step-mark', ['isDone' => $steps['store'], 'number' => 1]) The store</h2>
            <p>{{ Store::current()->name }}, {{ Store::current()->timeZone }}. <a href="/store">Change it</a></p>
        </li>
        <li class="sheet pad" id="step-first_set">
            <h2>@include('store.step-mark', ['isDone' => $steps['first_set'], 'number' => 2]) What to begin with</h2>
            @if ($steps['first_set'])
                <p><a href="/sorting/categories">Categories</a>, <a href="/sorting/outcomes">outcomes</a>, <a
                    href="/templates">templates</a> and <a href="/rules">rules</a> are yours to change.</p>
            @else
                <p>Take what is of use, in the language of your store, and change it as you like. Rules are off until you switch them
                    on.</p>
                <form method="post" action="/begin/first-set">@csrf
                    @foreach ($firstSet as $part => $names)
                        <div class="form-check form-check-tall"><input class="form-check-input" type="checkbox" name="{{ $part }}"
                            value="1" id="take-{{ $part }}" checked> <label class="form-check-label"
                            for="take-{{ $part }}">{{ ucfirst($part) }}<br><span class="soft">{{ implode(', ', $names)
                            }}</span></label></div>
                    @endforeach
                    <button class="btn btn-primary">Take them</button>
                </form>
                <form method="post" action="/begin/leave" class="begin-leave">@csrf<button class="btn btn-link" name="step"
                    value="first_set">Leave it: I make my own</button></form>
            @endif
        </li>
        <li class="sheet pad" id="step-way_in">
            <h2>@include('store.step-mark', ['isDone' => $steps['way_in'], 'number' => 3]) The first way in</h2>
            @forelse ($ways as $account)
                <div class="begin-way"><span><a href="/accounts/{{ $account->id }}"><b>{{ $account->address }}</b></a>
                    @if ($account->last_error !== null)<span class="field-problem">{{ $account->last_error }}</span>
                    @elseif ($account->last_heard_at === null)<span class="soft">not heard of yet</span>
                    @else<span class="soft">heard of {{ $time->short($account->last_heard_at) }}</span>@endif</span>
                    <form method="post" action="/accounts/{{ $account->id }}/check">@csrf<button
                        class="btn btn-sm btn-outline-secondary">Check the connection</button></form></div>
            @empty
                <p>The address that customers write to. Its mail is read over IMAP, where it stays, and answered over SMTP.</p>
            @endforelse
            <p class="row-buttons"><a @class(['btn', 'btn-primary' => $ways->isEmpty(), 'btn-outline-secondary' => $ways->isNotEmpty()])
                href="/accounts/new?channel=email">Connect an email address</a> <a class="btn btn-outline-secondary"
                href="/accounts">Other ways in</a></p>
        </li>
        <li class="sheet pad" id="step-people">
            <h2>@include('store.step-mark', ['isDone' => $steps['people'], 'number' => 4]) Who else answers</h2>
            <p>Each gets a link by mail to choose a password, once there is an address to send it from.</p>
            <p class="row-buttons"><a class="btn btn-outline-secondary" href="/people/new">Invite somebody</a></p>
            @unless ($steps['people'])
                <form method="post" action="/begin/leave" class="begin-leave">@csrf<button class="btn btn-link" name="step"
                    value="people">Leave it: I am alone for now</button></form>
            @endunless
        </li>
    </ol>
    <p><a class="btn btn-primary" href="/queue">{{ $open === [] ? 'To the inbox' : 'Go on later, to the inbox' }}</a></p>
</main>
@endsection
