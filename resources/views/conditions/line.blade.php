@use('App\Conditions\OperatorWords')
@use('Cairnfield\Core\Rules\Operator')
@php
    $field = $fields[$line['field']] ?? null;
    $operator = Operator::tryFrom($line['op']);
    $seeksWords = in_array($operator, [Operator::HasAnyWord, Operator::HasAllWords, Operator::HasNoWord], true);
    $id = 'line-'.str_replace('.', '-', $place);
@endphp
<div class="condition-line" id="{{ $id }}">
    <label class="visually-hidden" for="{{ $id }}-field">What</label>
    <select class="form-select form-select-sm" id="{{ $id }}-field" name="{{ $name }}[field]" hx-post="{{ $redraw ?? '/views/redraw' }}"
        hx-trigger="change">
        <option value="">choose …</option>
        @foreach ($fields as $key => $one)<option value="{{ $key }}"
            @selected($key === $line['field'])>{{ $one->label() }}</option>@endforeach
        @if ($field === null && $line['field'] !== '')<option value="{{ $line['field'] }}" selected>{{ $line['field'] }}
            (gone)</option>@endif
    </select>
    @if ($field !== null)
        <label class="visually-hidden" for="{{ $id }}-op">How</label>
        <select class="form-select form-select-sm" id="{{ $id }}-op" name="{{ $name }}[op]" hx-post="{{ $redraw ?? '/views/redraw' }}"
            hx-trigger="change">
            @foreach ($field->operators() as $one)<option value="{{ $one->value }}"
                @selected($one === $operator)>{{ OperatorWords::of($one) }}</option>@endforeach
        </select>
        @if ($operator !== null && $operator->needsValue())
            @if ($field->choices() !== [] && $operator !== Operator::Is)
                <details class="menu" id="{{ $id }}-menu">
                    <summary class="btn btn-sm btn-outline-secondary condition-chosen">{{ collect($line['value'])->map(fn ($value) =>
                        $field->choices()[$value] ?? $value)->implode(', ') ?: 'choose …' }}</summary>
                    <div class="menu-panel menu-tall checks-panel">
                        @foreach ($field->choices() as $value => $label)
                            <label><input type="checkbox" class="form-check-input" name="{{ $name }}[value][]" value="{{ $value }}"
                                @checked(in_array((string) $value, $line['value'], true)) hx-post="{{ $redraw ?? '/views/redraw' }}"
                                hx-trigger="change"> {{ $label }}</label>
                        @endforeach
                    </div>
                </details>
            @elseif ($field->choices() !== [])
                <label class="visually-hidden" for="{{ $id }}-value">Value</label>
                <select class="form-select form-select-sm" id="{{ $id }}-value" name="{{ $name }}[value]"
                    hx-post="{{ $redraw ?? '/views/redraw' }}" hx-trigger="change"><option
                    value=""></option>@foreach ($field->choices() as $value => $label)<option value="{{ $value }}"
                    @selected(in_array((string) $value, $line['value'], true))>{{ $label }}</option>@endforeach</select>
            @else
                <label class="visually-hidden" for="{{ $id }}-value">Value</label>
                <input class="form-control form-control-sm" id="{{ $id }}-value" name="{{ $name }}[value]"
                    value="{{ implode(', ', $line['value']) }}" @if ($form->isDate($line['field'])) type="date"
                    @elseif ($operator->takes(1) && ! $operator->takes('')) inputmode="decimal"
                    @elseif ($operator->takes(['x'])) placeholder="late, refund…, not come"
                    @endif hx-post="{{ $redraw ?? '/views/redraw' }}" hx-trigger="change">
                @if ($seeksWords && $line['value'] !== [])<small class="soft condition-understood" id="{{ $id }}-understood">{{
                    OperatorWords::understood($line['value']) }}</small>@endif
            @endif
        @endif
    @endif
    <button type="submit" formaction="{{ $redraw ?? '/views/redraw' }}" formnovalidate name="do" value="remove:{{ $place }}"
        class="btn-away" hx-post="{{ $redraw ?? '/views/redraw' }}" aria-label="Take this condition away">×</button>
</div>
