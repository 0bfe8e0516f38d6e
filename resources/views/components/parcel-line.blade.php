@props(['line'])
@php
    $stops = $line->stops;
    $step = 372 / max(1, count($stops) - 1);
    $stopped = $line->progress->stopped;
    $text = collect($stops)->filter(fn ($stop) => $stop['at'] !== null)
        ->map(fn ($stop) => $stop['label'].' '.$time->local($stop['at'])->format('j M'))
        ->implode(', ').($stopped ? ". No scan for {$line->progress->daysWithoutScan} days" : '');
@endphp
<svg class="parcel-line {{ $stopped ? 'parcel-stopped' : '' }}" viewBox="0 0 400 52" role="img" aria-label="{{ $text }}" focusable="false">
    @foreach ($stops as $index => $stop)
        @php $x = 14 + $index * $step; @endphp
        @if ($index > 0)
            <line x1="{{ $x - $step }}" y1="12" x2="{{ $x }}" y2="12"
                @class(['leg', 'leg-gone' => $index <= $line->reached, 'leg-stuck' => $stopped && $index === $line->reached + 1])/>
        @endif
    @endforeach
    @foreach ($stops as $index => $stop)
        @php
            $x = 14 + $index * $step;
            $anchor = $index === 0 ? 'start' : ($index === count($stops) - 1 ? 'end' : 'middle');
            $textX = $index === 0 ? 4 : ($index === count($stops) - 1 ? 398 : $x);
        @endphp
        <circle cx="{{ $x }}" cy="12" r="5" @class(['stop', 'stop-gone' => $index <= $line->reached])/>
        <text x="{{ $textX }}" y="33" text-anchor="{{ $anchor }}" @class(['stop-last' => $stop['last']])>{{ $stop['label'] }}</text>
        @if ($stop['at'] !== null)<text x="{{ $textX }}" y="47" text-anchor="{{ $anchor }}"
            class="stop-at">{{ $time->local($stop['at'])->format('j M') }}</text>@endif
    @endforeach
</svg>
