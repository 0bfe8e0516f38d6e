@php [$alsoDone] = \App\Templates\Step::possible($replyDraft?->details['steps'] ?? []); @endphp
@foreach ($alsoDone as $step)
    @continue($step->kind->isOfTheForm())
    <label class="step-chip"><input type="checkbox" class="form-check-input" name="steps[]" value="{{ $step->kind->value }}={{ $step->value }}" checked> {{ $step->label }}</label>
@endforeach
