@extends('layouts.app')
@section('title', 'Templates as a file')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Templates as a file</h1><a class="btn btn-outline-secondary" href="/templates">All templates</a></div>
    @if ($problem)<p class="field-problem" role="alert">{{ $problem }}</p>@endif
    @if ($report !== null)
        @php $problems = count(array_filter($report, fn ($one) => $one['problem'])); @endphp
        <section class="sheet pad" role="status">
            <h2>{{ count($report) - $problems }} taken{{ $problems === 0 ? '' : ", {$problems} not" }}</h2>
            <table class="table"><thead><tr><th scope="col">Where</th><th scope="col">Template</th><th scope="col">What became of
                it</th></tr></thead>
                <tbody>@foreach ($report as $one)<tr><td>{{ $one['place'] }}</td><td>{{ $one['name'] === '' ? '—' : $one['name'] }}</td><td
                    @class(['field-problem' => $one['problem']])>{{ $one['what'] }}</td></tr>@endforeach</tbody></table>
        </section>
    @endif
    <section class="sheet pad below-small">
        <h2>Out</h2>
        <p>All that you see, as <a href="/templates.csv">CSV</a> or
            as <a href="/templates.json">JSON</a>. Files that go along are not in it.</p>
    </section>
    <section class="sheet pad below-small">
        <h2>In</h2>
        <form method="post" action="/templates/exchange" enctype="multipart/form-data" class="file-form">@csrf<label
            class="visually-hidden" for="exchange-file">CSV or JSON file</label><input type="file" class="form-control"
            id="exchange-file" name="file" accept=".csv,.json,text/csv,application/json" required><button class="btn btn-primary">Take
            them in</button></form>
        <p class="soft below-small">CSV with a first line that names its columns:
            <code>{{ implode(', ', $columns) }}</code>; name and text at least, one line for each language. One of the same name and
            folder becomes a new version of it. Taken twice, nothing changes.</p>
    </section>
</main>
@endsection
