@extends('layouts.app')
@use('App\Refunds\PayoutState')
@use('App\Refunds\RefundState')
@use('Illuminate\Support\Facades\Gate')
@section('title', "Given back, {$order->number}")
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>{{ $order->money($refund->goesBack()) }} of {{ $order->number }}: {{ $refund->state->label() }}</h1>
        @if ($conversation)<a class="btn btn-outline-secondary" href="{{ route('conversation', $conversation) }}">Back to
            {{ $conversation->number() }}</a>@endif
        <a class="btn btn-outline-secondary" href="{{ route('order', $order) }}">The order</a></div>
    <section class="sheet pad" aria-label="What went back">
        <p class="soft">{{ $refund->reason }} · by {{ $refund->teammate?->name ?? 'somebody who has left' }},
            {{ $time->full($refund->asked_at) }}</p>
        <table class="order-lines worksheet-lines"><caption class="visually-hidden">What goes back, in {{ $refund->currency }}</caption>
            <thead><tr><th scope="col">Item</th><th scope="col">Units</th><th scope="col">Net</th><th scope="col">Tax</th><th
                scope="col">Gross</th></tr></thead>
            <tbody>
                @foreach ($refund->lines as $line)<tr><th scope="row">{{ $line->orderLine->title }}</th><td>{{ $line->quantity }}</td>
                    <td>{{ $order->money($line->net) }}</td><td>{{ $order->money($line->tax) }}</td><td>{{
                        $order->money($line->gross) }}</td></tr>@endforeach
                @if ($refund->delivery_gross > 0)<tr><th scope="row">{{ $order->shipping_title ?: 'Delivery' }}</th><td></td>
                    <td>{{ $order->money($refund->delivery_net) }}</td><td>{{ $order->money($refund->delivery_tax) }}</td><td>{{
                        $order->money($refund->delivery_gross) }}</td></tr>@endif
                @foreach (['deduction' => ['Taken off at the inspection', -1], 'fee' => ['Fee', -1], 'label' => ['Label', -1],
                    'goodwill' => ['Goodwill', 1]] as $key => [$name, $sign])
                    @if ($refund->{$key} > 0)<tr><th scope="row">{{ $name }}</th><td colspan="3"></td><td>{{
                        $order->money($sign * $refund->{$key}) }}</td></tr>@endif
                @endforeach
            </tbody>
            <tfoot>@if ($refund->kept > 0)<tr><th scope="row" colspan="4">Pays for what is sent in exchange</th><td>{{
                $order->money(-$refund->kept) }}</td></tr>@endif
                <tr><th scope="row" colspan="4">Goes back</th><td>{{ $order->money($refund->goesBack()) }}</td></tr></tfoot>
        </table>
        <details class="came-about" open><summary>How each cent came about</summary><ul>@foreach ($refund->explained as $sentence)<li>{{
            $sentence }}</li>@endforeach</ul></details>
    </section>
    @if ($refund->tell_when !== null)
        <p @class(['field-problem' => $refund->tell_why !== null])>{{ match (true) {
            $refund->told_at !== null => "The customer was told {$time->short($refund->told_at)}.",
            $refund->tell_why !== null => "The customer was not told: {$refund->tell_why}. Answer them in the conversation.",
            $refund->tell_when === 'done' => 'The customer is told when the money is through.',
            default => 'The customer is being told.',
        } }}</p>
    @endif
    @if ($refund->creditNotes->isNotEmpty())
        <section class="sheet pad" aria-labelledby="notes"><h2 id="notes">Credit note</h2>
            <ul class="plain-list">@foreach ($refund->creditNotes as $note)<li>@if ($note->file)<a href="/credit-notes/{{ $note->id }}">{{
                $note->title() }}</a>@else{{ $note->title() }}@endif {{ $time->short($note->issued_at) }}{{ $note->corrects === null ? '' :
                    ($note->takes_back ? ", takes {$note->corrects->title()} back" : ", in place of {$note->corrects->title()}") }}{{
                    $note->file === null ? ', is being made' : '' }}</li>@endforeach</ul>
            @if (Gate::allows('give-back'))
                @php $last = $refund->creditNotes->where('takes_back', false)->last(); @endphp
                <details><summary>It names the wrong person or address</summary><form method="post"
                    action="/credit-notes/{{ $last->id }}/correct" class="bench-step">@csrf<label class="form-label"
                    for="note-name">Name</label><input class="form-control" id="note-name" name="name" maxlength="200"
                    value="{{ old('name', $last->content['to']['name']) }}"><label class="form-label"
                    for="note-address">Address</label><input class="form-control" id="note-address" name="address" maxlength="500"
                    value="{{ old('address', $last->content['to']['address']) }}"><button
                        class="btn btn-outline-secondary">Take it back, and
                    issue it anew</button></form></details>
            @endif
        </section>
    @endif
    <section class="sheet pad" aria-labelledby="payouts"><h2 id="payouts">To the payments</h2>
        <ul class="plain-list">@foreach ($refund->payouts as $payout)<li><b>{{ $payout->to() }}</b>
            {{ $order->money($payout->amount) }}: {{ $payout->state->label() }}@if ($payout->ended_at !== null),
            {{ $time->short($payout->ended_at) }}@endif{{ $payout->bonus > 0 ? ', with '.$order->money($payout->bonus).' added' : '' }}{{
                $payout->why === null ? '' : '.' }}
            @if ($payout->why !== null)<span @class(['soft' =>
                $payout->state !== PayoutState::Failed])>{{ $payout->why }}</span>@endif</li>@endforeach</ul>
        @if ($refund->hasNotLeft() && Gate::allows('give-back'))
            <form method="post" action="/refunds/{{ $refund->id }}/withdraw">@csrf<button class="btn btn-outline-secondary">Take it
                back</button> <span class="soft">It leaves {{ $time->short($refund->payouts->first()->next_at) }}.</span></form>
        @endif
        @if ($refund->state === RefundState::Stuck && Gate::allows('give-back'))
            @php $proposed = $refund->payouts->where('state', PayoutState::Failed)->first(fn ($one) => $one->other_way !== null); @endphp
            @if ($proposed !== null)
                <p>Proposed: <b>{{ $proposed->other_way }}</b>. It counts once a second person agrees.</p>
                @if ($proposed->proposed_by !== auth()->id())<form method="post"
                    action="/refunds/{{ $refund->id }}/other-way/agree">@csrf<button class="btn btn-primary">Agree: it is paid like
                    that</button></form>@endif
            @endif
            <details class="other-way"
                @if (session('problem_code') === 'no_other_way') open @endif><summary>It is paid in another way</summary>
                <form method="post" action="/refunds/{{ $refund->id }}/other-way" class="bench-step">@csrf<label class="form-label"
                    for="other-way">How</label><input class="form-control" id="other-way" name="how" maxlength="200"
                        value="{{ old('how') }}"
                    placeholder="by bank transfer, as they asked by telephone"><button class="btn btn-outline-secondary">Ask for a second
                    person’s yes</button></form></details>
            <div class="row-buttons"><form method="post" action="/refunds/{{ $refund->id }}/again">@csrf<button
                class="btn btn-outline-secondary">Try it again</button></form>
                <form method="post" action="/refunds/{{ $refund->id }}/as-credit">@csrf<button
                    class="btn btn-outline-secondary">Give it as store
                    credit</button></form>
                @if (! $refund->payouts->contains('state', PayoutState::Done))<form method="post"
                    action="/refunds/{{ $refund->id }}/withdraw">@csrf<button class="btn btn-outline-secondary">Withdraw it</button>
                    </form> <span class="soft">Withdrawn, its lines can be given back by another worksheet.</span>@endif</div>
        @endif
    </section>
</main>
@endsection
