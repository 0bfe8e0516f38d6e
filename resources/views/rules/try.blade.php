@extends('layouts.app')
@section('title', "Trying out {$rule->name}")
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>“{{ $rule->name }}”, tried out</h1>
        <form method="get" action="/rules/{{ $rule->id }}/try" class="find"><label for="days">over the last</label><select class="form-select" id="days" name="days" data-submit>@foreach ([7, 14, 30, 60, 90] as $one)<option value="{{ $one }}" @selected($one === $days)>{{ $one }} days</option>@endforeach</select><noscript><button class="btn btn-outline-secondary">Show</button></noscript></form>
        <a class="btn btn-outline-secondary" href="/rules/{{ $rule->id }}">Change it</a>
        @if ($mayChange && ! $rule->on)<form method="post" action="/rules/{{ $rule->id }}/switch">@csrf<input type="hidden" name="on" value="1"><button class="btn btn-primary">Switch it on</button></form>@endif
    </div>
    <p class="rule-sentence"><b>When</b> {{ implode(' or ', $label['when']) }}@if ($label['which'] !== []) <b>and</b> {{ implode('; ', $label['which']) }}@endif <b>then</b> {{ rtrim(implode('; ', $label['what']), '.') }}.</p>
    @if ($problem !== null)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    @if ($tried !== null)
        <p role="status"><b>{{ $tried->matched }}</b> of {{ number_format($tried->looked) }}{{ $tried->isCut ? ' (the latest there are time for)' : '' }} would have matched. Nothing was changed; what it asks of conversations is as they are now. <span class="soft">{{ number_format($seconds, 1) }} s</span></p>
        @foreach ($tried->circles as $circle)<p class="template-mark"><x-icon name="warning"/> {{ $circle }}</p>@endforeach
        @if ($tried->fights !== [])
            <h2>Fights</h2>
            <table class="table sheet"><thead><tr><th scope="col">With</th><th scope="col">Over</th><th scope="col">Who wins</th><th scope="col" class="number">How often</th></tr></thead>
                <tbody>@foreach ($tried->fights as [$other, $over, $wins, $count])<tr><td>{{ $other }}</td><td>{{ $over }}</td><td>{{ $wins === null ? 'the one further down' : ($wins ? 'this rule' : 'the other: it stands further down, or does the same already') }}</td><td class="number">{{ $count }}</td></tr>@endforeach</tbody></table>
        @endif
        @if ($tried->rows !== [])
            <h2>What it would have acted on{{ $tried->matched > count($tried->rows) ? ', the latest '.count($tried->rows) : '' }}</h2>
            <table class="table sheet"><thead><tr><th scope="col">When</th><th scope="col">Conversation</th><th scope="col">Because</th><th scope="col">Overruled</th><th scope="col">Other rules there</th></tr></thead>
                <tbody>@foreach ($tried->rows as $row)<tr><td>{{ $time->short($row['at']) }}</td><td><a href="/conversations/{{ $row['conversation']->id }}">{{ $row['conversation']->number() }}</a> {{ \Illuminate\Support\Str::limit($row['conversation']->subject, 60) }}</td><td>{{ $row['because'] === [] ? 'always' : implode(' · ', $row['because']) }}</td><td>{{ implode(', ', $row['overruled']) ?: '—' }}</td><td>{{ implode(', ', $row['others']) ?: '—' }}</td></tr>@endforeach</tbody></table>
        @endif
    @endif
</main>
@endsection
