{{-- What it comes to: nothing to pay for the same again; for something else, what goes back or is to be paid. --}}
<div id="exchange-reckoned" class="reckoned" aria-live="polite">
    <input type="hidden" name="shown" value="{{ $difference }}">
    @if ($why !== null)
        <p class="field-problem" role="status">{{ $why }}</p>
    @elseif ($goods === null)
        <p class="soft" role="status">Choose what is sent.</p>
    @elseif ($how === 'again')
        <p class="goes-back"><b>Sent again</b> <span
            class="soft">{{ implode(', ', array_map(fn ($one) => "{$one['quantity']} × {$one['title']}",
            $goods->lines)) }}</span> <output>{{ $order->money(0) }}</output></p>
        <button class="btn btn-primary">Send it again</button>
    @else
        <p class="goes-back"><b>{{ $difference < 0 ? 'The customer pays' : 'Goes back' }}</b> <span class="soft">came back:
            {{ $order->money($sheet->total()) }} · new: {{ $order->money($goods->worth) }}</span>
            <output>{{ $order->money(abs($difference)) }}</output></p>
        @if ($sheet->explained !== [])<details class="came-about" open><summary>How each cent came about</summary><ul>
            @foreach ($sheet->explained as $sentence)<li>{{ $sentence }}</li>@endforeach
            @foreach ($goods->lines as $one)<li>New: {{ $one['quantity'] }} × {{ $one['title'] }} is
                {{ $order->money($one['price'] * $one['quantity']) }}.</li>@endforeach</ul></details>@endif
        @if ($sheet->quote !== null)<button class="btn btn-primary">{{ match (true) {
            $difference < 0 => "Exchange: {$order->money(-$difference)} to pay",
            $difference > 0 => "Exchange, and give back {$order->money($difference)}",
            default => 'Exchange',
        } }}</button>@else<p class="soft">Choose what comes back for it.</p>@endif
    @endif
</div>
