@props(['name', 'label' => null])
<svg {{ $attributes->class('icon') }} viewBox="0 0 16 16" width="16" height="16" @if ($label) role="img" aria-label="{{ $label }}" @else aria-hidden="true" @endif focusable="false">
@switch($name)
    @case('envelope')
        <path d="M1.5 3.5h13v9h-13z M1.5 4l6.5 5 6.5-5" fill="none" stroke="currentColor" stroke-width="1.3" stroke-linejoin="round"/>
        @break
    @case('clip')
        <path d="M11.5 5.5 6.6 10.4a1.6 1.6 0 0 0 2.3 2.3l4.6-4.7a3 3 0 0 0-4.3-4.3L4.3 8.6a4.4 4.4 0 0 0 6.2 6.2" fill="none" stroke="currentColor" stroke-width="1.2" stroke-linecap="round"/>
        @break
    @case('warning')
        <path d="M8 1.8 15 14H1z M8 6v4 M8 11.7v.6" fill="none" stroke="currentColor" stroke-width="1.3" stroke-linejoin="round" stroke-linecap="round"/>
        @break
@endswitch
</svg>
