@extends('layouts.app')
@use('App\Returns\PolicyToSave')
@use('App\Returns\ReturnSettings')
@use('App\Support\RefusedInput')
@section('title', 'Return policies')
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Return policies</h1>
        <form method="post" action="/return-policies/reasons" class="find">@csrf<label class="visually-hidden" for="new-reason">New
            reason</label><input class="form-control" id="new-reason" name="name" maxlength="80" placeholder="New reason" required
            value="{{ RefusedInput::in('/return-policies/reasons')->value('name') }}"><button
                class="btn btn-primary">Add</button></form></div>
    <p class="soft">Why something comes back or money goes back, and what holds then. A reason without a policy is for money alone. Each
        change is a version; returns that have begun keep theirs.</p>
    @foreach ($reasons as $reason)
        <section class="sheet pad policy-card" aria-labelledby="reason-{{ $reason->id }}">
            <div class="policy-card-head"><h2 id="reason-{{ $reason->id }}">{{ $reason->name }}</h2>
                <a class="btn btn-sm btn-outline-secondary" href="/return-policies/reasons/{{ $reason->id }}/policies/new">{{
                    $reason->policies->isEmpty() ? 'Let it come back' : 'Another for some' }}</a>
                <details class="menu"><summary class="btn btn-sm btn-outline-secondary">More</summary><div class="menu-panel menu-end">
                    <form method="post" action="/return-policies/reasons/{{ $reason->id }}">@csrf<label class="form-label"
                        for="reason-name-{{ $reason->id }}">Name</label><input class="form-control form-control-sm"
                        id="reason-name-{{ $reason->id }}" name="name" maxlength="80" value="{{ $reason->name }}"
                        required><button>Rename</button></form>
                    <form method="post"
                        action="/return-policies/reasons/{{ $reason->id }}/retire">@csrf<button>Retire</button></form></div></details>
            </div>
            @if ($reason->policies->isEmpty())<p class="soft">Only money goes back.</p>@endif
            @foreach ($reason->policies as $policy)
                @php $terms = $policy->agreed(); @endphp
                <p class="policy-line"><a class="row-link"
                    href="/return-policies/{{ $policy->id }}"><b>{{ ucfirst($policy->scope()) }}</b></a>
                    <span>{{ $terms->days }} days ·
                        {{ $terms->customerPays ? 'the customer pays the label'.($terms->labelCost === [] ? '' : ', '.
                            PolicyToSave::written($terms->labelCost)) : 'we pay the label' }} ·
                        delivery back: {{ $terms->delivery }}{{ $terms->fee === '0' ? '' : " · fee {$terms->fee} %" }}{{
                            $terms->needsPhoto ? ' · photo' : '' }}{{ $terms->needsInspection ? '' : ' · no inspection' }}{{
                            $terms->longerIn === [] ? '' : ' · longer in '.implode(', ', array_keys($terms->longerIn)) }}</span>
                    <small class="soft">version {{ $policy->version }}</small></p>
            @endforeach
        </section>
    @endforeach
    <form method="post" action="/return-policies/bench" class="sheet pad" aria-labelledby="bench-title">
        @csrf
        @php $was = RefusedInput::in('/return-policies/bench'); @endphp
        <h2 id="bench-title">The bench</h2>
        <div class="policy-grid">
            <div><label class="form-label" for="bench-calendar">By the hours of</label><select class="form-select" id="bench-calendar"
                name="calendar"><option value="">the store</option>@foreach ($calendars as $one)<option value="{{ $one->id }}"
                @selected($calendar === $one->id)>{{ $one->name }}</option>@endforeach</select></div>
            @foreach (['decide' => 'Hours to decide', 'inspect' => 'Hours to inspect', 'settle' => 'Hours to settle'] as $step => $label)
                <div><label class="form-label" for="bench-{{ $step }}">{{ $label }}</label><input class="form-control" type="number" min="1"
                    max="400" id="bench-{{ $step }}" name="{{ $step }}" required
                    value="{{ $was->value($step, ReturnSettings::hours($step)) }}"></div>
            @endforeach
            <div><label class="form-label" for="bench-stuck">Stuck after days without a scan</label><input class="form-control"
                type="number"
                min="1" max="90" id="bench-stuck" name="stuck" required
                    value="{{ $was->value('stuck', ReturnSettings::stuckAfter()) }}"></div>
        </div>
        <h2>What customers are told, by itself</h2>
        <div class="policy-grid">@foreach (ReturnSettings::TOLD as $step => $label)<div><label class="form-label" for="told-{{ $step }}">{{
            $label }}</label><select class="form-select" id="told-{{ $step }}" name="told[{{ $step }}]"><option value="">nothing</option>
            @foreach ($templates as $id => $name)<option value="{{ $id }}" @selected((string) $was->value("told.{$step}",
                (string) ReturnSettings::toldWith($step)) === (string) $id)>{{ $name }}</option>@endforeach</select></div>@endforeach</div>
        <div class="form-foot"><button class="btn btn-primary">Save</button></div>
    </form>
    @if ($retired->isNotEmpty())
        <details class="retired"><summary>{{ trans_choice('{1} One reason is retired|[2,*] :count reasons are retired', $retired->count(),
            ['count' => $retired->count()]) }}</summary><ul class="sheet">@foreach ($retired as $reason)<li><span>{{ $reason->name
            }}</span><form method="post" action="/return-policies/reasons/{{ $reason->id }}/bring-back">@csrf<button
            class="btn btn-sm btn-outline-secondary">Bring back <span class="visually-hidden">{{ $reason->name
            }}</span></button></form></li>@endforeach</ul></details>
    @endif
</main>
@endsection
