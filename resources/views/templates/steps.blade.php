@use('App\Templates\Step')
@php [$alsoDone] = Step::possible($replyDraft?->details['steps'] ?? []); @endphp
@foreach ($alsoDone as $step)
    @continue($step->part?->isOfTheForm())
    @php $written = "{$step->do}={$step->value}"; @endphp
    <label class="step-chip"><input type="checkbox" class="form-check-input" name="steps[]" value="{{ $written }}"
        @checked(! in_array($written, $replyDraft?->details['steps_left_out'] ?? [], true))
        hx-post="/conversations/{{ $conversation->id }}/draft-steps" hx-trigger="change" hx-swap="none"
        hx-vals="{{ json_encode(['step' => $written]) }}"> {{ $step->label }}</label>
@endforeach
