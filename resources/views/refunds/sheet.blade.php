@extends('layouts.app')
@use('Illuminate\Support\Str')
@section('title', "Give money back, {$order->number}")
@section('content')
<main id="content" class="page worksheet-page">
    <div class="page-head"><h1>Give money back · {{ $order->number }}</h1>
        @if ($sheet->return)<a class="btn btn-outline-secondary" href="{{ route('return', $sheet->return) }}">Return
            {{ $sheet->return->number() }}</a>@endif
        @if ($conversation)<a class="btn btn-outline-secondary" href="{{ route('conversation', $conversation) }}">Back to
            {{ $conversation->number() }}</a>@endif
        <a class="btn btn-outline-secondary" href="{{ route('order', $order) }}">The order</a></div>
    @if ($problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    <div @class(['worksheet-beside' => $said->isNotEmpty()])>
        @if ($said->isNotEmpty())
            <section class="worksheet-said" aria-label="What was said last">
                @foreach ($said as $message)
                    <div class="said said-{{ $message->isIncoming() ? 'customer' : 'us' }}"><p><b>{{ $message->isIncoming() ?
                        $message->from_name : ($message->teammate?->name ?? 'We') }}</b> <span class="soft">{{
                            $time->short($message->received_at) }}</span></p>
                        <p>{{ Str::limit(Str::squish((string) $message->text), 400) }}</p></div>
                @endforeach
            </section>
        @endif
        <form method="post" action="/orders/{{ $order->id }}/refund" class="sheet pad worksheet" id="worksheet"
            hx-post="/orders/{{ $order->id }}/refund/reckon" hx-trigger="load, input delay:250ms from:.reckons" hx-target="#reckoned"
            hx-swap="outerHTML settle:0ms" hx-sync="this:replace">
            @csrf
            <x-default-button/>
            @if ($conversation)<input type="hidden" name="conversation" value="{{ $conversation->id }}">@endif
            @if ($sheet->return)<input type="hidden" name="return" value="{{ $sheet->return->id }}">@endif
            <input type="hidden" name="once" value="{{ $onceKey }}">
            <div class="wide-scroll"><table class="order-lines worksheet-lines">
                <caption class="visually-hidden">What goes back, in {{ $order->currency }}</caption>
                <thead><tr><th scope="col">Item</th><th scope="col">Bought</th><th scope="col">Back</th><th scope="col">Now</th><th
                    scope="col">Net</th><th scope="col">Tax</th><th scope="col">Gross</th>@if ($sheet->return)<th
                        scope="col">Taken off</th>@endif
                    </tr></thead>
                <tbody>
                    @foreach ($order->lines as $line)
                        @php $left = $line->quantity - ($back[$line->id] ?? 0); @endphp
                        <tr>
                            <th scope="row">{{ $line->title }}</th>
                            <td>{{ $line->quantity }}</td>
                            <td>{{ $back[$line->id] ?? 0 }}</td>
                            <td><input class="form-control form-control-sm units reckons" type="number" min="0" max="{{ $left }}"
                                name="lines[{{ $line->id }}]" value="{{ $chosen->lines[$line->id] ?? '' }}" placeholder="0"
                                aria-label="Units of {{ $line->title }} that go back now, of {{ $left }}" @disabled($left < 1)
                                @if ($loop->first) autofocus @endif></td>
                            @include('refunds.amounts', ['of' => "line-{$line->id}", 'amount' => $quoted[$line->id] ?? null])
                            @if ($sheet->return)<td><span id="line-{{ $line->id }}-off">@include('refunds.off')</span></td>@endif
                        </tr>
                    @endforeach
                    <tr>
                        <th scope="row">{{ $order->shipping_title !== '' ? $order->shipping_title : 'Delivery' }}
                            <span class="worksheet-delivery">@foreach ($chosen::DELIVERY as $way)<label><input type="radio"
                                class="form-check-input reckons" name="delivery" value="{{ $way }}"
                                @checked($chosen->delivery === $way)> {{ $way }}</label>@endforeach
                                <input class="form-control form-control-sm units reckons" name="delivery_amount" inputmode="decimal"
                                value="{{ $chosen->deliveryAmount }}" aria-label="Amount of the delivery" placeholder="0.00"
                                maxlength="40"></span></th>
                        <td>{{ $order->money($order->shipping_amount) }}</td><td></td><td></td>
                        @include('refunds.amounts', ['of' => 'delivery', 'amount' => $sheet->quote?->delivery])
                        @if ($sheet->return)<td></td>@endif
                    </tr>
                </tbody>
            </table></div>
            <div class="worksheet-more">
                @foreach (['fee' => 'Fee that is kept', 'label' => 'Label the customer pays', 'goodwill' => 'Goodwill'] as $name =>
                    $label)
                    <div><label class="form-label" for="sheet-{{ $name }}">{{ $label }}</label><input
                        class="form-control form-control-sm reckons" id="sheet-{{ $name }}" name="{{ $name }}" maxlength="40"
                        value="{{ $chosen->{$name} }}" placeholder="{{ $name === 'label' ? '0.00' : '5.00 or 10 %' }}"
                        inputmode="decimal" autocomplete="off"></div>
                @endforeach
                <div><label class="form-label" for="sheet-payments">To</label><select
                    class="form-select form-select-sm reckons" id="sheet-payments" name="payments">
                    @if ($order->payments->count() > 1)
                        <option value="in_order">the first payment before the next</option>
                        <option value="proportional" @selected($chosen->inProportion)>each payment its share</option>
                    @else
                        <option value="in_order">{{ $order->payments->first()?->label ?? 'the payment' }}</option>
                    @endif
                    <option value="credit" @selected($chosen->asCredit)>store credit</option></select></div>
                <div><label class="form-label" for="sheet-reason">Reason</label><select class="form-select form-select-sm"
                    id="sheet-reason" name="reason"><option value="">choose …</option>@foreach ($reasons as $one)<option
                    @selected($reason === $one)>{{ $one }}</option>@endforeach</select></div>
            </div>
            @if ($conversation)
                <div class="worksheet-told"><div><label class="form-label" for="sheet-template">Tell the customer with</label><select
                    class="form-select form-select-sm" id="sheet-template" name="template"><option value="">not from here</option>
                    @foreach ($templates as $id => $name)<option value="{{ $id }}" @selected($template === $id)>{{ $name }}</option>
                    @endforeach</select></div>
                    @foreach (['done' => 'when the money is through, with the credit note', 'asked' => 'now'] as $value => $label)<label
                        class="tick-line"><input type="radio" class="form-check-input" name="tell_when" value="{{ $value }}"
                        @checked($tellWhen === $value)> {{ $label }}</label>@endforeach</div>
            @endif
            <p><a href="?everything=1{{ $conversation ? "&conversation={$conversation->id}" : '' }}">All that is left</a></p>
            @include('refunds.reckoned')
        </form>
    </div>
    @if ($earlier->isNotEmpty())
        <section class="sheet pad below" aria-labelledby="earlier"><h2 id="earlier">Given back of it before</h2>
            <ul class="plain-list">@foreach ($earlier as $one)<li><a href="/refunds/{{ $one->id }}">{{ $order->money($one->total) }}</a>
                {{ $one->reason }}, {{ $time->short($one->asked_at) }}: {{ $one->state->label() }}</li>@endforeach</ul></section>
    @endif
</main>
@endsection
