@extends('layouts.app')
@section('title', $company->name)
@section('content')
<main id="content" class="page page-two">
    <div>
        <section class="sheet pad" aria-labelledby="company-title">
            <div class="order-head"><h1 id="company-title">{{ $company->name }}</h1>@foreach ($company->domains as $domain)<span
                class="group-chip">{{ $domain->domain }}</span>@endforeach</div>
            <p>Responsible with us: <b>{{ $company->responsible?->name ?? 'nobody' }}</b>.
                @if ($sets === [])<span class="soft">No promise set asks for this company: it is promised what everybody like it is.</span>
                @else Promised by
                @foreach ($sets as $set)<a href="/promises/{{ $set->id }}">{{ $set->name }}</a>{{ $loop->last ? '.' : ', ' }}@endforeach
                @endif</p>
        </section>
        @if ($company->proposals->isNotEmpty())
            <section aria-labelledby="likely"><h2 id="likely">Write from its domains</h2><ul class="sheet proposals">
                @foreach ($company->proposals as $proposal)@include('companies.proposal')@endforeach
            </ul></section>
        @endif
        <section class="sheet pad" aria-labelledby="people">
            <h2 id="people">People <span class="soft">{{ $company->people->count() }}</span></h2>
            @if ($company->people->isEmpty())<p class="soft">Nobody yet. Add somebody below, or write down its mail domain.</p>@else
            <table class="order-lines company-people"><caption class="visually-hidden">People</caption><thead><tr><th
                scope="col">Name</th><th scope="col">What they do there</th><th scope="col">Found by</th><th scope="col"
                class="number">Conversations</th><th scope="col"><span class="visually-hidden">Change</span></th></tr></thead><tbody>
                @foreach ($company->people as $person)
                    <tr><td><a href="{{ route('customer', $person) }}"><b>{{ $person->name }}</b></a></td>
                        <td>{{ $person->company_role ?? '—' }}</td>
                        <td class="wrap-anywhere">{{ $person->handles->take(2)->pluck('shown')->implode(' · ') ?: '—' }}</td>
                        <td class="number">{{ $person->conversations_count }}</td>
                        <td class="number">@can('answer-customers')<details class="menu" id="menu-person-{{ $person->id }}"><summary
                            class="word-chip" aria-label="Change {{ $person->name }}">Change</summary><div
                            class="menu-panel menu-end menu-form"><form method="post"
                            action="/customers/{{ $person->id }}/company">@csrf<input
                            type="hidden" name="company" value="{{ $company->id }}"><label for="role-{{ $person->id }}">What they do
                            there</label><input class="form-control form-control-sm" id="role-{{ $person->id }}" name="role"
                            maxlength="120" value="{{ $person->company_role }}"><button
                            class="btn btn-sm btn-outline-secondary">Save</button></form>
                            <form method="post" action="/customers/{{ $person->id }}/company">@csrf<button
                            class="btn btn-sm btn-outline-secondary">Not of {{ $company->name }} any more</button></form></div>
                            </details>@endcan</td></tr>
                @endforeach
            </tbody></table>
            @endif
            @can('answer-customers')
            <form method="post" action="/companies/{{ $company->id }}/people" class="inline-form">@csrf
                <label class="visually-hidden" for="who">Address, telephone or customer number</label><input
                    class="form-control form-control-sm" id="who" name="who" value="{{ old('who') }}" required
                    placeholder="Address, telephone or customer number">
                <label class="visually-hidden" for="role">What they do there</label><input class="form-control form-control-sm"
                    id="role" name="role" value="{{ old('role') }}" placeholder="What they do there" maxlength="120">
                <button class="btn btn-sm btn-outline-secondary">Add</button>
            </form>
            @endcan
        </section>
        @include('customers.conversations', [
            'all' => '/search?'.http_build_query(['q' => 'company:"'.str_replace('"', '', $company->name).'"']),
        ])
    </div>
    <div>
        @include('customers.orders', ['count' => $orderCount])
        @if ($company->addresses !== [])
        <section class="sheet pad" aria-labelledby="addresses"><h2 id="addresses">Addresses</h2>@foreach ($company->addresses as $address)<p
            class="plain-text">{{ $address }}</p>@endforeach</section>
        @endif
        @include('customers.notes', ['notes' => $company->notes, 'action' => "/companies/{$company->id}/notes"])
        @can('answer-customers')
        @if ($fields !== [])
        <section class="sheet pad" aria-labelledby="own-fields"><h2 id="own-fields">Own fields</h2>
            @include('fields.of-conversation', [
                'rows' => $fields, 'key' => 'company', 'action' => "/companies/{$company->id}/fields", 'order' => null,
            ])
        </section>
        @endif
        <section class="sheet pad" aria-labelledby="known">
            <h2 id="known">What is known</h2>
            <form method="post" action="/companies/{{ $company->id }}">@csrf
                @include('companies.fields')
                <button class="btn btn-outline-secondary btn-sm">Save</button>
            </form>
        </section>
        <section class="sheet pad" aria-labelledby="merge">
            <h2 id="merge">Merge</h2>
            @if ($others->isNotEmpty())
            <form method="post" action="/companies/{{ $company->id }}/merge" class="inline-form">@csrf<label
                class="visually-hidden" for="other">Another company</label><select class="form-select form-select-sm" id="other"
                name="other" required><option value="">Another company</option>@foreach ($others as $other)<option
                value="{{ $other->id }}">{{ $other->name }}</option>@endforeach</select><button
                class="btn btn-sm btn-outline-secondary">is the same</button></form>
            @else<p class="soft">There is no other company.</p>@endif
            @foreach ($merges as $merge)
                <p>{{ $merge->merged->name }} was merged into this one by {{ $merge->teammate->name }}, {{ $time->short($merge->at) }}.</p>
                <form method="post" action="/company-merges/{{ $merge->id }}/undo">@csrf<button
                    class="btn btn-sm btn-outline-secondary">Undo it</button></form>
            @endforeach
            @if ($company->people->isEmpty() && $merges->isEmpty())
                <form method="post" action="/companies/{{ $company->id }}">@csrf @method('delete')<button
                    class="btn btn-sm btn-outline-danger">Take the company away</button></form>
            @endif
        </section>
        @endcan
    </div>
</main>
@endsection
