@extends('layouts.app')
@section('title', "Something comes back, {$order->number}")
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Something comes back · {{ $order->number }}</h1>
        @if ($conversation)<a class="btn btn-outline-secondary" href="{{ route('conversation', $conversation) }}">Back to
            {{ $conversation->number() }}</a>@endif
        <a class="btn btn-outline-secondary" href="{{ route('order', $order) }}">The order</a></div>
    @if ($problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    <form method="post" action="/orders/{{ $order->id }}/return" class="sheet pad return-form"
        hx-post="/orders/{{ $order->id }}/return/offer"
        hx-trigger="input delay:250ms from:.offers" hx-target="#offered" hx-swap="outerHTML settle:0ms" hx-sync="this:replace">
        @csrf
        <x-default-button/>
        @if ($conversation)<input type="hidden" name="conversation" value="{{ $conversation->id }}">@endif
        <input type="hidden" name="once" value="{{ $onceKey }}">
        <div class="wide-scroll"><table class="order-lines worksheet-lines">
            <caption class="visually-hidden">What comes back</caption>
            <thead><tr><th scope="col">Item</th><th scope="col">Bought</th><th scope="col">Can come</th><th
                scope="col">Comes back</th></tr></thead>
            <tbody>@foreach ($order->lines as $line)<tr><th scope="row">{{ $line->title }}</th><td>{{ $line->quantity }}</td><td>{{
                $left[$line->id] }}</td><td><input class="form-control form-control-sm units offers" type="number" min="0"
                max="{{ $left[$line->id] }}" name="lines[{{ $line->id }}]" value="{{ $units[$line->id] ?? '' }}" placeholder="0"
                aria-label="Units of {{ $line->title }} that come back, of {{ $left[$line->id] }}" @disabled($left[$line->id] < 1)
                @if ($loop->first) autofocus @endif></td></tr>@endforeach</tbody>
        </table></div>
        <div class="return-why">
            <div><label class="form-label" for="return-reason">Why it comes back</label><select class="form-select offers"
                id="return-reason"
                name="reason"><option value="">choose …</option>@foreach ($reasons as $one)<option value="{{ $one->id }}"
                @selected($reason?->id === $one->id)>{{ $one->name }}</option>@endforeach</select></div>
            <div><label class="form-label" for="return-note">What the customer says</label><input class="form-control" id="return-note"
                name="note" maxlength="500" value="{{ $note }}" autocomplete="off"></div>
        </div>
        @include('returns.offered')
        <div class="row-buttons">
            @if ($mayDecide)
                <button class="btn btn-primary" name="then" value="agree">Agree, with a label of ours</button>
                <button class="btn btn-outline-secondary" name="then" value="own">Agree, without a label</button>
            @endif
            <button @class(['btn', 'btn-outline-secondary' => $mayDecide, 'btn-primary' => ! $mayDecide]) name="then"
                value="asked">Only note it</button>
            <button class="btn btn-outline-secondary" name="then" value="here">It is here already</button>
        </div>
    </form>
    @if ($earlier->isNotEmpty())
        <section class="sheet pad below" aria-labelledby="earlier"><h2 id="earlier">Returns of it before</h2>
            <ul class="plain-list">@foreach ($earlier as $one)<li><a href="{{ route('return', $one) }}">{{ $one->number() }}</a>
                {{ mb_strtolower($one->reason->name) }}, {{ $time->short($one->asked_at) }}: {{ $one->state->label() }}</li>@endforeach</ul>
        </section>
    @endif
</main>
@endsection
