@use('App\Orders\AskBuyer')
@use('App\Support\RandomUuid')
{{-- An order that somebody else placed than the one who writes: nothing of it is shown but what they said themselves. --}}
@php $hint = AskBuyer::addressHint($order, $conversation); @endphp
<div class="not-theirs" role="note" id="not-theirs-{{ $order->id }}">
    <p><b><x-icon name="warning"/> Not verified.</b> {{ $order->buyer_name !== '' ? $order->buyer_name : 'Somebody else' }} placed
        it. {{ $conversation->customer->handles->isEmpty() ? 'Who writes here has no address that is' :
            $conversation->customer->handles->first()->shown.' is not an address that is' }}
        known of them. What the shop knows is not shown here until somebody confirms who it is.</p>
    @can('reply', $conversation)
        @if ($hint !== null)
            <details class="ask-buyer" id="ask-buyer-{{ $order->id }}">
                <summary class="btn btn-sm btn-primary">Ask at {{ $hint }} …</summary>
                <form method="post" action="/conversations/{{ $conversation->id }}/orders/{{ $order->id }}/ask">@csrf
                    <input type="hidden" name="once" value="{{ RandomUuid::make() }}">
                    <label class="form-label" for="ask-buyer-text-{{ $order->id }}">To the address that is known, in a conversation of
                        its own</label>
                    <textarea class="form-control form-control-sm" id="ask-buyer-text-{{ $order->id }}" name="text" rows="8" required
                        maxlength="20000">{{ AskBuyer::text($order) }}</textarea>
                    <button class="btn btn-sm btn-primary">Ask</button>
                </form>
            </details>
        @endif
        <div class="not-theirs-do">
            @if ($order->customer_id !== null)
                <form method="post" action="/conversations/{{ $conversation->id }}/orders/{{ $order->id }}/is-buyer">@csrf<button
                    class="btn btn-sm btn-outline-secondary">It is them</button></form>
            @endif
            <form method="post" action="/conversations/{{ $conversation->id }}/orders/{{ $order->id }}/may-know">@csrf<button
                class="btn btn-sm btn-outline-secondary">They may know of it</button></form>
        </div>
    @endcan
</div>
