{{-- What is done, a line each. `called` is the name of its fields, `of` tells several such lists of one form apart. --}}
@php
    $of = isset($of) ? "{$of}:" : '';
    $at = $of === '' ? 'action' : "action-{$of}";
    $at = rtrim($at, ':');
@endphp
@foreach ($actions as $index => $action)
    @php
        $do = $action['do'] ?? '';
        $chosen = $action['value'] ?? '';
        $name = "{$called}[{$index}]";
        $id = "{$at}-{$index}";
        $text = $choices->text($do, $chosen);
    @endphp
    <div class="action-line" id="{{ $id }}">
        <label class="visually-hidden" for="{{ $id }}-do">What it does</label>
        <select class="form-select form-select-sm" id="{{ $id }}-do" name="{{ $name }}[do]"
            hx-post="{{ $redraw }}" hx-trigger="change"><option value="">choose
            …</option>@foreach ($choices->all() as $key => $phrase)<option value="{{ $key }}"
            @selected($key === $do)>{{ $phrase }}</option>@endforeach</select>
        @if ($choices->hasChoices($do))
            <label class="visually-hidden" for="{{ $id }}-value">Which</label>
            <select class="form-select form-select-sm" id="{{ $id }}-value" name="{{ $name }}[value]"
                hx-post="{{ $redraw }}" hx-trigger="change">@if (! $choices->canBeEmpty($do))<option value="">choose
                …</option>@endif @foreach ($choices->choices($do) as $value => $label)<option value="{{ $value }}"
                @selected((string) $value === $chosen)>{{ $label }}</option>@endforeach</select>
        @endif
        @if ($choices->answers($do))
            <label for="{{ $id }}-as">as</label><select class="form-select form-select-sm"
                id="{{ $id }}-as" name="{{ $name }}[as]"><option value="">choose
                …</option>@foreach ($choices->people() as $number => $person)<option value="{{ $number }}"
                @selected((string) $number === ($action['as'] ?? ''))>{{ $person }}</option>@endforeach</select>
            <label for="{{ $id }}-instead">else</label><select class="form-select form-select-sm"
                id="{{ $id }}-instead" name="{{ $name }}[instead]"
                aria-label="Else, when that person is away or has left"><option
                    value="">nobody</option>@foreach ($choices->people() as $number => $person)<option
                value="{{ $number }}"
                @selected((string) $number === ($action['instead'] ?? ''))>{{ $person }}</option>@endforeach</select>
            @if ($do === 'answer')<label class="visually-hidden" for="{{ $id }}-then">State
                afterwards</label><select class="form-select form-select-sm" id="{{ $id }}-then"
                name="{{ $name }}[then]">@foreach ($choices->afterwards() as $value => $label)<option value="{{ $value }}"
                @selected((string) $value === ($action['then'] ?? 'same'))>{{ $label }}</option>@endforeach</select>@endif
            <label class="action-check" for="{{ $id }}-gap"><input type="checkbox" class="form-check-input"
                id="{{ $id }}-gap" name="{{ $name }}[gap]" value="leave"
                @checked(($action['gap'] ?? '') === 'leave')> where something cannot be filled, do the rest without it</label>
        @endif
        @if ($choices->takesPerson($do))
            <label for="{{ $id }}-as">as</label><select class="form-select form-select-sm"
                id="{{ $id }}-as" name="{{ $name }}[as]"><option value="">choose
                …</option>@foreach ($choices->people() as $number => $person)<option value="{{ $number }}"
                @selected((string) $number === ($action['as'] ?? ''))>{{ $person }}</option>@endforeach</select>
        @endif
        @if ($text !== null)
            <label class="visually-hidden" for="{{ $id }}-text">{{ $text }}</label><input
                class="form-control form-control-sm" id="{{ $id }}-text" name="{{ $name }}[text]"
                value="{{ $action['text'] ?? '' }}" maxlength="5000" placeholder="{{ $text }}">
        @endif
        @if ($do === 'tell')
            <label class="action-check" for="{{ $id }}-mail"><input type="checkbox" class="form-check-input"
                id="{{ $id }}-mail" name="{{ $name }}[mail]" value="1"
                @checked(($action['mail'] ?? '') === '1')> also by mail</label>
        @endif
        @if ($choices->takesHours($do, $chosen))
            <label for="{{ $id }}-hours">for</label><input class="form-control form-control-sm hours"
                type="number" min="1" max="2000" id="{{ $id }}-hours" name="{{ $name }}[hours]"
                value="{{ $action['hours'] ?? '' }}"> <span>working hours</span>
        @endif
        <button type="submit" formaction="{{ $redraw }}" formnovalidate name="do" value="remove-action:{{ $of }}{{ $index }}"
            class="btn-away" hx-post="{{ $redraw }}" aria-label="Take this away">×</button>
    </div>
@endforeach
<p class="condition-add"><button type="submit" formaction="{{ $redraw }}" formnovalidate name="do"
    value="add-action{{ rtrim(":{$of}", ':') }}" class="btn btn-sm btn-outline-secondary" hx-post="{{ $redraw }}">{{ $adds }}</button></p>
