@use('App\Support\RefusedInput')
{{-- What can still be changed of an order that has not left. --}}
@php $was = RefusedInput::in("/orders/{$order->id}/address"); @endphp
<details class="unsent" @if ($was->isHere) open @endif><summary>Not sent yet: cancel it, or send it elsewhere</summary>
    <form method="post" action="/orders/{{ $order->id }}/address" class="bench-step">@csrf<label class="form-label" for="new-address">New
        address, in lines</label><textarea class="form-control" id="new-address" name="address" rows="3" maxlength="1000">{{
            $was->value('address', str_replace(', ', "\n", $order->address)) }}</textarea><label class="form-label"
        for="new-country">Country</label><input class="form-control units" id="new-country" name="country" maxlength="2" required
        value="{{ $was->value('country', $order->country) }}"><button class="btn btn-outline-secondary">Send it there</button></form>
    <form method="post" action="/orders/{{ $order->id }}/cancel" class="bench-step">@csrf<label class="form-label"
        for="cancel-reason">Why it is cancelled</label><input class="form-control" id="cancel-reason" name="reason" maxlength="200"
        value="{{ RefusedInput::in("/orders/{$order->id}/cancel")->value('reason') }}"><button class="btn btn-outline-secondary">Cancel the
        order</button></form>
</details>
