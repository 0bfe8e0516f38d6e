@extends('layouts.app')
@use('Illuminate\Support\Str')
@section('title', 'Companies')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>Companies</h1>
        <form method="get" action="/companies" class="find" role="search">
            <label class="visually-hidden" for="find">Name or mail domain</label><input class="form-control" id="find" name="find"
                type="search" value="{{ $find }}" placeholder="Name or mail domain">
            <button class="btn btn-outline-secondary">Find</button>
        </form>
        <a class="btn btn-outline-secondary" href="/customers">Customers</a>
    </div>
    @if ($companies->isEmpty())
        <div class="empty"><p>@if ($find !== '')No company is found by “{{ $find }}”. Try how its name begins.@else There is no company yet.
            Wholesale customers and partners are companies: several people, one page.@endif</p></div>
    @else
    <table class="table sheet">
        <thead><tr><th scope="col">Name</th><th scope="col">Mail domains</th><th scope="col">Responsible with us</th><th scope="col"
            class="number">People</th><th scope="col" class="number">Proposed</th></tr></thead>
        <tbody>
            @foreach ($companies as $company)
                <tr>
                    <td class="wrap-anywhere"><a
                        href="{{ route('company', $company) }}"><b>{{ Str::limit($company->name, 60) }}</b></a></td>
                    <td class="wrap-anywhere">{{ $company->domains->pluck('domain')->implode(' · ') ?: '—' }}</td>
                    <td>{{ $company->responsible?->name ?? '—' }}</td>
                    <td class="number">{{ $company->people_count }}</td>
                    <td class="number">@if ($company->proposals_count > 0)<b
                        class="tab-count">{{ $company->proposals_count }}</b>@else — @endif</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @include('layouts.pages', ['rows' => $companies])
    @endif
    @can('answer-customers')
        <details class="sheet pad new-company" @if ($errors->any() || old('name') !== null) open @endif><summary>Add a company</summary>
            <form method="post" action="/companies">@csrf
                @include('companies.fields', ['company' => null])
                <button class="btn btn-primary">Add</button>
            </form>
        </details>
    @endcan
</main>
@endsection
