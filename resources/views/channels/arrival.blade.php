@extends('layouts.app')
@section('title', 'On arrival')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <h1>On arrival</h1>
    @if ($errors->any())<ul class="field-problem"
        role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
    <section class="sheet pad" aria-labelledby="redaction">
        <h2 id="redaction">Numbers that are taken out</h2>
        <p>Card numbers and bank account numbers (IBAN) are always taken out of what arrives, before anything is stored; only the last
            four characters stay. Where that happened the original is not kept, and the conversation says so.
            <b>Files are not looked into.</b></p>
        <form method="post" action="/arrival/patterns">@csrf
            <table class="order-lines patterns"><caption class="visually-hidden">Own patterns</caption>
                <thead><tr><th scope="col">Put in its place</th><th scope="col">How the number is written</th></tr></thead>
                <tbody>
                    @foreach ([...collect($patterns)->map(fn ($mask, $name) => [$name, $mask])->values(), ['', ''], ['', '']] as $index
                        => [$name, $mask])
                        <tr><td><label class="visually-hidden" for="name-{{ $index }}">Name {{ $index + 1 }}</label><input
                            class="form-control" id="name-{{ $index }}" name="name[]" value="{{ old("name.{$index}", $name) }}"
                            placeholder="personal number"></td><td><label class="visually-hidden" for="mask-{{ $index }}">Pattern
                            {{ $index + 1 }}</label><input class="form-control" id="mask-{{ $index }}" name="mask[]"
                            value="{{ old("mask.{$index}", $mask) }}" placeholder="######-####"></td></tr>
                    @endforeach
                </tbody>
            </table>
            <p class="soft"># is a digit, @ a letter.</p>
            <button class="btn btn-primary">Save</button>
        </form>
    </section>
    <section class="sheet pad" aria-labelledby="blocked">
        <h2 id="blocked">Blocked senders</h2>
        <p>What comes from them goes to the view “Junk” of the queue.</p>
        @if ($blocked->isEmpty())<p class="soft">Nobody is blocked.</p>@endif
        <ul class="earlier">@foreach ($blocked as $sender)<li class="blocked"><span><b>{{ $sender->value }}</b>
            <span class="soft">{{ $sender->kind === 'domain' ? 'everybody there' : $sender->kind }}</span></span><form method="post"
            action="/arrival/blocked/{{ $sender->id }}">@csrf @method('delete')<button class="btn btn-sm btn-outline-secondary">Unblock
            {{ $sender->value }}</button></form></li>@endforeach</ul>
        <form method="post" action="/arrival/blocked" class="inline-form">@csrf
            <label class="visually-hidden" for="blocked-kind">Kind</label><select class="form-select form-select-sm" id="blocked-kind"
                name="kind">@foreach ($kinds as $kind => $label)<option value="{{ $kind }}">{{ $label }}</option>@endforeach</select>
            <label class="visually-hidden" for="blocked-value">Who</label><input class="form-control form-control-sm" id="blocked-value"
                name="value" required placeholder="offers@growth.example"><button class="btn btn-sm btn-outline-secondary">Block</button>
        </form>
    </section>
</main>
@endsection
