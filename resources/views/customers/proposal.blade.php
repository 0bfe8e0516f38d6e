{{-- Two customers who are likely one, with the reasons. --}}
<li class="proposal">
    <div class="proposal-two">
        @foreach ([$proposal->one, $proposal->other] as $person)
            <div><a href="{{ route('customer', $person) }}"><b>{{ $person->name }}</b></a><small>{{
                $person->handles->pluck('shown')->implode(' · ') ?: 'no address' }}</small></div>
        @endforeach
    </div>
    <ul class="reasons">@foreach ($proposal->reasons as $reason)<li>{{ $reason }}</li>@endforeach</ul>
    @can('answer-customers')
        <div class="row-buttons">
            <form method="post" action="/customers/{{ $proposal->one_id }}/merge">@csrf<input type="hidden" name="other"
                value="{{ $proposal->other_id }}"><button class="btn btn-sm btn-primary">They are one</button></form>
            <form method="post" action="/duplicates/{{ $proposal->id }}/dismiss">@csrf<button
                class="btn btn-sm btn-outline-secondary">They are two</button></form>
        </div>
    @endcan
</li>
