@extends('layouts.app')
@section('title', 'Import and export')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-two">
        <div>
            <section class="sheet pad" aria-labelledby="import">
                <h1 id="import">Take over earlier conversations</h1>
                <p>They come in closed: no promise begins to run, nobody is written to, and each message is taken once, however often
                    the file is.</p>
                @if ($errors->any())<ul class="field-problem"
                    role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
                <form method="post" action="/history" enctype="multipart/form-data">@csrf
                    <label class="form-label" for="file">File: .mbox, .zip with .eml, .csv or .jsonl</label><input class="form-control"
                        id="file" name="file" type="file" required>
                    <label class="form-label" for="account">Belongs to</label><select class="form-select" id="account"
                        name="account">@foreach ($accounts as $account)<option
                        value="{{ $account->id }}">{{ $account->title() }}</option>@endforeach</select>
                    <label class="form-label" for="format">Format</label><select class="form-select" id="format" name="format"><option
                        value="">by its name</option>@foreach ($formats as $format)<option
                        value="{{ $format->value }}">{{ $format->label() }}</option>@endforeach</select>
                    <button class="btn btn-primary">Take it over</button>
                </form>
                <p class="soft">More than 64 MB, or a folder: <code>php artisan history:import PATH --account=care@…</code> does the
                    same. The columns and fields are in docs/history.md.</p>
            </section>
        </div>
        <div>
            <section class="sheet pad" aria-labelledby="export">
                <h2 id="export">Give conversations out</h2>
                <form method="get" action="/history/export">
                    <label class="form-label" for="export-format">Format</label><select class="form-select" id="export-format"
                        name="format">@foreach ($formats as $format)<option value="{{ $format->value }}"
                        @selected($format->value === 'jsonl')>{{ $format->label() }}</option>@endforeach</select>
                    <label class="form-label" for="from">With a message since (empty: all)</label><input class="form-control" id="from"
                        name="from" type="date">
                    <p class="form-text">All that you read: what is for the members of a category alone is in it where you are one of
                        them.</p>
                    <button class="btn btn-outline-secondary">Download</button>
                </form>
            </section>
        </div>
    </div>
    @if ($imports->isNotEmpty())
        <h2>What was taken over</h2>
        <table class="table sheet">
            <thead><tr><th scope="col">File</th><th scope="col">Account</th><th scope="col">Begun</th><th scope="col">How it
                stands</th><th scope="col" class="number">Taken</th><th scope="col" class="number">Here before</th><th scope="col"
                class="number">Not taken</th></tr></thead>
            <tbody>@foreach ($imports as $import)<tr><td class="wrap-anywhere"><a
                href="/history/{{ $import->id }}"><b>{{ $import->name }}</b></a></td><td>{{ $import->account->title() }}</td><td>{{
                    $time->short($import->created_at)
                    }}</td><td>{{ ['running' => "{$import->percent()} %", 'stopped' => "stopped at {$import->percent()} %", 'done' =>
                    'done', 'failed' => 'cannot be read'][$import->state] }}</td><td
                class="number">{{ $import->taken }}</td><td class="number">{{ $import->again }}</td><td
                class="number">{{ $import->refused }}</td></tr>@endforeach</tbody>
        </table>
    @endif
</main>
@endsection
