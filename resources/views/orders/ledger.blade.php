@use('App\Orders\ParcelLine')
{{-- One order: the way of its parcels, its lines, what was paid and given back. --}}
@foreach ($order->parcels as $parcel)
    @php $line = ParcelLine::of($order, $parcel); @endphp
    <div class="parcel">
        <x-parcel-line :line="$line"/>
        <p class="parcel-note">
            <span>{{ $parcel->carrier }}
                {{ $parcel->number }}@if ($line->progress->last !== null && $line->progress->last->place !== ''),
                {{ $line->progress->last->place }}@endif</span>
            @if ($line->progress->stopped)<b class="due-soon">No scan for {{ $line->progress->daysWithoutScan }} days</b>@endif
        </p>
    </div>
@endforeach
@if ($order->parcels->isEmpty())
    <p class="soft">{{ $order->status === 'cancelled' ? 'Cancelled.' : 'Not sent yet.' }} Ordered {{ $time->short($order->placed_at) }}.</p>
@endif
<table class="order-lines">
    <caption class="visually-hidden">What was ordered, in {{ $order->currency }}</caption>
    <thead><tr><th scope="col">Item</th><th scope="col">Sent</th><th scope="col">Back</th><th scope="col">Paid</th><th scope="col">Given
        back</th></tr></thead>
    <tbody>
        @foreach ($order->lines as $item)
            <tr>
                <td>{{ $item->quantity > 1 ? "{$item->quantity} × " : '' }}{{ $item->title }}@isset($stock[$item->sku])<small
                    @class(['due-soon' => $stock[$item->sku] <= 0])>{{ $stock[$item->sku] > 0 ? $stock[$item->sku].' in stock' :
                        'none in stock' }}</small>@endisset<small class="item-particulars">{{ $item->particulars($order) }}</small></td>
                <td>{{ $item->sent }}</td>
                <td>{{ $item->returned }}</td>
                <td>{{ $order->money($item->paid()) }}</td>
                <td>{{ $item->refunded > 0 ? $order->money($item->refunded) : '—' }}</td>
            </tr>
        @endforeach
        @if ($order->order_discount > 0)
            <tr><td colspan="3">Discount</td><td>{{ $order->money(-$order->order_discount) }}</td><td>—</td></tr>
        @endif
        <tr><td colspan="3">{{ $order->shipping_title !== '' ? $order->shipping_title : 'Delivery' }}</td><td>{{
            $order->money($order->shipping_amount)
            }}</td><td>{{ $order->shipping_refunded > 0 ? $order->money($order->shipping_refunded) : '—' }}</td></tr>
    </tbody>
    <tfoot>
        <tr><th scope="row" colspan="3">Total{{ $order->prices_include_tax ? '' : ', with tax' }}</th><td>{{
            $order->money($order->total) }}</td><td></td></tr>
        @foreach ($order->payments as $payment)
            <tr><th scope="row" colspan="3">{{ $payment->label }}@if ($loop->first),
                {{ $time->local($order->placed_at)->format('j M') }}@endif</th><td>{{ $order->money($payment->captured) }}</td><td>{{
                    $order->money($payment->refunded) }}</td></tr>
        @endforeach
    </tfoot>
</table>
<p class="order-foot soft">@if ($order->marketplace !== null)Sold on {{ $order->marketplace }} {{ $order->marketplace_number }} ·
    @endif{{ $order->address !== '' ? $order->address.', ' : '' }}{{ $order->country }} ·
    <span title="{{ $time->full($order->fetched_at) }}">as of {{ $time->short($order->fetched_at) }}</span></p>
