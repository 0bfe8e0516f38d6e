@if ($lines === [])
    <p class="soft">{{ $none }}</p>
@else
    <div class="wide-scroll" tabindex="0" role="region" aria-label="{{ $title }}"><table class="table">
        <thead><tr><th scope="col">{{ $who }}</th><th scope="col" class="number">{{ $of }}</th><th scope="col"
            class="number">{{ $counted }}</th><th scope="col" class="number">By chance</th><th scope="col" class="number">So many or
            more</th></tr></thead>
        <tbody>@foreach ($lines as $line)<tr><td>@if ($line->path)<a href="{{ $line->path }}">{{ $line->name }}</a>@else{{ $line->name
            }}@endif @if ($line->standsOut)<b class="due-soon">stands out</b>@endif</td><td class="number">{{ $line->units }}</td><td
            class="number">{{ $line->count }}</td><td class="number">{{ $line->expected }}</td><td class="number">{{
                $line->chanceInWords() }}</td></tr>@endforeach</tbody></table></div>
@endif
