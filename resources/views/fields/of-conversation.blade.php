@use('App\Fields\FieldKind')
{{-- One group of the store's own fields with what is written in them: $rows, $key for the ids, $order or null, $action or null. --}}
<form method="post" action="{{ $action ?? "/conversations/{$conversation->id}/fields" }}" class="own-fields">
    @csrf
    @if ($order ?? null)<input type="hidden" name="order" value="{{ $order->id }}">@endif
    @foreach ($rows as ['field' => $field, 'values' => $values])
        @php $id = "own-{$key}-{$field->id}"; $name = "fields[{$field->id}]"; $value = $values[0] ?? ''; @endphp
        @if ($field->retired_at !== null)
            <div class="own-field"><span>{{ $field->name }}</span><span>{{ implode(', ', $values) }}</span></div>
            @continue
        @endif
        @if ($field->kind === FieldKind::Choices)
            <fieldset class="own-field"><legend>{{ $field->name }}</legend><div class="own-choices"><input type="hidden"
                name="{{ $name }}[]" value="">
                @foreach ($field->choices as $choice)<label><input type="checkbox" class="form-check-input" name="{{ $name }}[]"
                    value="{{ $choice }}" @checked(in_array($choice, $values, true))> {{ $choice }}</label>@endforeach</div></fieldset>
            @continue
        @endif
        <div class="own-field">
            <label for="{{ $id }}">{{ $field->name }}@if ($field->required_to_resolve)
                <span class="needed" title="Must be filled in before it is resolved">needed</span>@endif</label>
            @if ($field->kind === FieldKind::Choice || $field->kind === FieldKind::YesNo)
                <select class="form-select form-select-sm" id="{{ $id }}" name="{{ $name }}"><option
                    value=""></option>@foreach ($field->kind === FieldKind::YesNo ? ['yes', 'no'] : $field->choices
                        as $choice)<option
                    @selected($choice === $value)>{{ $choice }}</option>@endforeach</select>
            @else
                <input class="form-control form-control-sm" id="{{ $id }}" name="{{ $name }}" value="{{ $value }}" maxlength="500"
                    @if ($field->kind === FieldKind::Date) type="date"
                    @elseif ($field->kind === FieldKind::Number) inputmode="decimal" @endif>
            @endif
        </div>
    @endforeach
    <button class="btn btn-sm btn-outline-secondary">Save</button>
</form>
