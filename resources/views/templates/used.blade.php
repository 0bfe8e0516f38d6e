@use('App\Templates\AnswerPart')
@php
    $names = [
        'language' => \Locale::getDisplayLanguage($filled->language, 'en'),
        'wanted' => $filled->wantedLanguage === null ? '' : \Locale::getDisplayLanguage($filled->wantedLanguage, 'en'),
    ];
    $then = collect($filled->steps)->first(fn ($step) => $step->part === AnswerPart::Then);
    $copies = fn ($kind) => collect($filled->steps)->filter(fn ($step) => $step->part === $kind)
        ->map(fn ($step) => $step->value)
        ->implode(', ');
@endphp
<div id="template-used" data-text="{{ $filled->text }}" @if ($filled->html !== null) data-html="{{ $filled->html }}" @endif
    @if ($then !== null) data-then="{{ strtok($then->value, ':') }}" data-outcome="{{ explode(':', $then->value.':')[1] }}"
    @endif data-cc="{{ $copies(AnswerPart::Cc) }}" data-bcc="{{ $copies(AnswerPart::Bcc) }}"
    data-subject="{{ $filled->subject }}" role="status">
    @if (! $filled->isWantedLanguage)
        <p class="template-mark"><x-icon name="warning"/> “{{ $filled->template->name }}” has no text in {{ $names['wanted'] }}. This is
            the one in {{ $names['language'] }}.</p>
    @endif
    @if ($filled->gaps !== [])
        <p class="template-mark"><x-icon name="warning"/> Not filled: @foreach ($filled->gaps as $gap)<code>{{ $gap->name }}</code>
            @endforeach — nothing is known of it here. Write what belongs there; until then it is not sent.</p>
    @endif
    @foreach ($filled->problems as $problem)<p class="template-mark"><x-icon name="warning"/> Left out: {{ $problem }}</p>@endforeach
</div>
<div id="reply-steps" class="reply-steps" hx-swap-oob="true">@include('templates.steps')</div>
@include('answering.draft-files', ['oob' => true])
