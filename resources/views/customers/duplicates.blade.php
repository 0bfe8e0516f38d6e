@extends('layouts.app')
@section('title', 'Likely duplicates')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Likely duplicates</h1><a class="btn btn-outline-secondary" href="/customers">All customers</a></div>
    <p class="soft">Customers who share something, never a name alone. Merging can be undone on the customer’s page.</p>
    @if ($proposals->isEmpty())
        <div class="empty"><p>Nobody looks like anybody else just now.</p></div>
    @else
        <ul class="sheet proposals">@foreach ($proposals as $proposal)@include('customers.proposal')@endforeach</ul>
        @include('layouts.pages', ['rows' => $proposals])
    @endif
</main>
@endsection
