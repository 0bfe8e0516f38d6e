@extends('layouts.app')
@use('App\Returns\BenchTab')
@use('App\Returns\FlowDrawing')
@use('App\Returns\FlowOfReturns')
@use('App\Returns\FlowPart')
@use('App\Support\RefusedInput')
@section('title', $return === null ? 'Returns' : $return->number())
@section('content')
<main id="content" class="page bench">
    <h1 class="visually-hidden">Returns</h1>
    <div class="bench-head">
        <nav class="bench-tabs" aria-label="What is to be done">@foreach (BenchTab::cases() as $one)<a href="/returns?tab={{ $one->value }}"
            @if ($one === $tab && $part === null) aria-current="page" @endif>{{ $one->label() }} @isset ($counts[$one->value])<b>{{
                $counts[$one->value] }}</b>@endisset</a>@endforeach</nav>
        <form method="post" action="/returns/scan" class="bench-scan">@csrf<label class="visually-hidden" for="bench-code">Scan or type the
            code of a label, the number of a return or an order</label><input class="form-control" id="bench-code" name="code"
            data-key="l" maxlength="200" placeholder="Scan or type a label" autocomplete="off" spellcheck="false" required
            value="{{ RefusedInput::in('/returns/scan')->value('code') }}"
            @if ($return === null) autofocus @endif><kbd>L</kbd></form>
    </div>
    <div @class(['bench-beside' => $return !== null])>
        <div class="bench-main">
            @if ($part !== null)<p
                class="soft">{{ $part->label() }}, of those asked for in the last {{ FlowOfReturns::DAYS }} days.</p>@endif
            @if ($returns->isEmpty())
                <div
                    class="empty sheet"><x-cairn/><p>{{
                        $tab === BenchTab::All ? 'Nothing has come back yet.' : 'Nothing waits here.' }}</p></div>
            @else
                <div class="wide-scroll" tabindex="0" role="region" aria-label="Returns"><table class="table sheet bench-list">
                    <thead><tr><th scope="col">Return</th><th scope="col">Customer</th><th scope="col">What</th><th scope="col">Why</th><th
                        scope="col">Where it stands</th><th scope="col">May come until</th><th scope="col"
                            class="number">Next</th></tr></thead>
                    <tbody>@foreach ($returns as $one)
                        <tr @class(['bench-here' => $one->id === $return?->id])>
                            <td><a class="row-link" href="/returns/{{ $one->id }}?tab={{ $tab->value }}"
                                @if ($one->id === $return?->id) aria-current="true" @endif><b>{{ $one->number() }}</b></a><small>{{
                                    $one->order->number }}</small></td>
                            <td>{{ $one->customer?->name ?? $one->order->buyer_name }}</td>
                            <td>{{ Str::limit($one->what(), 60) }}</td>
                            <td>{{ mb_strtolower($one->reason->name) }}</td>
                            <td @class(['late' => $one->isStuck() || $one->label_why !== null])>@include('returns.stands')</td>
                            <td>{{ $one->mayComeUntil() }}</td>
                            <td class="number">@include('returns.next')</td>
                        </tr>
                    @endforeach</tbody>
                </table></div>
                {{ $returns->links() }}
            @endif
            <section class="bench-flow" aria-labelledby="flow-title">
                <div class="bench-flow-head"><h2 id="flow-title">The last {{ FlowOfReturns::DAYS }} days</h2>
                    <form method="get" action="/returns" class="inline-form"><input type="hidden" name="tab"
                        value="{{ $tab->value }}"><label
                        class="visually-hidden" for="flow-reason">Of which reason</label><select class="form-select form-select-sm"
                        id="flow-reason" name="reason"><option value="">all reasons</option>@foreach ($reasons as $one)<option
                        value="{{ $one->id }}" @selected($reason === $one->id)>{{ $one->name }}</option>@endforeach</select><button
                        class="btn btn-sm btn-outline-secondary">Show</button></form></div>
                <div class="sheet pad">
                    {{ FlowDrawing::of($flow) }}
                    <p class="flow-settled">@foreach ($flow->settled as [$as, $count, $money])<span><b>{{ $as->label() }}</b> {{ $count }}{{
                        $money === '' ? '' : " · {$money}" }}</span>@endforeach</p>
                    <p class="flow-parts">@foreach (FlowPart::cases() as $one)@continue($flow->count($one) === 0)<a
                        href="/returns?part={{ $one->value }}{{ $reason === null ? '' : "&reason={$reason}" }}"
                        @if ($one === $part) aria-current="page" @endif>{{ mb_strtolower($one->label()) }} {{ $flow->count($one) }}</a>
                        @endforeach</p>
                </div>
            </section>
        </div>
        @if ($return !== null)@include('returns.one')@endif
    </div>
</main>
@endsection
