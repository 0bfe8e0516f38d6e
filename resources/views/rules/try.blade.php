@extends('layouts.app')
@section('title', "Trying out {$rule->name}")
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>“{{ $rule->name }}”, tried out</h1>
        @if ($rule->exists)
            <form method="get" action="/rules/{{ $rule->id }}/try" class="find"><label for="days">over the last</label><select
                class="form-select" id="days" name="days" data-submit>@foreach ([7, 14, 30, 60, 90] as $one)<option value="{{ $one }}"
                @selected($one === $days)>{{ $one }} days</option>@endforeach</select><noscript><button
                class="btn btn-outline-secondary">Show</button></noscript></form>
            <a class="btn btn-outline-secondary" href="/rules/{{ $rule->id }}">Change it</a>
            @if ($mayChange && ! $rule->on)<form method="post" action="/rules/{{ $rule->id }}/switch">@csrf<input type="hidden"
                name="on" value="1"><button class="btn btn-primary">Switch it on</button></form>@endif
        @else
            <p class="soft">As it was written, and not kept. Go back to the form to keep it.</p>
        @endif
    </div>
    @include('rules.tried')
</main>
@endsection
