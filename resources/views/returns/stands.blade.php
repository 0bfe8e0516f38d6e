@switch ($one->state->value)
    @case ('asked') asked {{ $time->short($one->asked_at) }} @break
    @case ('agreed') {{
        $one->label_why !== null ? 'no label yet' : ($one->label_number === null ? 'agreed, no label' : 'label sent') }} @break
    @case ('on_its_way') {{ $one->isStuck() ? 'no scan for '.(int) $one->seen_at->diffInDays(now()).' days' : 'on its way' }} @break
    @case ('arrived') arrived {{ $time->short($one->arrived_at) }} @break
    @case ('inspected') {{ $one->stays ? 'stays with the customer' : 'inspected'.($one->units->isEmpty() ? '' : ', '.
        $one->units->pluck('grade')->unique()->map(fn ($grade) => mb_strtolower($grade->label()))->implode(', ')) }} @break
    @case ('settled') {{ $one->settled_as?->label() }} @break
    @default {{ $one->state->label() }}
@endswitch
