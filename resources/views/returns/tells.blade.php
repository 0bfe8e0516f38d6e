@use('App\Returns\ReturnSettings')
{{-- What the customer is told with the next step, where it is told by itself. --}}
@php $name = $return->conversation_id === null ? null : $tells[ReturnSettings::toldWith($step) ?? 0] ?? null; @endphp
@if ($name !== null)<span class="soft">They are told “{{ $name }}”.</span>@endif
