@php $step = match ($one->state->value) { 'asked' => 'decide', 'arrived' => 'inspect', 'inspected' => 'settle', default => null }; @endphp
@if ($step !== null)<b class="next-step">{{ $step }}</b><small @class(['late' => $one->due_at?->isPast()])>{{ $one->due_at === null ? '' :
    ($one->due_at->isPast() ? 'missed ' : 'by ').$time->short($one->due_at) }}</small>
@elseif ($one->isStuck())<b class="next-step">ask the carrier</b>
@elseif ($one->state->value === 'agreed' && $one->lapse_at !== null)<small>lapses {{ $time->short($one->lapse_at) }}</small>@endif
