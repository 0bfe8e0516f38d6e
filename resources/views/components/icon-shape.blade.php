@switch($name)
    @case('card')
        <path d="M1.5 3.5h13v9h-13z M1.5 6.5h13 M4 10h3" fill="none" stroke="currentColor" stroke-width="1.3" stroke-linejoin="round"
            stroke-linecap="round"/>
        @break
    @case('envelope')
        <path d="M1.5 3.5h13v9h-13z M1.5 4l6.5 5 6.5-5" fill="none" stroke="currentColor" stroke-width="1.3" stroke-linejoin="round"/>
        @break
    @case('pennant')
        <path d="M3.5 1.5v13 M3.5 2.5l10 3.5-10 3.5" fill="none" stroke="currentColor" stroke-width="1.3" stroke-linejoin="round"
            stroke-linecap="round"/>
        @break
    @case('photo')
        <path d="M1.5 2.5h13v11h-13z M1.8 12l4-4.5 3 3 2-2 3.6 3.5" fill="none" stroke="currentColor" stroke-width="1.3"
            stroke-linejoin="round"/><circle cx="11" cy="5.6" r="1.1" fill="currentColor"/>
        @break
    @case('stall')
        <path d="M2.5 7v7h11V7 M1.5 6.5l1.2-4h10.6l1.2 4z M5 14v-4h3v4" fill="none" stroke="currentColor" stroke-width="1.3"
            stroke-linejoin="round"/>
        @break
    @case('form')
        <path d="M3 1.5h10v13H3z M5.3 5h5.4 M5.3 8h5.4 M5.3 11h3" fill="none" stroke="currentColor" stroke-width="1.3"
            stroke-linejoin="round" stroke-linecap="round"/>
        @break
    @case('telephone')
        <path d="M4.2 1.8 6 5 4.6 6.6a9 9 0 0 0 4.8 4.8L11 10l3.2 1.8-.6 2.4A12 12 0 0 1 1.8 2.4z" fill="none" stroke="currentColor"
            stroke-width="1.3" stroke-linejoin="round"/>
        @break
    @case('shop')
        <path d="M2 5.5h12l-1 9H3z M5.3 7.5V4.2a2.7 2.7 0 0 1 5.4 0v3.3" fill="none" stroke="currentColor" stroke-width="1.3"
            stroke-linejoin="round" stroke-linecap="round"/>
        @break
    @case('parcel')
        <path d="M1.8 4.8 8 1.8l6.2 3v6.4L8 14.2l-6.2-3z M1.8 4.8 8 7.8l6.2-3 M8 7.8v6.4" fill="none" stroke="currentColor"
            stroke-width="1.3" stroke-linejoin="round"/>
        @break
    @case('clip')
        <path d="M11.5 5.5 6.6 10.4a1.6 1.6 0 0 0 2.3 2.3l4.6-4.7a3 3 0 0 0-4.3-4.3L4.3 8.6a4.4 4.4 0 0 0 6.2 6.2" fill="none"
            stroke="currentColor" stroke-width="1.2" stroke-linecap="round"/>
        @break
    @case('tick')
        <path d="M2.5 8.5 6.5 12.5 13.5 3.8" fill="none" stroke="currentColor" stroke-width="1.6" stroke-linejoin="round"
            stroke-linecap="round"/>
        @break
    @case('warning')
        <path d="M8 1.8 15 14H1z M8 6v4 M8 11.7v.6" fill="none" stroke="currentColor" stroke-width="1.3" stroke-linejoin="round"
            stroke-linecap="round"/>
        @break
@endswitch
