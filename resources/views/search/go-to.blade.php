@foreach ($found as [$kind, $label, $address])
    <li><a href="{{ $address }}"><span>{{ $label }}</span><small>{{ $kind }}</small></a></li>
@endforeach
@if ($written !== '')<li><a href="/search?q={{ urlencode($written) }}"><span>Search for
    “{{ $written }}”</span><small>search</small></a></li>@endif
