@extends('layouts.app')
@use('App\Support\Languages')
@use('Illuminate\Support\Str')
@section('title', $customer->name)
@section('content')
<main id="content" class="page page-two">
    <div>
        <section class="sheet pad" aria-labelledby="customer-name">
            <div class="order-head"><h1 id="customer-name">{{ $customer->name }}</h1>@foreach ($customer->groups as $group)<a
                class="group-chip" href="/customers?group={{ $group->id }}">{{ $group->name }}</a>@endforeach</div>
            @include('companies.of-customer')
            <ul class="handle-list">
                @forelse ($customer->handles as $handle)
                    <li><b>{{ $handle->shown }}</b> <span
                        class="soft">{{ in_array($handle->kind, ['email', 'telephone'], true) ? $handle->kind : $handle->kindLabel()
                            }}@if ($handle->why !== ''),
                        {{ $handle->why }}@endif</span></li>
                @empty
                    <li class="soft">No address, number or account name is known.</li>
                @endforelse
            </ul>
            @can('answer-customers')
            <form method="post" action="/customers/{{ $customer->id }}/handles" class="inline-form">@csrf
                <label class="visually-hidden" for="handle-kind">Kind</label><select class="form-select form-select-sm" id="handle-kind"
                    name="kind">@foreach ($handleKinds as $kind => $label)<option value="{{ $kind }}"
                    @selected(old('kind') === $kind)>{{ $label }}</option>@endforeach</select>
                <label class="visually-hidden" for="handle-value">Address, number or name</label><input
                    class="form-control form-control-sm" id="handle-value" name="value" value="{{ old('value') }}"
                    placeholder="Address, number or account name" required>
                <button class="btn btn-sm btn-outline-secondary">Add</button>
            </form>
            @endcan
        </section>
        @if ($proposals->isNotEmpty())
            <section aria-labelledby="likely"><h2 id="likely">Likely the same person</h2><ul
                class="sheet proposals">@foreach ($proposals as $proposal)@include('customers.proposal')@endforeach</ul></section>
        @endif
        @include('customers.conversations', ['all' => null])
        @if ($posts->isNotEmpty())
            <section class="sheet pad" aria-labelledby="posts"><h2 id="posts">Said in public, without a conversation</h2><ul
                class="earlier">@foreach ($posts as $post)<li>{{ Str::limit($post->text, 200) }}<small>{{
                    $post->account->title() }}
                · {{ $time->short($post->posted_at) }}</small></li>@endforeach</ul></section>
        @endif
    </div>
    <div>
        @include('customers.orders', ['count' => $orders->count()])
        @include('customers.credit')
        @include('customers.notes', ['notes' => $customer->notes, 'action' => "/customers/{$customer->id}/notes"])
        @can('answer-customers')
        <section class="sheet pad" aria-labelledby="known">
            <h2 id="known">What is known</h2>
            <form method="post" action="/customers/{{ $customer->id }}">@csrf
                <label class="form-label" for="name">Name</label><input class="form-control" id="name" name="name"
                    value="{{ old('name', $customer->name) }}" required maxlength="200">
                <label class="form-label" for="language">Writes in</label><input class="form-control" id="language" name="language"
                    value="{{ old('language', $customer->language) }}" maxlength="3" placeholder="en" list="languages">
                <datalist id="languages">@foreach (Languages::all() as $code => $name)<option
                    value="{{ $code }}">{{ $name }}</option>@endforeach</datalist>
                <label class="form-label" for="facts">Anything else, one a line</label><textarea class="form-control" id="facts"
                    name="facts" rows="3" placeholder="club: festival">{{ old('facts', collect($customer->facts ?? [])->map(fn ($value,
                    $name) => "{$name}: {$value}")->implode("\n")) }}</textarea>
                <button class="btn btn-outline-secondary btn-sm">Save</button>
            </form>
        </section>
        <section class="sheet pad" aria-labelledby="company">
            <h2 id="company">Company</h2>
            <form method="post" action="/customers/{{ $customer->id }}/company">@csrf
                <label class="form-label" for="of-company">Of</label><select class="form-select" id="of-company" name="company"><option
                    value="">no company</option>@foreach ($companies as $one)<option value="{{ $one->id }}"
                    @selected((int) old('company', $customer->company_id) === $one->id)>{{ $one->name }}</option>@endforeach</select>
                <label class="form-label" for="company-role">What they do there</label><input class="form-control" id="company-role"
                    name="role" maxlength="120" value="{{ old('role', $customer->company_role) }}" placeholder="buys for the shop">
                <button class="btn btn-outline-secondary btn-sm">Save</button>
                <a href="/companies">Companies</a>
            </form>
        </section>
        <section class="sheet pad" aria-labelledby="merge">
            <h2 id="merge">Merge</h2>
            <form method="post" action="/customers/{{ $customer->id }}/merge" class="inline-form">@csrf<label for="other">Customer
                number</label><input class="form-control form-control-sm" id="other" name="other" inputmode="numeric" required><button
                class="btn btn-sm btn-outline-secondary">is the same person</button></form>
            <p class="soft">This one is number {{ $customer->id }}.</p>
            @foreach ($merges as $merge)
                <p>{{ $merge->merged->name }} was merged into this one by {{ $merge->teammate->name }}, {{ $time->short($merge->at) }}.</p>
                <form method="post" action="/customer-merges/{{ $merge->id }}/undo">@csrf<button
                    class="btn btn-sm btn-outline-secondary">Undo it</button></form>
            @endforeach
        </section>
        @endcan
    </div>
</main>
@endsection
