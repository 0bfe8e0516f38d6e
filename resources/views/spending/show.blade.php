@extends('layouts.app')
@use('App\Spending\UnusualSpending')
@use('App\Spending\WhatItCost')
@section('title', 'What it cost')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>What it cost</h1><a class="btn btn-outline-secondary" href="/refunds">Given back</a></div>
    <div class="page-two">
        <div>
            <section class="sheet pad" aria-labelledby="by-week"><h2 id="by-week">By week <span class="soft">the last
                {{ WhatItCost::WEEKS }}</span></h2>
                <div class="wide-scroll" tabindex="0" role="region" aria-label="By week, as a table"><table
                    class="table"><thead><tr><th scope="col">Week of</th><th scope="col" class="number">Refunds</th><th scope="col"
                    class="number">For returns</th><th scope="col" class="number">Given back</th><th scope="col" class="number">Of it
                    goodwill</th></tr></thead><tbody>@foreach ($weeks as $one)<tr><td>{{ $one['name'] }}</td><td class="number">{{
                        $one['count'] }}</td><td class="number">{{ $one['returns'] }}</td><td class="number">{{ $one['given'] }}</td><td
                        class="number">{{ $one['goodwill'] }}</td></tr>@endforeach</tbody></table></div></section>
            <section class="sheet pad" aria-labelledby="by-reason"><h2 id="by-reason">By reason</h2>
                <div class="wide-scroll" tabindex="0" role="region" aria-label="By reason, as a table"><table
                    class="table"><thead><tr><th scope="col">Reason</th><th scope="col" class="number">Refunds</th><th scope="col"
                    class="number">For returns</th><th scope="col" class="number">Given back</th><th scope="col" class="number">Of it
                    goodwill</th></tr></thead><tbody>@foreach ($reasons as $one)<tr><td>{{ $one['name'] }}</td><td class="number">{{
                        $one['count'] }}</td><td class="number">{{ $one['returns'] }}</td><td class="number">{{ $one['given'] }}</td><td
                        class="number">{{ $one['goodwill'] }}</td></tr>@endforeach</tbody></table></div></section>
            <section class="sheet pad" aria-labelledby="by-product"><h2 id="by-product">By product</h2>
                <div class="wide-scroll" tabindex="0" role="region" aria-label="By product, as a table"><table
                    class="table"><thead><tr><th scope="col">Product</th><th scope="col" class="number">Units</th><th scope="col"
                    class="number">Given back</th></tr></thead><tbody>@foreach ($products as $one)<tr><td>{{ $one['name'] }}</td><td
                    class="number">{{ $one['units'] }}</td><td
                        class="number">{{ $one['given'] }}</td></tr>@endforeach</tbody></table></div></section>
        </div>
        <div>
            <section class="sheet pad" aria-labelledby="customers"><h2 id="customers">Customers with many</h2>
                <p class="soft">Of their orders of {{ UnusualSpending::DAYS }} days, those of which money went back, beside what chance
                    gives when all are alike. For somebody to judge: most have a good reason.</p>
                @include('spending.lines', ['lines' => $customers, 'title' => 'Customers', 'who' => 'Customer', 'of' => 'Orders',
                    'counted' => 'Given back', 'none' => 'Nobody has had money back twice.'])</section>
            <section class="sheet pad" aria-labelledby="people"><h2 id="people">Goodwill, by person and reason</h2>
                <p class="soft">How often each adds goodwill, beside the others on like matters.</p>
                @include('spending.lines', ['lines' => $people, 'title' => 'People', 'who' => 'Person and reason', 'of' => 'Refunds',
                    'counted' => 'With goodwill', 'none' => 'Nothing to compare: nobody has given twice where others have, too.'])</section>
            <section class="sheet pad" aria-labelledby="addresses"><h2 id="addresses">One address, several names</h2>
                @if ($addresses === [])<p class="soft">None to which money went back.</p>@else
                    <ul class="plain-list">@foreach ($addresses as $one)<li><b>{{ $one['address'] }}</b> {{ $one['names'] }}<small
                        class="soft">{{ $one['refunds'] }} refunds of {{
                            $one['orders'] }} orders</small></li>@endforeach</ul>@endif</section>
        </div>
    </div>
</main>
@endsection
