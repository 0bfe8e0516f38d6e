@foreach (['net', 'tax', 'gross'] as $part)<td><span id="{{ $of }}-{{ $part }}">{{ $amount === null ? '—' :
    $amount->{$part}->toDecimal() }}</span></td>@endforeach
