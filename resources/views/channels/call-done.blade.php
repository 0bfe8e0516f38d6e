<div class="call-done" role="status">
    <p><b>Written down as <a href="{{ route('conversation', $conversation) }}">{{ $conversation->number() }}</a></b> for
        {{ $conversation->customer->name }}.</p>
    @foreach ($conversation->orders as $order)<p>Order <a href="{{ route('order', $order) }}">{{ $order->number }}</a> is beside
        it.</p>@endforeach
    <div class="call-buttons"><a class="btn btn-primary" href="{{ route('conversation', $conversation) }}">Open it</a>
        <button type="button" class="btn btn-outline-secondary" data-close-dialog autofocus>Back to what I was doing</button></div>
</div>
