{{-- A credit note on paper: made into a PDF, never shown in a browser. --}}
<!DOCTYPE html>
<html lang="{{ $words->language }}">
<head>
    <meta charset="utf-8">
    <style>
        body { font-family: "DejaVu Sans"; font-size: 9.5pt; color: #22302f; margin: 18mm 12mm; }
        h1 { font-size: 17pt; margin: 14mm 0 3mm; }
        p { margin: 0 0 1.5mm; line-height: 1.45; }
        .head { width: 100%; } .head td { vertical-align: top; } .right { text-align: right; }
        table.sums { width: 100%; border-collapse: collapse; margin-top: 7mm; }
        .sums th { text-align: left; border-bottom: 1px solid #22302f; padding: 1.5mm 2mm; font-size: 8.5pt; }
        .sums td { border-bottom: 1px solid #d9d5c7; padding: 1.7mm 2mm; } .sums .right { text-align: right; white-space: nowrap; }
        .sums .total td { border-top: 1px solid #22302f; border-bottom: 0; font-weight: bold; font-size: 11pt; }
        .soft { color: #5d6a66; }
    </style>
</head>
<body>
    <table class="head"><tr>
        <td>{{ $words->to }}<br><b>{{ $content['to']['name'] }}</b><br>{{ $content['to']['address'] }}<br>{{
            $shown->country($content['to']['country']) }}</td>
        <td class="right"><b>{{ $content['store']['name'] }}</b><br>@foreach (explode("\n", $content['store']['imprint']) as $line){{
            $line }}<br>@endforeach{{ $content['store']['imprint'] === '' ? $shown->country($content['store']['country']) : '' }}</td>
    </tr></table>
    <h1>{{ $words->title }} {{ $note->title() }}</h1>
    @if ($note->corrects)<p>{{ $note->takes_back ? $words->correctionOf : $words->inPlaceOf }} {{ $note->corrects->title() }}</p>@endif
    <p>{{ $words->date }}: {{ $shown->day($note->issued_at) }}<br>
        {{ $words->order }} {{ $content['order']['number'] }}, {{ $words->of }} {{ $shown->day($content['order']['placed_on']) }}</p>
    <table class="sums">
        <tr><th>{{ $words->item }}</th><th class="right">{{ $words->quantity }}</th><th class="right">{{ $words->net }}</th><th
            class="right">{{ $words->tax }}</th><th class="right">{{ $words->amount }}</th></tr>
        @foreach ($content['lines'] as $line)
            <tr><td>{{ $line['title'] }}</td><td class="right">{{ $line['quantity'] }}</td><td class="right">{{ $shown->money($line['net'])
                }}</td><td class="right">{{ $shown->money($line['tax']) }}</td><td
                    class="right">{{ $shown->money($line['gross']) }}</td></tr>
        @endforeach
        @if ($content['delivery'] !== null)
            <tr><td>{{ $words->delivery }}</td><td></td><td class="right">{{ $shown->money($content['delivery']['net']) }}</td><td
                class="right">{{ $shown->money($content['delivery']['tax']) }}</td><td class="right">{{
                    $shown->money($content['delivery']['gross']) }}</td></tr>
        @endif
        @foreach (['deduction' => -1, 'fee' => -1, 'label' => -1, 'goodwill' => 1] as $key => $sign)
            @if ($content[$key] !== 0)<tr><td colspan="4">{{ $words->{$key} }}</td><td class="right">{{
                $shown->money($sign * $content[$key]) }}</td></tr>@endif
        @endforeach
        <tr class="total"><td colspan="4">{{ $words->total }}</td><td class="right">{{ $shown->money($content['total']) }}</td></tr>
    </table>
    <table class="sums">
        <tr><th>{{ $words->rate }}</th><th class="right">{{ $words->net }}</th><th class="right">{{ $words->tax }}</th><th
            class="right">{{ $words->amount }}</th></tr>
        @foreach ($content['rates'] as $rate)
            <tr><td>{{ $shown->rate($rate['rate']) }}</td><td class="right">{{ $shown->money($rate['net']) }}</td><td class="right">{{
                $shown->money($rate['tax']) }}</td><td class="right">{{ $shown->money($rate['gross']) }}</td></tr>
        @endforeach
    </table>
    @foreach ($content['payments'] as $payment)<p class="soft" style="margin-top: 6mm">{{ $words->goesBackTo }} {{ $payment['label'] }}:
        {{ $shown->money($payment['amount']) }}</p>@endforeach
</body>
</html>
