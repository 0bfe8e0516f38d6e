@extends('layouts.app')
@use('App\Returns\Grade')
@use('App\Returns\PolicyToSave')
@use('App\Returns\ReturnTerms')
@use('App\Support\RefusedInput')
@section('title', "Policy for “{$reason->name}”")
@php
    $action = $policy->exists ? "/return-policies/{$policy->id}" : "/return-policies/reasons/{$reason->id}/policies";
    $was = RefusedInput::in($action);
    $box = fn (string $name, bool $stored): bool => $was->isHere ? old($name) !== null : $stored;
@endphp
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>{{ $reason->name }}</h1><a class="btn btn-outline-secondary" href="/return-policies">All policies</a></div>
    @if ($errors->any())<ul class="field-problem"
        role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
    <form method="post" action="{{ $action }}" class="sheet pad">
        @csrf
        <input type="hidden" name="version" value="{{ $was->value('version', (string) $policy->version) }}">
        <fieldset class="policy-part"><legend>For what it holds</legend>
            <div class="policy-grid">
                <div><label class="form-label" for="p-words">Products with one of these words</label><input
                    class="form-control" id="p-words" name="product_words" maxlength="300" placeholder="gift card, line set"
                    value="{{ $was->value('product_words', $policy->product_words) }}"></div>
                <div><label class="form-label" for="p-group">Customers</label><select class="form-select" id="p-group" name="group"><option
                    value="">all</option>@foreach ($groups as $group)<option value="{{ $group->id }}"
                    @selected((string) $was->value('group', (string) $policy->group_id) === (string) $group->id)>{{ $group->name }}</option>
                    @endforeach</select></div>
                <div><label class="form-label" for="p-market">Sold on</label><select class="form-select" id="p-market"
                    name="marketplace"><option value="">anywhere</option>@foreach ($marketplaces as $market)<option
                    @selected($was->value('marketplace', $policy->marketplace) === $market)>{{ $market }}</option>@endforeach</select></div>
            </div></fieldset>
        <fieldset class="policy-part"><legend>How long</legend>
            <div class="policy-grid">
                <div><label class="form-label" for="p-days">Days from its arrival</label><input class="form-control" type="number" min="0"
                    max="3650" id="p-days" name="days" required value="{{ $was->value('days', (string) $terms->days) }}"></div>
                <div><label class="form-label" for="p-transit">Days a parcel takes, where nobody knows</label><input class="form-control"
                    type="number" min="0" max="90" id="p-transit" name="transit_days" required
                    value="{{ $was->value('transit_days', (string) $terms->transitDays) }}"></div>
                <div><label class="form-label" for="p-longer">Countries with a longer right, with days</label><input class="form-control"
                    id="p-longer" name="longer_in" maxlength="1000" placeholder="SE 60, NO 45"
                    value="{{ $was->value('longer_in', PolicyToSave::writtenCountries($terms->longerIn)) }}"></div>
            </div>
            <label class="tick-line"><input class="form-check-input" type="checkbox" name="to_open_day" value="1"
                @checked($box('to_open_day', $terms->toOpenDay))> A last day on which the store is closed moves to the next open one</label>
            <div class="policy-grid">
                <div><label class="form-label" for="p-remind">Remind after days</label><input class="form-control" type="number" min="0"
                    max="365" id="p-remind" name="remind_after" required
                        value="{{ $was->value('remind_after', (string) $terms->remindAfter) }}">
                </div>
                <div><label class="form-label" for="p-send">Lapses when not sent within days</label><input class="form-control"
                    type="number"
                    min="1" max="365" id="p-send" name="send_within" required
                    value="{{ $was->value('send_within', (string) $terms->sendWithin) }}"></div>
            </div></fieldset>
        <fieldset class="policy-part"><legend>Who pays what</legend>
            <div class="policy-grid">
                <div><label class="form-label" for="p-pays">The parcel back</label><select class="form-select" id="p-pays"
                    name="customer_pays">@foreach (['1' => 'the customer pays', '0' => 'we pay'] as $value => $label)<option
                    value="{{ $value }}" @selected($was->value('customer_pays', $terms->customerPays ? '1' : '0') === (string) $value)>{{
                        $label }}</option>@endforeach</select></div>
                <div><label class="form-label" for="p-cost">What the label costs them</label><input class="form-control" id="p-cost"
                    name="label_cost" maxlength="300" placeholder="6.50 EUR, 49.00 DKK"
                    value="{{ $was->value('label_cost', PolicyToSave::written($terms->labelCost)) }}"></div>
                <div><label class="form-label" for="p-fee">Fee, percent of the goods</label><input class="form-control" id="p-fee"
                    name="fee"
                    maxlength="6" required inputmode="decimal" value="{{ $was->value('fee', $terms->fee) }}"></div>
                <div><label class="form-label" for="p-delivery">Delivery given back</label><select class="form-select" id="p-delivery"
                    name="delivery">@foreach (ReturnTerms::DELIVERY as $way)<option
                    @selected($was->value('delivery', $terms->delivery) === $way)>{{ $way }}</option>@endforeach</select></div>
                <div><label class="form-label" for="p-bonus">Store credit adds, %</label><input class="form-control" id="p-bonus"
                    name="credit_bonus" maxlength="6" required inputmode="decimal"
                    value="{{ $was->value('credit_bonus', $terms->creditBonus) }}"></div>
                <div><label class="form-label" for="p-stays">Under that, they keep it</label><input class="form-control"
                    id="p-stays"
                    name="stays_under" maxlength="300" placeholder="8.00 EUR"
                    value="{{ $was->value('stays_under', PolicyToSave::written($terms->staysUnder)) }}"></div>
            </div></fieldset>
        <fieldset class="policy-part"><legend>How it is looked at</legend>
            <label class="tick-line"><input class="form-check-input" type="checkbox" name="needs_photo" value="1"
                @checked($box('needs_photo', $terms->needsPhoto))> A photo is asked for before it is agreed</label>
            <label class="tick-line"><input class="form-check-input" type="checkbox" name="needs_inspection" value="1"
                @checked($box('needs_inspection', $terms->needsInspection))> The bench looks at each unit</label>
            <div class="policy-grid policy-shares">@foreach (Grade::cases() as $grade)<div><label class="form-label"
                for="p-{{ $grade->value }}">{{ $grade->label() }}, %</label><input class="form-control" id="p-{{ $grade->value }}"
                name="shares[{{ $grade->value }}]" maxlength="6" required inputmode="decimal"
                value="{{ $was->value("shares.{$grade->value}", $terms->share($grade)) }}"></div>@endforeach</div></fieldset>
        <div class="form-foot"><button class="btn btn-primary">Save</button></div>
    </form>
    @if ($policy->exists)
        <section class="sheet pad" aria-labelledby="versions"><h2 id="versions">Versions</h2><ul class="plain-list">
            @foreach ($versions as $version)
                <li><b>{{ $version->version }}</b> {{ $time->short($version->at) }} {{ $version->teammate?->name }}:
                    {{ $version->content['terms']['days'] }} days, fee {{ $version->content['terms']['fee'] }} %, delivery
                    {{ $version->content['terms']['delivery'] }}</li>
            @endforeach</ul>
            @unless ($policy->isForAll())<form method="post" action="{{ $action }}/retire">@csrf<button
                class="btn btn-outline-secondary">Retire this policy</button></form>@endunless</section>
    @endif
</main>
@endsection
