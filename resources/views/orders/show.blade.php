@extends('layouts.app')
@use('Illuminate\Support\Str')
@section('title', "Order {$order->number}")
@section('content')
<main id="content" class="page page-two">
    <section class="sheet pad" aria-labelledby="order-title">
        <h1 id="order-title">Order {{ $order->number }}</h1>
        @include('orders.ledger')
        <p>@can('answer-customers')<a class="btn btn-outline-secondary"
            href="/orders/{{ $order->id }}/refund">Give money back</a>@endcan
            <a class="btn btn-outline-secondary" href="/orders/{{ $order->id }}/return">Something comes back</a>
            @can('answer-customers')<a class="btn btn-outline-secondary" href="/orders/{{ $order->id }}/send">Send something</a>@endcan</p>
        @can('answer-customers')
        @if (in_array($order->status, ['paid', 'unpaid'], true) && $order->parcels->isEmpty())
            @include('exchanges.unsent')
        @endif
        @endcan
    </section>
    <div>
        <section class="sheet pad" aria-labelledby="buyer">
            <h2 id="buyer">@if ($order->customer)<a
                href="{{ route('customer', $order->customer_id) }}">{{ Str::limit($order->buyer_name, 120)
                    }}</a>@else{{ Str::limit($order->buyer_name, 120) }}@endif</h2>
            <p class="handles">@foreach (array_filter([$order->email, $order->telephone]) as $way)<span>{{ $way }}</span>@endforeach</p>
            <p>{{ $order->address }}{{ $order->address !== '' ? ', ' : '' }}{{ $order->country }}</p>
        </section>
        @include('customers.credit', ['credits' => collect()])
        <section class="sheet pad" aria-labelledby="about-it">
            <h2 id="about-it">Conversations about it</h2>
            @if ($conversations->isEmpty())<p class="soft">Nobody has written about it.</p>@endif
            <ul class="earlier">
                @foreach ($conversations as $conversation)
                    <li><a href="{{ route('conversation', $conversation) }}"><b>{{ $conversation->subject }}</b></a><small>{{
                        $conversation->number() }}
                        · {{ $conversation->account->title() }} · {{ $conversation->state->label() }} ·
                        {{ $conversation->owner?->firstName() ?? 'nobody’s yet' }} ·
                        {{ $time->short($conversation->last_message_at) }}</small></li>
                @endforeach
            </ul>
        </section>
    </div>
</main>
@endsection
