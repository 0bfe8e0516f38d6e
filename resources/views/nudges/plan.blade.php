@use('App\Support\RefusedInput')
{{-- One nudge plan as a sentence, or the empty one; refused, it comes back as it was written. --}}
@php
    $key = (string) ($plan->id ?? 'new');
    $count = (int) ($running[$plan?->id] ?? 0);
    $action = '/nudges'.($plan ? "/{$plan->id}" : '');
    $was = RefusedInput::in($action);
    $rows = array_values((array) $was->value('steps', $plan->steps ?? []));
    $shown = min($most, max(count($rows), count($plan->steps ?? []) + ($mayChange ? 1 : 0)));
    $usualOutcome = $outcomes->search('No answer');
@endphp
<form method="post" action="{{ $action }}" class="sheet pad nudge-form">
    @csrf
    <p class="nudge-head">
        <label class="visually-hidden" for="nudge-{{ $key }}">Name</label>
        <input class="form-control" id="nudge-{{ $key }}" name="name" value="{{ $was->value('name', $plan?->name) }}"
            maxlength="120" required placeholder="New nudge plan" @disabled(! $mayChange)>
        @if ($plan)
            <span class="soft">{{ $count === 0 ? 'at work nowhere' : "at work in {$count}" }}</span>
        @endif
    </p>
    @for ($index = 0; $index < $shown; $index++)
        @php $id = "{$key}-{$index}"; @endphp
        <p class="nudge-step">
            <span>{{ $index === 0 ? 'After' : 'after another' }}</span>
            <label class="visually-hidden" for="days-{{ $id }}">Working days</label>
            <input class="form-control form-control-sm" type="number" min="1" max="250" id="days-{{ $id }}"
                name="steps[{{ $index }}][days]" value="{{ $rows[$index]['days'] ?? '' }}" @disabled(! $mayChange)>
            working days remind with
            <label class="visually-hidden" for="template-{{ $id }}">Template</label>
            <select class="form-select form-select-sm" id="template-{{ $id }}" name="steps[{{ $index }}][template]" @disabled(! $mayChange)>
                @include('nudges.choices', ['none' => 'choose …', 'choices' => $templates, 'names' => $templateNames,
                    'chosen' => $rows[$index]['template'] ?? null, 'has' => $plan->steps[$index]['template'] ?? null])
            </select>
        </p>
    @endfor
    <p class="nudge-step">
        <span>after another</span>
        <label class="visually-hidden" for="end-{{ $key }}">Working days</label>
        <input class="form-control form-control-sm" type="number" min="1" max="250" id="end-{{ $key }}"
            name="end_days" value="{{ $was->value('end_days', $plan->end_days ?? 5) }}" @disabled(! $mayChange)>
        working days resolve
        as <label class="visually-hidden" for="outcome-{{ $key }}">Outcome</label>
        <select class="form-select form-select-sm" id="outcome-{{ $key }}" name="end_outcome" @disabled(! $mayChange)>
            @include('nudges.choices', ['none' => null, 'choices' => $outcomes, 'names' => $outcomeNames,
                'chosen' => $was->value('end_outcome', $plan->end_outcome_id ?? $usualOutcome), 'has' => $plan?->end_outcome_id])
        </select>
        with
        <label class="visually-hidden" for="word-{{ $key }}">Last word</label>
        <select class="form-select form-select-sm" id="word-{{ $key }}" name="end_template" @disabled(! $mayChange)>
            @include('nudges.choices', ['none' => 'no last word', 'choices' => $templates, 'names' => $templateNames,
                'chosen' => $was->value('end_template', $plan?->end_template_id), 'has' => $plan?->end_template_id])
        </select>
    </p>
    @if ($plan !== null && isset($lacks[$plan->id]))
        <p class="message-mark"><x-icon name="warning"/> Not all of its texts are there in {{ $lacks[$plan->id] }}: who writes so is
            reminded in another language.</p>
    @endif
    @if ($mayChange)
        <div class="row-buttons">
            <button class="btn btn-outline-secondary">{{ $plan ? 'Save' : 'Make it' }}</button>
            @if ($plan)
                <button class="btn btn-outline-secondary" formaction="/nudges/{{ $plan->id }}/retire" formnovalidate>Retire</button>
            @endif
        </div>
    @endif
</form>
