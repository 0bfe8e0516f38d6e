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
        <section class="sheet pad" aria-labelledby="conversations">
            <h2 id="conversations">Conversations <span class="soft">{{ $conversationCount }}</span></h2>
            @if ($conversations->isEmpty())<p class="soft">None yet.</p>@endif
            <ul class="earlier">
                @foreach ($conversations as $conversation)
                    <li><a href="{{ route('conversation', $conversation) }}"><x-icon :name="$conversation->channel->icon()"
                        :label="$conversation->channel->label()"/>
                        <b>{{ $conversation->subject }}</b></a><small>{{ $conversation->number() }} ·
                        {{ $conversation->customer->name }} · {{ $conversation->state->label() }} ·
                        {{ $conversation->category?->name ?? 'no category' }} · {{ $conversation->owner?->firstName() ?? 'nobody’s' }} ·
                        {{ $time->short($conversation->last_message_at) }}</small></li>
                @endforeach
            </ul>
            @if ($conversationCount > $conversations->count())<p class="soft">The newest {{ $conversations->count() }}. <a
                href="/search?{{ http_build_query(['q' => 'company:"'.$company->name.'"']) }}">All of them</a></p>@endif
        </section>
    </div>
    <div>
        <section class="sheet pad" aria-labelledby="orders">
            <h2 id="orders">Orders <span class="soft">{{ $orderCount }}</span></h2>
            @if ($orders->isEmpty())<p class="soft">No order is known.</p>@endif
            <table class="order-lines"><caption class="visually-hidden">Orders</caption><tbody>
                @foreach ($orders as $order)
                    <tr><td><a href="{{ route('order', $order) }}">{{ $order->number }}</a></td><td>{{ $time->short($order->placed_at)
                        }}</td><td>{{ $order->status }}</td><td>{{ $order->money($order->total) }}</td></tr>
                @endforeach
            </tbody></table>
        </section>
        @if ($company->addresses !== [])
        <section class="sheet pad" aria-labelledby="addresses"><h2 id="addresses">Addresses</h2>@foreach ($company->addresses as $address)<p
            class="plain-text">{{ $address }}</p>@endforeach</section>
        @endif
        <section class="sheet pad customer-notes" aria-labelledby="notes">
            <h2 id="notes">Notes for the team</h2>
            @foreach ($company->notes as $note)<div class="customer-note"><p
            class="plain-text">{{ $note->text }}</p><small>{{ $note->teammate->name }}, {{ $time->short($note->created_at)
                }}</small></div>@endforeach
            <form method="post" action="/companies/{{ $company->id }}/notes">@csrf<label class="visually-hidden"
                for="note">Note</label><textarea class="form-control" id="note" name="text" rows="2"
                placeholder="What the team should remember of them" required></textarea><button
                class="btn btn-note btn-sm">Write note</button></form>
        </section>
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
