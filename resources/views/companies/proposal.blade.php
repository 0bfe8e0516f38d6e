{{-- Somebody who writes from a company's domain: a person says whether they are of it. --}}
<li class="proposal proposal-company">
    <div><a href="{{ route('customer', $proposal->customer) }}"><b>{{ $proposal->customer->name }}</b></a>
        <small>{{ $proposal->customer->handles->where('kind', 'email')->pluck('shown')->implode(' · ') }}</small></div>
    @can('answer-customers')
        <div class="row-buttons">
            <form method="post" action="/company-proposals/{{ $proposal->id }}/confirm" class="inline-form">@csrf<label
                class="visually-hidden" for="role-of-{{ $proposal->id }}">What {{ $proposal->customer->name }} does there</label><input
                class="form-control form-control-sm" id="role-of-{{ $proposal->id }}" name="role" maxlength="120"
                placeholder="What they do there"><button class="btn btn-sm btn-primary">They are of it</button></form>
            <form method="post" action="/company-proposals/{{ $proposal->id }}/dismiss">@csrf<button
                class="btn btn-sm btn-outline-secondary">They are not</button></form>
        </div>
    @endcan
</li>
