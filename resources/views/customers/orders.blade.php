{{-- Orders of a customer or a company: $orders, and $count of all. --}}
<section class="sheet pad" aria-labelledby="orders">
    <h2 id="orders">Orders <span class="soft">{{ $count }}</span></h2>
    @if ($orders->isEmpty())<p class="soft">No order is known.</p>@endif
    <div class="wide-scroll" tabindex="0" role="region" aria-label="Orders"><table class="order-lines">
        <caption class="visually-hidden">Orders</caption><tbody>
        @foreach ($orders as $order)
            <tr><td><a href="{{ route('order', $order) }}">{{ $order->number }}</a>@if ($order->marketplace)<small>{{
                $order->marketplace }}</small>@endif</td><td>{{ $time->short($order->placed_at) }}</td><td>{{ $order->status
                }}</td><td>{{ $order->money($order->total) }}</td></tr>
        @endforeach
    </tbody></table></div>
</section>
