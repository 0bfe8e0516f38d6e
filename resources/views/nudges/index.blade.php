@extends('layouts.app')
@section('title', 'Nudge plans')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Nudge plans</h1></div>
    <p class="soft">Reminders to a customer who does not answer, and an end. A template or a rule starts one; any answer calls it off.</p>
    @if ($errors->any())<ul class="field-problem" role="alert">@foreach ($errors->all() as $one)<li>{{ $one }}</li>@endforeach</ul>@endif
    @foreach ([...$plans, ...($mayChange ? [null] : [])] as $plan)
        @php $key = $plan->id ?? 'new'; $count = (int) ($running[$plan?->id] ?? 0); @endphp
        <form method="post" action="/nudges{{ $plan ? "/{$plan->id}" : '' }}" class="sheet pad nudge-form">
            @csrf
            <p class="nudge-head"><label class="visually-hidden" for="nudge-{{ $key }}">Name</label><input class="form-control" id="nudge-{{ $key }}" name="name" value="{{ $plan?->name }}" maxlength="120" required placeholder="New nudge plan" @disabled(! $mayChange)> @if ($plan)<span class="soft">{{ $count === 0 ? 'at work nowhere' : "at work in {$count}" }}</span>@endif</p>
            @for ($index = 0; $index < min($most, count($plan->steps ?? []) + ($mayChange ? 1 : 0)); $index++)
                @php $step = $plan->steps[$index] ?? null; @endphp
                <p class="nudge-step"><span>{{ $index === 0 ? 'After' : 'after another' }}</span> <label class="visually-hidden" for="days-{{ $key }}-{{ $index }}">Working days</label><input class="form-control form-control-sm" type="number" min="1" max="250" id="days-{{ $key }}-{{ $index }}" name="steps[{{ $index }}][days]" value="{{ $step['days'] ?? '' }}"> working days remind with <label class="visually-hidden" for="template-{{ $key }}-{{ $index }}">Template</label><select class="form-select form-select-sm" id="template-{{ $key }}-{{ $index }}" name="steps[{{ $index }}][template]"><option value="">choose …</option>@foreach ($templates as $id => $name)<option value="{{ $id }}" @selected(($step['template'] ?? null) === $id)>{{ $name }}</option>@endforeach</select></p>
            @endfor
            <p class="nudge-step"><span>after another</span> <label class="visually-hidden" for="end-{{ $key }}">Working days</label><input class="form-control form-control-sm" type="number" min="1" max="250" id="end-{{ $key }}" name="end_days" value="{{ $plan->end_days ?? 5 }}"> working days resolve as <label class="visually-hidden" for="outcome-{{ $key }}">Outcome</label><select class="form-select form-select-sm" id="outcome-{{ $key }}" name="end_outcome">@foreach ($outcomes as $outcome)<option value="{{ $outcome->id }}" @selected(($plan?->end_outcome_id ?? null) === $outcome->id || ($plan === null && $outcome->name === 'No answer'))>{{ $outcome->name }}</option>@endforeach</select> with <label class="visually-hidden" for="word-{{ $key }}">Last word</label><select class="form-select form-select-sm" id="word-{{ $key }}" name="end_template"><option value="">no last word</option>@foreach ($templates as $id => $name)<option value="{{ $id }}" @selected($plan?->end_template_id === $id)>{{ $name }}</option>@endforeach</select></p>
            @if ($mayChange)<div class="row-buttons"><button class="btn btn-outline-secondary">{{ $plan ? 'Save' : 'Make it' }}</button>@if ($plan)<button class="btn btn-outline-secondary" formaction="/nudges/{{ $plan->id }}/retire" formnovalidate>Retire</button>@endif</div>@endif
        </form>
    @endforeach
    @if ($retired->isNotEmpty() && $mayChange)<details class="below"><summary>Retired, {{ count($retired) }}</summary><ul class="plain-list">@foreach ($retired as $plan)<li><form method="post" action="/nudges/{{ $plan->id }}/bring-back">@csrf{{ $plan->name }} <button class="btn btn-sm btn-link">Bring it back</button></form></li>@endforeach</ul></details>@endif
</main>
@endsection
