@extends('layouts.app')
@use('App\Approvals\SpendingLimits')
@use('App\Returns\PolicyToSave')
@use('App\Support\RefusedInput')
@section('title', 'Limits')
@php
    $was = RefusedInput::in('/approval-limits');
    $names = [
        'refund' => 'One refund', 'customer' => 'One customer, within '.SpendingLimits::CUSTOMER_DAYS.' days', 'goodwill' => 'Goodwill',
    ];
@endphp
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>Limits</h1></div>
    <p class="soft">Up to these, somebody gives money back by themselves; above, a second person says yes. In each currency that you sell
        in, such as 50.00 EUR, 370.00 DKK. Left empty, care staff always ask, and leads never do.</p>
    @if ($errors->any())<ul class="field-problem"
        role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
    <form method="post" action="/approval-limits" class="sheet pad">
        @csrf
        @foreach ($roles as $role)
            <fieldset class="policy-part"><legend>{{ $role->label() }}</legend><div class="policy-grid">
                @foreach ($names as $kind => $name)
                    <div><label class="form-label" for="l-{{ $role->value }}-{{ $kind }}">{{ $name }}</label><input class="form-control"
                        id="l-{{ $role->value }}-{{ $kind }}" name="limits[{{ $role->value }}][{{ $kind }}]" maxlength="300"
                        value="{{
                            $was->value("limits.{$role->value}.{$kind}", PolicyToSave::written($limits->ofRole($role)[$kind] ?? [])) }}">
                    </div>
                @endforeach</div></fieldset>
        @endforeach
        <div class="policy-grid">
            <div><label class="form-label" for="l-second">An administrator says yes too, above</label><input class="form-control"
                id="l-second"
                name="second_above" maxlength="300" placeholder="500.00 EUR"
                value="{{ $was->value('second_above', PolicyToSave::written($limits->secondAbove() ?? [])) }}"></div>
            <div><label class="form-label" for="l-remind">Remind after working days</label><input class="form-control" type="number" min="1"
                max="60" id="l-remind" name="remind" required value="{{ $was->value('remind', (string) $limits->remindAfter()) }}"></div>
        </div>
        <div class="form-foot"><button class="btn btn-primary">Save</button></div>
    </form>
</main>
@endsection
