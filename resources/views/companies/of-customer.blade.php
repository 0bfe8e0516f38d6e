{{-- The company of a customer, or one that is proposed, beside a conversation and on the customer's page. --}}
@if ($customer->company !== null)
    <p class="of-company">Of <a href="{{ route('company', $customer->company) }}"><b>{{ $customer->company->name
        }}</b></a>@if ($customer->company_role !== null), {{ $customer->company_role }}@endif
        @if ($customer->company->responsible !== null)<small>ours: {{ $customer->company->responsible->name }}</small>@endif</p>
@else
    @foreach ($companyProposals as $proposal)
        <div class="of-company of-company-likely" role="note"><p>Writes from a domain of <a
            href="{{ route('company', $proposal->company) }}"><b>{{ $proposal->company->name }}</b></a>.</p>
            @can('answer-customers')
            <div class="row-buttons"><form method="post" action="/company-proposals/{{ $proposal->id }}/confirm">@csrf<button
                class="btn btn-sm btn-outline-secondary">Is of it</button></form>
                <form method="post" action="/company-proposals/{{ $proposal->id }}/dismiss">@csrf<button
                class="btn btn-sm btn-outline-secondary">Is not</button></form></div>
            @endcan
        </div>
    @endforeach
@endif
