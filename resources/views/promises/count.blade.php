@if ($line->{$counted} === 0)<span class="soft">0</span>
@else<a href="{{ $link($counted, $by, $line->value) }}">{{ $line->{$counted} }}</a>@endif
