@use('App\Channels\AccountField')
@switch ($field->kind)
    @case (AccountField::YES_NO)
        <input type="hidden" name="{{ $field->name }}" value="0">
        <label class="form-check">
            <input class="form-check-input" type="checkbox" name="{{ $field->name }}" value="1" @checked((bool) old($field->name, $value))>
            {{ $field->label }}
        </label>
        @break
    @case (AccountField::CHOICE)
        <label class="form-label" for="{{ $field->name }}">{{ $field->label }}</label>
        <select class="form-select" id="{{ $field->name }}" name="{{ $field->name }}">
            @foreach ($field->options as $option => $label)
                <option value="{{ $option }}" @selected((string) old($field->name, $value) === (string) $option)>{{ $label }}</option>
            @endforeach
        </select>
        @break
    @case (AccountField::LINES)
        <label class="form-label" for="{{ $field->name }}">{{ $field->label }}</label>
        <textarea class="form-control" id="{{ $field->name }}" name="{{ $field->name }}" rows="3"
            @if ($field->placeholder !== '') placeholder="{{ $field->placeholder }}" @endif>{{ old($field->name, $value) }}</textarea>
        @break
    @case (AccountField::SECRET)
        <label class="form-label" for="{{ $field->name }}">{{ $field->label }}</label>
        <input class="form-control" id="{{ $field->name }}" name="{{ $field->name }}" type="password" autocomplete="new-password"
            @required($field->isRequired())
                placeholder="{{ isset($account->secrets[$field->name]) ? 'kept; write here to change it' : '' }}">
        @break
    @default
        <label class="form-label" for="{{ $field->name }}">{{ $field->label }}</label>
        <input class="form-control" id="{{ $field->name }}" name="{{ $field->name }}" value="{{ old($field->name, $value) }}"
            @if ($field->type === 'number') inputmode="numeric" @else type="{{ $field->type }}" @endif
            @if ($field->pattern !== '') pattern="{{ $field->pattern }}" @endif
            @if ($field->placeholder !== '') placeholder="{{ $field->placeholder }}" @endif
            @if ($field->help !== '') aria-describedby="{{ $field->name }}-help" @endif
            autocomplete="off" @required($field->isRequired())>
@endswitch
@if ($field->help !== '')<p class="soft" id="{{ $field->name }}-help">{{ $field->help }}</p>@endif
