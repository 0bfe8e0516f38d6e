@props(['line'])
<svg class="parcel-line {{ $line->progress->stopped ? 'parcel-stopped' : '' }}" viewBox="0 0 400 52" role="img"
    aria-label="{{ $line->words($time) }}" focusable="false">
    @foreach ($line->stops as $index => $stop)
        @if ($index > 0)
            <line x1="{{ $line->stops[$index - 1]->x }}" y1="12" x2="{{ $stop->x }}" y2="12" @class([
                'leg', 'leg-gone' => $index <= $line->reached,
                'leg-stuck' => $line->progress->stopped && $index === $line->reached + 1,
            ])/>
        @endif
    @endforeach
    @foreach ($line->stops as $index => $stop)
        <circle cx="{{ $stop->x }}" cy="12" r="5" @class(['stop', 'stop-gone' => $index <= $line->reached])/>
        <text x="{{ $stop->textX }}" y="33" text-anchor="{{ $stop->anchor }}"
            @class(['stop-last' => $stop->isLast])>{{ $stop->label }}</text>
        @if ($stop->at !== null)<text x="{{ $stop->textX }}" y="47" text-anchor="{{ $stop->anchor }}"
            class="stop-at">{{ $time->local($stop->at)->format('j M') }}</text>@endif
    @endforeach
</svg>
