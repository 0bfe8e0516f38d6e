@props(['standing' => null])
{{-- Four stones, the widest at the bottom. One falls for each quarter of the promised time; missed, all lie dashed. --}}
@php
    $stones = [[14, 24.2, 10.5, 2.4], [14, 18.6, 8, 2.3], [14, 13.4, 5.6, 2.1], [14, 8.8, 3.4, 1.8]];
    $class = match (true) {
        $standing === null => 'cairn-paused',
        $standing->missed => 'cairn-missed',
        $standing->stones === 1 || $standing->soon => 'cairn-soon',
        default => 'cairn-good',
    };
@endphp
<svg class="cairn {{ $class }}" viewBox="0 0 28 28" width="28" height="28" role="img" aria-label="{{ $standing?->describe() ?? 'No promise running' }}" focusable="false">
    @foreach ($stones as $index => [$x, $y, $rx, $ry])
        <ellipse cx="{{ $x }}" cy="{{ $y }}" rx="{{ $rx }}" ry="{{ $ry }}" class="{{ $standing !== null && $index < $standing->stones ? 'stone' : 'fallen' }}"/>
    @endforeach
</svg>
