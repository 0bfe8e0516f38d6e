@extends('layouts.app')
@section('title', 'Given back')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>Given back</h1>
        <a class="btn btn-outline-secondary" href="/orders">Orders</a>
        <a class="btn btn-outline-secondary" href="/approvals">Waiting for a yes</a>
        @can('arrange')<a class="btn btn-outline-secondary" href="/refunds/spending">What it cost</a>@endcan
        @if ($mayGive)<form method="post" action="/refunds/compare">@csrf<button class="btn btn-outline-secondary">Compare with the
            provider’s book</button></form>@endif</div>
    @if ($report !== null)
        @if ($report['problem'] !== null)
            <p class="field-problem" role="status">{{ $time->short(now()->parse($report['at'])) }} it could not be compared with the
                provider’s book: {{ $report['problem'] }}</p>
        @elseif ($report['differences'] === [])
            <p class="soft" role="status">Compared with the provider’s book {{ $time->short(now()->parse($report['at'])) }}:
                {{ $report['looked'] }} of the last {{ $report['days'] }} days, and the two agree.</p>
        @else
            <div class="field-problem" role="status"><p>Compared with the provider’s book
                {{ $time->short(now()->parse($report['at'])) }}, the two do not agree:</p>
                <ul>@foreach ($report['differences'] as $one)<li><a href="/refunds/{{ $one['refund'] }}">Refund
                    {{ $one['refund'] }}</a>: {{ $one['what'] }}@if ($mayGive && isset($one['payout']))<form method="post"
                    action="/refunds/differences/{{ $one['payout'] }}" class="inline-form">@csrf<label class="visually-hidden"
                    for="note-{{ $one['payout'] }}">Why it is right</label><input class="form-control form-control-sm"
                    id="note-{{ $one['payout'] }}" name="note" maxlength="300" placeholder="Why it is right as it is"><button
                    class="btn btn-sm btn-outline-secondary" name="do" value="right">It is right</button><button
                    class="btn btn-sm btn-outline-secondary" name="do" value="never_left">It never left</button></form>@endif</li>
                    @endforeach</ul></div>
        @endif
    @endif
    @if ($stuck->isNotEmpty())
        <section class="sheet pad" aria-labelledby="stuck"><h2 id="stuck">Stuck</h2><ul class="plain-list">@foreach ($stuck as $one)<li><a
            href="/refunds/{{ $one->id }}">{{ $one->order->money($one->total) }} of {{ $one->order->number }}</a>
            {{ $one->reason }}, {{ $time->short($one->asked_at) }}</li>@endforeach</ul></section>
    @endif
    @if ($refunds->isEmpty())
        <div class="empty"><x-cairn/><p>Nothing has been given back from here yet.</p></div>
    @else
        <div class="wide-scroll" tabindex="0" role="region" aria-label="What was given back"><table class="table sheet">
            <thead><tr><th scope="col">When</th><th scope="col">Order</th><th scope="col">Why</th><th scope="col">By</th><th
                scope="col" class="number">Amount</th><th scope="col">State</th></tr></thead>
            <tbody>@foreach ($refunds as $refund)<tr><td>{{ $time->short($refund->asked_at) }}</td><td><a
                href="{{ route('order', $refund->order) }}">{{ $refund->order->number }}</a></td><td>{{ $refund->reason }}</td><td>{{
                    $refund->teammate?->firstName() ?? '—' }}</td><td class="number"><a href="/refunds/{{ $refund->id }}">{{
                        $refund->order->money($refund->goesBack()) }}</a></td><td>{{ $refund->state->label() }}</td></tr>@endforeach</tbody>
        </table></div>
        {{ $refunds->links() }}
    @endif
</main>
@endsection
