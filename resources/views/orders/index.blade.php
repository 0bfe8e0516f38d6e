@extends('layouts.app')
@use('Illuminate\Support\Str')
@section('title', 'Orders')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>Orders</h1>
        @can('answer-customers')<a class="btn btn-outline-secondary" href="/refunds">Given back</a>@endcan
        <form method="get" action="/orders" class="find" role="search"><label class="visually-hidden" for="find">Number, name or
            address</label><input class="form-control" id="find" name="find" type="search" value="{{ $find }}"
            placeholder="Number, name or email address"><button class="btn btn-outline-secondary">Find</button></form>
    </div>
    @if ($orders->isEmpty())
        <div class="empty"><p>@if ($find !== '')No order is found by “{{ $find }}”. Try its number alone, or how the name begins.@else
            No orders are known yet. Connect the shop under Accounts, and they are read.@endif</p></div>
    @else
    <table class="table sheet">
        <thead><tr><th scope="col">Order</th><th scope="col">Placed</th><th scope="col">Customer</th><th scope="col">Sold on</th><th
            scope="col">Status</th><th scope="col" class="number">Total</th><th scope="col" class="number">Given back</th></tr></thead>
        <tbody>
            @foreach ($orders as $order)
                <tr>
                    <td><a href="{{ route('order', $order) }}"><b>{{ $order->number }}</b></a></td>
                    <td>{{ $time->short($order->placed_at) }}</td>
                    <td class="wrap-anywhere">@if ($order->customer)<a
                        href="{{ route('customer', $order->customer_id) }}">{{ Str::limit($order->buyer_name, 60)
                            }}</a>@else{{ Str::limit($order->buyer_name, 60) }}@endif</td>
                    <td>{{ $order->marketplace === null ? 'Own shop' : "{$order->marketplace} {$order->marketplace_number}" }}</td>
                    <td>{{ $order->status }}</td>
                    <td class="number">{{ $order->money($order->total) }}</td>
                    <td class="number">{{ $order->refunded() > 0 ? $order->money($order->refunded()) : '—' }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @include('layouts.pages', ['rows' => $orders])
    @endif
</main>
@endsection
