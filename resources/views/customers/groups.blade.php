@extends('layouts.app')
@use('App\Support\RefusedInput')
@section('title', 'Customer groups')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Customer groups</h1><a class="btn btn-outline-secondary" href="/customers">All customers</a></div>
    <p class="soft">A customer belongs to a group when all its conditions hold. A condition names what is known of a customer, such
        as <code>club</code> or <code>trade</code> as it stands on their page, or one of: <code>email domain</code>,
        <code>orders at least</code>, <code>language</code>.</p>
    @if ($errors->any())<ul class="field-problem"
        role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
    @foreach ([...$groups, null] as $group)
        @php
            $key = $group->id ?? 'new';
            $action = '/customer-groups'.($group ? "/{$group->id}" : '');
            $was = RefusedInput::in($action);
            $conditions = $was->isHere
                ? array_map(
                    fn ($field, $is) => ['field' => $field, 'is' => $is], (array) $was->value('field', []),
                    (array) $was->value('is', [])
                )
                : [...($group->conditions ?? []), ['field' => '', 'is' => '']];
            $place = (int) $was->value('place', $group->place ?? 5);
        @endphp
        @can('answer-customers')
        <form method="post" action="{{ $action }}" class="sheet pad group-form">
            @csrf
            <div class="group-name"><label class="form-label" for="name-{{ $key }}">{{ $group ? 'Name' : 'New group' }}</label><input
                class="form-control" id="name-{{ $key }}" name="name" value="{{ $was->value('name', $group?->name) }}" required
                maxlength="80">@if ($group)<p class="soft"><a
                href="/customers?group={{ $group->id }}">{{ trans_choice('{0} nobody|{1} one customer|[2,*] :count customers',
                    $group->customers_count, ['count' => $group->customers_count]) }}</a></p>@endif</div>
            <div class="group-conditions">
                @foreach ($conditions as $index => $condition)
                    <div><label class="visually-hidden" for="field-{{ $key }}-{{ $index }}">What is known</label><input
                        class="form-control" id="field-{{ $key }}-{{ $index }}" name="field[]" value="{{ $condition['field'] }}"
                        placeholder="email domain" list="known-fields">
                    <span>is</span><label class="visually-hidden" for="is-{{ $key }}-{{ $index }}">Its value</label><input
                        class="form-control" id="is-{{ $key }}-{{ $index }}" name="is[]" value="{{ $condition['is'] }}"
                        placeholder="kitebarn.example"></div>
                @endforeach
            </div>
            <div><label class="form-label" for="place-{{ $key }}">In the queue</label><select class="form-select" id="place-{{ $key }}"
                name="place">@foreach ([1 => 'first of all', 3 => 'before others', 5 => 'like everybody'] as $each => $label)<option
                value="{{ $each }}" @selected($place === $each)>{{ $label }}</option>@endforeach</select></div>
            <div class="row-buttons"><button class="btn btn-outline-secondary">{{ $group ? 'Save' : 'Make it' }}</button></div>
        </form>
        @if ($group)<form method="post" action="/customer-groups/{{ $group->id }}" class="group-away">@csrf
            @method('delete')<button class="btn btn-sm btn-link">Take the group {{ $group->name }} away</button></form>@endif
        @else
            @if ($group)<p class="sheet pad"><a href="/customers?group={{ $group->id }}">{{ $group->name }}</a>:
                {{ $group->customers_count }}</p>@endif
        @endcan
    @endforeach
    <datalist id="known-fields"><option value="email domain"><option value="orders at least"><option value="language"><option
        value="club"><option value="trade"></datalist>
</main>
@endsection
