{{-- What comes of the worksheet; the figures of each line go along to their places. --}}
<div id="reckoned" class="reckoned" aria-live="polite">
    <input type="hidden" name="shown" value="{{ $sheet->total() }}">
    <p class="goes-back"><b>Goes back</b>
        <span class="soft">paid {{ $order->money($order->captured()) }} · left afterwards
            {{ $order->money($sheet->money->left() - $sheet->total()) }}</span>
        <output>{{ $order->money($sheet->total()) }}</output></p>
    {{ $bar }}
    <ul class="split-parts">@foreach ($parts as [$class, $name, $amount])<li class="split-of-{{ $class }}"><b>{{ $name }}</b>
        {{ $amount }}</li>@endforeach</ul>
    @if ($sheet->why !== null)
        <p @class(['field-problem' => $sheet->why->reason !== 'nothing_to_refund', 'soft' => $sheet->why->reason === 'nothing_to_refund'])
            role="status">{{ $sheet->why->reason === 'nothing_to_refund' ? 'Choose what goes back.' : $sheet->why->getMessage() }}</p>
    @else
        @if ($sheet->bonus() > 0)<p><b>{{ $order->money($sheet->total() + $sheet->bonus()) }} as store credit</b>, with
            {{ $order->money($sheet->bonus()) }} added by the policy.</p>@endif
        <details class="came-about" open><summary>How each cent came about</summary><ul>@foreach ($sheet->explained as $sentence)<li>{{
            $sentence }}</li>@endforeach</ul></details>
        @if ($above === null)
            <button class="btn btn-primary">Give back {{ $order->money($sheet->total()) }}</button>
        @else
            @if ($conversation)<p class="worksheet-told"><label class="form-label" for="sheet-meanwhile">Until there is an answer, tell the
                customer with</label><select class="form-select form-select-sm" id="sheet-meanwhile" name="meanwhile"><option
                value="">nothing</option>@foreach ($templates as $id => $name)<option value="{{ $id }}"
                @selected($meanwhile === $id)>{{ $name }}</option>@endforeach</select></p>@endif
            <button class="btn btn-primary" formaction="/orders/{{ $order->id }}/refund/ask">Ask to give back
                {{ $order->money($sheet->total()) }}</button>
            <span class="soft">{{ ucfirst($above) }}.{{ $conversation ? ' It is held until then.' : '' }}</span>
        @endif
    @endif
</div>
@if ($oob)
    @foreach ($order->lines as $line)
        @foreach (['net', 'tax', 'gross'] as $part)<span id="line-{{ $line->id }}-{{ $part }}" hx-swap-oob="true">{{
            isset($quoted[$line->id]) ? $quoted[$line->id]->{$part}->toDecimal() : '—' }}</span>@endforeach
        @if ($sheet->return)<span id="line-{{ $line->id }}-off" hx-swap-oob="true">@include('refunds.off')</span>@endif
    @endforeach
    @foreach (['net', 'tax', 'gross'] as $part)<span id="delivery-{{ $part }}" hx-swap-oob="true">{{
        $sheet->quote?->delivery->{$part}->toDecimal() ?? '—' }}</span>@endforeach
@endif
