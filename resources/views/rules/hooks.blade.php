@extends('layouts.app')
@use('App\Support\RefusedInput')
@section('title', 'Webhooks')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Webhooks</h1><a class="btn btn-outline-secondary" href="/rules">All rules</a></div>
    <p class="soft">Programs elsewhere that rules can tell. Each request is JSON with the headers <code>Cairnfield-Time</code> and
        <code>Cairnfield-Signature</code>: HMAC-SHA256 of the time, a dot and the body.</p>
    @if ($errors->any())<ul class="field-problem" role="alert">@foreach ($errors->all() as $one)<li>{{ $one }}</li>@endforeach</ul>@endif
    @if ($hooks->isNotEmpty())
        <table class="table sheet"><thead><tr><th scope="col">Name</th><th scope="col">Address</th><th scope="col">Last trouble</th><th
            scope="col"><span class="visually-hidden">Take away</span></th></tr></thead>
            <tbody>@foreach ($hooks as $hook)<tr><td><b>{{ $hook->name }}</b></td><td
                class="wrap-anywhere">{{ $hook->address }}</td><td>@if ($hook->last_error !== null)<span
                class="field-problem">{{ $hook->last_error }}</span> {{ $time->short($hook->last_error_at) }}@else<span
                class="soft">none</span>@endif</td><td><form method="post" action="/rules/hooks/{{ $hook->id }}/retire">@csrf<button
                class="btn btn-sm btn-outline-secondary">Take away<span class="visually-hidden">
                {{ $hook->name }}</span></button></form></td></tr>@endforeach</tbody></table>
    @endif
    <form method="post" action="/rules/hooks" class="sheet pad below-small"><div class="form-pair">@csrf
        <div><label class="form-label" for="hook-name">Name</label><input class="form-control" id="hook-name" name="name"
            value="{{ RefusedInput::in('/rules/hooks')->value('name') }}" maxlength="80" required></div>
        <div><label class="form-label" for="hook-address">Address</label><input class="form-control" id="hook-address" name="address"
            value="{{ RefusedInput::in('/rules/hooks')->value('address') }}" maxlength="500" placeholder="https://…"
            required inputmode="url"></div></div>
        @if ($errors->has('allow_inside'))
            <label class="form-check below-small"><input class="form-check-input" type="checkbox" name="allow_inside" value="1"> This
                program is inside our own network, and it is the right one</label>
        @endif
        <button class="btn btn-primary below-small">Add it</button></form>
</main>
@endsection
