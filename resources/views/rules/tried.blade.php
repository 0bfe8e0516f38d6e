@use('Illuminate\Support\Str')
{{-- What a rule would have done: on its own page, or below the form in which it is being written. --}}
@if ($label !== null)<p class="rule-sentence"><b>When</b> {{ implode(' or ', $label['when']) }}@if ($label['which'] !== [])
    <b>and</b> {{ implode('; ', $label['which']) }}@endif <b>then</b> {{ rtrim(implode('; ', $label['what']), '.') }}.</p>@endif
@if ($problem !== null)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
@if ($tried !== null)
    <p role="status"><b>{{ $tried->matched }}</b> of
        {{ number_format($tried->looked) }}{{ $tried->isCut ? ' (the latest there are time for)' : '' }} in the last {{ $days }} days
        would have matched. Nothing was changed; what it asks of conversations is as they are now.
        <span class="soft">{{ number_format($seconds, 1) }} s</span></p>
    @if ($tried->matched === 0)<p class="soft">Nothing would have happened. Look over a longer time, or see whether its condition asks
        for too much.</p>@endif
    @foreach ($tried->circles as $circle)<p class="template-mark"><x-icon name="warning"/> {{ $circle }}</p>@endforeach
    @if ($tried->fights !== [])
        <h2>Fights</h2>
        <table class="table sheet"><thead><tr><th scope="col">With</th><th scope="col">Over</th><th scope="col">Who wins</th><th
            scope="col" class="number">How often</th></tr></thead>
            <tbody>@foreach ($tried->fights as $fight)<tr><td>{{ $fight->with }}</td><td>{{ $fight->over }}</td><td>{{ $fight->winner
                }}</td><td
                class="number">{{ $fight->count }}</td></tr>@endforeach</tbody></table>
    @endif
    @if ($tried->rows !== [])
        <h2>What it would have acted on{{ $tried->matched > count($tried->rows) ? ', the latest '.count($tried->rows) : '' }}</h2>
        <table class="table sheet tried-table"><thead><tr><th scope="col">When</th><th scope="col">Conversation</th><th
            scope="col">Because</th><th scope="col">Left out</th><th scope="col">Other rules there</th></tr></thead>
            <tbody>@foreach ($tried->rows as $row)<tr><td>{{ $time->short($row['at']) }}</td><td><a
                href="/conversations/{{ $row['conversation']->id }}">{{ $row['conversation']->number() }}</a>
                {{ Str::limit($row['conversation']->subject, 60) }}</td><td>{{ $row['because'] === [] ? 'always' :
                    implode(' · ', $row['because'])
                    }}</td><td>{{ implode('; ', $row['leftOut']) ?: '—' }}</td><td>{{ implode('; ', $row['others']) ?: '—'
                    }}</td></tr>@endforeach</tbody></table>
    @endif
@endif
