@extends('layouts.app')
@section('title', "Send something, {$order->number}")
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Send something · {{ $order->number }}</h1>
        @if ($return)<a class="btn btn-outline-secondary" href="{{ route('return', $return) }}">Return {{ $return->number() }}</a>@endif
        @if ($conversation)<a class="btn btn-outline-secondary" href="{{ route('conversation', $conversation) }}">Back to
            {{ $conversation->number() }}</a>@endif
        <a class="btn btn-outline-secondary" href="{{ route('order', $order) }}">The order</a></div>
    @if ($problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    <form method="post" action="/orders/{{ $order->id }}/send" class="sheet pad exchange-form"
        hx-post="/orders/{{ $order->id }}/send/reckon"
        hx-trigger="input delay:250ms from:.reckons" hx-target="#exchange-reckoned" hx-swap="outerHTML settle:0ms" hx-sync="this:replace">
        @csrf
        <x-default-button/>
        @if ($conversation)<input type="hidden" name="conversation" value="{{ $conversation->id }}">@endif
        @if ($return)<input type="hidden" name="return" value="{{ $return->id }}">@endif
        @foreach (['delivery' => $chosen->delivery, 'fee' => $chosen->fee, 'label' => $chosen->label] as $name => $value)<input
            type="hidden"
            name="{{ $name }}" value="{{ $value }}">@endforeach
        <input type="hidden" name="once" value="{{ $onceKey }}">
        <fieldset class="exchange-how"><legend class="visually-hidden">How</legend>
            <label class="tick-line"><input class="form-check-input reckons" type="radio" name="how" value="again"
                @checked($how === 'again')> The same again, at no charge</label>
            <label class="tick-line"><input class="form-check-input reckons" type="radio" name="how" value="exchange"
                @checked($how === 'exchange')> Something else, in exchange for it</label></fieldset>
        <div class="wide-scroll"><table class="order-lines worksheet-lines"><caption class="visually-hidden">Of the order</caption>
            <thead><tr><th scope="col">Of the order</th><th scope="col">Bought</th><th scope="col">Back</th><th
                scope="col">Of these</th></tr>
            </thead><tbody>@foreach ($order->lines as $line)<tr><th scope="row">{{ $line->title }}</th><td>{{ $line->quantity }}</td><td>{{
                $back[$line->id] ?? 0 }}</td><td><input class="form-control form-control-sm units reckons" type="number" min="0"
                max="{{ $line->quantity }}" name="lines[{{ $line->id }}]" value="{{ $chosen->lines[$line->id] ?? '' }}" placeholder="0"
                aria-label="Units of {{ $line->title }}" @if ($loop->first) autofocus @endif></td></tr>@endforeach</tbody></table></div>
        <fieldset class="exchange-goods"><legend>In exchange</legend>
            @for ($row = 0; $row < 3; $row++)
                @php $sku = array_keys($chosenGoods)[$row] ?? ''; @endphp
                <div><select class="form-select form-select-sm reckons" name="goods[{{ $row }}][sku]"
                    aria-label="Product {{ $row + 1 }}"><option value="">—</option>@foreach ($products as $product)<option
                    value="{{ $product->sku }}" @selected($sku === $product->sku)>{{ $product->title }},
                    {{ $order->money($product->price) }}, {{ $product->stock > 0 ? "{$product->stock} in stock" : 'none in stock'
                    }}</option>@endforeach</select><input class="form-control form-control-sm units reckons" type="number" min="0" max="100"
                    name="goods[{{ $row }}][quantity]" value="{{ $sku === '' ? '' : $chosenGoods[$sku] }}" placeholder="0"
                    aria-label="Units of product {{ $row + 1 }}"></div>
            @endfor</fieldset>
        <div class="return-why"><div><label class="form-label" for="exchange-reason">Why</label><select class="form-select"
            id="exchange-reason" name="reason"><option value="">choose …</option>@foreach ($reasons as $one)<option
            @selected($reason === $one)>{{ $one }}</option>@endforeach</select></div>
            <label class="tick-line"><input class="form-check-input" type="checkbox" name="address_confirmed" value="1"
                @checked($confirmed)>
                <span>It goes to <b>{{ $order->buyer_name }}, {{ $order->address }}, {{ $order->country }}</b></span></label></div>
        @include('exchanges.reckoned')
    </form>
</main>
@endsection
