@extends('layouts.app')
@use('App\Exchanges\ExchangeState')
@use('App\Orders\ParcelLine')
@section('title', $exchange->what())
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>{{ $exchange->what() }}: {{ $exchange->state->label() }}</h1>
        @if ($conversation)<a class="btn btn-outline-secondary" href="{{ route('conversation', $conversation) }}">Back to
            {{ $conversation->number() }}</a>@endif
        <a class="btn btn-outline-secondary" href="{{ route('order', $exchange->order) }}">{{ $exchange->order->number }}</a></div>
    <section class="sheet pad" aria-label="What is sent">
        <p class="soft">{{ $exchange->reason }} · by {{ $exchange->teammate?->name ?? 'somebody who has left' }},
            {{ $time->full($exchange->asked_at) }}</p>
        <ul class="plain-list">
            <li>{{ $exchange->isAtNoCharge() ? 'At no charge.' : "It costs {$exchange->order->money($exchange->worth)}; of that
                {$exchange->order->money($exchange->kept)} are paid with what came back." }}</li>
            @if ($exchange->to_pay > 0)<li>To be paid:
                <b>{{ $exchange->order->money($exchange->to_pay) }}</b>@if ($exchange->payment_link), at
                {{ $exchange->payment_link }}@endif</li>@endif
            @if ($exchange->refund)<li><a href="/refunds/{{ $exchange->refund_id }}">What came back for it</a></li>@endif
            @if ($exchange->return)<li><a
                href="{{ route('return', $exchange->return) }}">Return {{ $exchange->return->number() }}</a></li>@endif
            @if ($exchange->newOrder)<li>Order <a href="{{ route('order', $exchange->newOrder) }}">{{ $exchange->newOrder->number }}</a>:
                {{ $exchange->newOrder->standing() }}</li>@endif
        </ul>
        @if ($exchange->why !== null)<p @class(['field-problem' => $exchange->state === ExchangeState::NotThere,
            'soft' => $exchange->state !== ExchangeState::NotThere])>{{ $exchange->why }}</p>@endif
        @if ($exchange->state === ExchangeState::NotThere)
            <p>The customer has the choice: wait for it, take something else, or have the money back.</p>
            <div class="row-buttons"><form method="post" action="/exchanges/{{ $exchange->id }}/again">@csrf<button
                class="btn btn-primary">Ask the shop again</button></form>
                @if ($exchange->refund_id !== null)<form method="post" action="/exchanges/{{ $exchange->id }}/money">@csrf<button
                    class="btn btn-outline-secondary">Give the money back instead</button></form>@endif
                @if ($exchange->refund_id === null)<a class="btn btn-outline-secondary" href="/orders/{{ $exchange->order_id }}/send{{
                    $conversation ? "?conversation={$conversation->id}" : '' }}">Send something else</a>@endif</div>
        @endif
    </section>
</main>
@endsection
