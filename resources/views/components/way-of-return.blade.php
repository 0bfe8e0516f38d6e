@props(['way'])
<svg class="parcel-line way-of-return {{ $way->isStuck ? 'parcel-stopped' : '' }}" viewBox="0 0 400 52" role="img"
    aria-label="{{ $way->words($time) }}" focusable="false">
    @foreach ($way->stops as $index => [$name, $at, $x])
        @if ($index > 0)
            <line x1="{{ $way->stops[$index - 1][2] }}" y1="12" x2="{{ $x }}" y2="12" @class([
                'leg', 'leg-gone' => $index <= $way->reached, 'leg-stuck' => $way->isStuck && $index === $way->reached + 1,
            ])/>
        @endif
    @endforeach
    @foreach ($way->stops as $index => [$name, $at, $x])
        <circle cx="{{ $x }}" cy="12" r="5" @class(['stop', 'stop-gone' => $at !== null])/>
        <text x="{{ $x }}" y="33" text-anchor="middle" @class(['stop-last' => $index === $way->reached])>{{ $name }}</text>
        @if ($at !== null)<text x="{{ $x }}" y="47" text-anchor="middle" class="stop-at">{{ $time->local($at)->format('j M') }}</text>@endif
    @endforeach
</svg>
