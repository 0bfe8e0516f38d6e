{{-- What is offered, and what the plan has already, although it is offered no more. --}}
@if ($none !== null)<option value="">{{ $none }}</option>@endif
@foreach ($choices as $id => $name)<option value="{{ $id }}" @selected((string) $chosen === (string) $id)>{{ $name }}</option>@endforeach
@if ($has !== null && ! isset($choices[$has]))<option value="{{ $has }}"
    @selected((string) $chosen === (string) $has)>{{ $names[$has] ?? 'gone' }} (not offered any more)</option>@endif
