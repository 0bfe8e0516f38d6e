@extends('layouts.app')
@use('Illuminate\Support\Str')
@section('title', 'Customers')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>Customers</h1>
        <form method="get" action="/customers" class="find" role="search">
            <label class="visually-hidden" for="find">Name, company, address, number or order</label><input class="form-control" id="find"
                name="find" type="search" value="{{ $find }}" placeholder="Name, company, address, telephone, order">
            <label class="visually-hidden" for="group">Group</label>
            <select class="form-select" id="group" name="group" data-submit><option value="">All
                groups</option>@foreach ($groups as $one)<option value="{{ $one->id }}"
                @selected($group === $one->id)>{{ $one->name }} ({{ $one->customers_count }})</option>@endforeach</select>
            <button class="btn btn-outline-secondary">Find</button>
        </form>
        <a class="btn btn-outline-secondary" href="/companies">Companies</a>
        <a class="btn btn-outline-secondary" href="/customer-groups">Groups</a>
        <a class="btn btn-outline-secondary" href="/duplicates">Likely duplicates
            @if ($proposalCount > 0)<b class="tab-count">{{ $proposalCount }}</b>@endif</a>
    </div>
    @if ($customers->isEmpty())
        <div class="empty"><p>@if ($find !== '')Nobody is found by “{{ $find }}”. Try how the name or the address begins.@else Nobody
            has written yet.@endif</p></div>
    @else
    <table class="table sheet">
        <thead><tr><th scope="col">Name</th><th scope="col">Found by</th><th scope="col">Groups</th><th scope="col"
            class="number">Conversations</th><th scope="col" class="number">Orders</th></tr></thead>
        <tbody>
            @foreach ($customers as $customer)
                <tr>
                    <td class="wrap-anywhere"><a
                        href="{{ route('customer', $customer) }}"><b>{{ Str::limit($customer->name, 60) }}</b></a>
                        @if ($customer->company !== null)
                        <small class="name-company">{{ Str::limit($customer->company->name, 60) }}</small>@endif</td>
                    <td class="wrap-anywhere">{{ $customer->handles->take(3)->pluck('shown')->implode(' · ')
                        }}@if ($customer->handles->count() > 3)
                        and {{ $customer->handles->count() - 3 }} more @endif</td>
                    <td>{{ $customer->groups->pluck('name')->implode(', ') ?: '—' }}</td>
                    <td class="number">{{ $customer->conversations_count }}</td>
                    <td class="number">{{ $customer->orders_count }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @include('layouts.pages', ['rows' => $customers])
    @endif
</main>
@endsection
