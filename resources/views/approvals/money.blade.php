@extends('layouts.app')
@use('App\Approvals\ApprovalState')
@use('Illuminate\Support\Str')
@section('title', $approval->question)
@section('content')
<main id="content" class="page worksheet-page">
    <div class="page-head"><h1>{{ $approval->question }}</h1>
        @if ($conversation)<a class="btn btn-outline-secondary" href="{{ route('conversation', $conversation) }}">{{ $conversation->number()
            }}</a>@endif
        <a class="btn btn-outline-secondary" href="{{ route('order', $order) }}">The order</a></div>
    <div class="worksheet-beside">
        <section class="worksheet-said" aria-label="What is known">
            @foreach ($said as $message)
                <div class="said said-{{ $message->isIncoming() ? 'customer' : 'us' }}"><p><b>{{ $message->isIncoming() ?
                    $message->from_name : ($message->teammate?->name ?? 'We') }}</b> <span class="soft">{{
                        $time->short($message->received_at) }}</span></p>
                    <p class="plain-text">{{ Str::limit(trim((string) $message->text), 4000) }}</p></div>
            @endforeach
            <div class="sheet pad"><h2>{{ $order->buyer_name }}</h2>
                <p>{{
                    trans_choice('{0} No order|{1} One order|[2,*] :count orders', $history['orders'], ['count' => $history['orders']]) }},
                    {{ trans_choice('{0} no return|{1} one return|[2,*] :count returns', $history['returns'],
                        ['count' => $history['returns']]) }}.</p>
                @if ($history['refunds']->isEmpty())<p class="soft">Nothing has been given back to them before.</p>@else
                    <ul class="plain-list">@foreach ($history['refunds'] as $one)<li><a href="/refunds/{{ $one->id }}">{{
                        $one->order->money($one->total) }}</a> {{ mb_strtolower($one->reason) }}, {{ $time->short($one->asked_at) }}</li>
                        @endforeach</ul>@endif</div>
        </section>
        <section class="sheet pad" aria-label="The worksheet">
            <p class="soft">Asked by {{ $approval->askedBy?->name ?? 'somebody who has left' }} {{ $time->short($approval->asked_at) }}.
                @foreach ($approval->given ?? [] as $yes){{ $yes['name'] }} has said yes {{ $time->short(now()->parse($yes['at'])) }}.
                @endforeach</p>
            @if ($isChanged)<p class="field-problem" role="status">The order has changed since: {{ $sheet->why?->getMessage() ??
                "{$order->money($sheet->total())} would go back now" }}. It has to be asked for anew.</p>@endif
            <table class="order-lines worksheet-lines"><caption class="visually-hidden">What goes back, in {{ $order->currency }}</caption>
                <thead><tr><th scope="col">Item</th><th scope="col">Units</th><th scope="col">Gross</th></tr></thead><tbody>
                @foreach ($sheet->quote->lines ?? [] as $line)<tr><th scope="row">{{ $order->lines->find((int) $line->line)?->title }}</th>
                    <td>{{ $line->quantity }}</td><td>{{ $order->money($line->amount->gross->units->toInt()) }}</td></tr>@endforeach
                @if ($sheet->quote !== null)
                    @foreach (['Delivery' => $sheet->quote->delivery->gross->units->toInt(),
                        'Goodwill' => $sheet->quote->goodwill->units->toInt(),
                        'Fee and what was taken off' => -$sheet->quote->fee->units->toInt(),
                        'Label' => -$sheet->quote->label->units->toInt()] as $name => $units)
                        @if ($units !== 0)<tr><th scope="row" colspan="2">{{ $name }}</th><td>{{ $order->money($units) }}</td></tr>@endif
                    @endforeach
                @endif</tbody>
                <tfoot><tr><th scope="row"
                    colspan="2">Goes back</th><td>{{ $order->money((int) $approval->amount) }}</td></tr></tfoot></table>
            <details class="came-about" open><summary>How each cent came about</summary><ul>@foreach ($sheet->explained as $sentence)<li>{{
                $sentence }}</li>@endforeach</ul></details>
            @if ($approval->state !== ApprovalState::Asked)
                <p><b>{{ ucfirst($approval->state->value) }}</b>{{ $approval->answer === '' ? '.' : ": {$approval->answer}" }}
                    @if ($approval->refund_id)<a href="/refunds/{{ $approval->refund_id }}">The refund</a>@endif</p>
            @elseif ($mayAnswer)
                <form method="post" action="/approvals/{{ $approval->id }}">@csrf<x-default-button/>
                    <label class="form-label" for="approval-answer">What to go by; needed for a no</label><input class="form-control"
                        id="approval-answer" name="answer" maxlength="500" value="{{ old('answer') }}" data-key="d">
                    <div class="row-buttons below">@unless ($isChanged)<button class="btn btn-primary" name="do" value="give"
                        data-key="a">Approve {{ $order->money((int) $approval->amount) }} <kbd>A</kbd></button>@endunless
                        <button class="btn btn-outline-secondary" name="do" value="decline">Decline <kbd>D</kbd></button></div></form>
            @else
                <p class="soft">It waits for the yes of {{ $waitsFor === '' ? 'somebody else' : $waitsFor }}.</p>
                @if ($mayWithdraw)<form method="post" action="/approvals/{{ $approval->id }}">@csrf<button
                    class="btn btn-outline-secondary" name="do" value="withdraw">Withdraw it</button></form>@endif
            @endif
        </section>
    </div>
</main>
@endsection
