@extends('layouts.app')
@section('title', "Deactivate {$person->name}")
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <h1>Deactivate {{ $person->name }}</h1>
    <p class="soft">{{ $person->firstName() }} is signed out everywhere at once and cannot sign in any more. What they wrote stays under
        their name. They can be let in again.</p>
    <form method="post" action="/people/{{ $person->id }}/deactivate" class="sheet pad own-password">
        @csrf
        <div>
            <label class="form-label" for="conversations_to">{{ trans_choice('{0} No conversation lies with them; those that come
                back go to|{1} One conversation lies with them; it goes to|[2,*] :count conversations lie with them; they go to',
                $work['conversations'], ['count' => $work['conversations']]) }}</label>
            <select class="form-select" id="conversations_to" name="conversations_to"><option value="">nobody: whoever takes
                them</option>@foreach ($others as $one)<option value="{{ $one->id }}">{{ $one->name }}</option>@endforeach</select>
        </div>
        @if ($work['tasks'] > 0)
            <div>
                <label class="form-label" for="tasks_to">{{ trans_choice('{1} One task is not done; it goes to|[2,*] :count tasks are not
                    done; they go to', $work['tasks'], ['count' => $work['tasks']]) }}</label>
                <select class="form-select" id="tasks_to" name="tasks_to"><option value="">me</option>@foreach ($others as $one)<option
                    value="{{ $one->id }}">{{ $one->name }}</option>@endforeach</select>
            </div>
        @endif
        @if ($work['planned'] > 0)
            <div>
                <label class="form-label" for="planned">{{ trans_choice('{1} One answer is to be sent later|[2,*] :count answers are to be
                    sent later', $work['planned'], ['count' => $work['planned']]) }}</label>
                <select class="form-select" id="planned" name="planned"><option value="send">sent as planned</option><option
                    value="notes">not sent, kept as drafts are</option></select>
            </div>
        @endif
        @if ($work['drafts'] + $work['planned'] > 0)
            <div>
                <label class="form-label" for="drafts">{{ trans_choice('{0} Drafts|{1} One draft|[2,*] :count drafts', $work['drafts'],
                    ['count' => $work['drafts']]) }}</label>
                <select class="form-select" id="drafts" name="drafts"><option value="notes">kept as notes where they were
                    written</option><option value="taker">given to whoever takes over their conversations</option><option
                    value="gone">thrown away</option></select>
            </div>
        @endif
        @if ($work['rules'] !== [])
            <div>
                <label class="form-label" for="rules_to">Rules that name them:
                    @foreach ($work['rules'] as $rule)<a href="/rules/{{ $rule->id }}">{{ $rule->name }}</a>@if (! $loop->last), @endif
                    @endforeach. They name instead</label>
                <select class="form-select" id="rules_to" name="rules_to"><option value="">nobody: each rule says that it misses
                    somebody</option>@foreach ($others as $one)<option value="{{ $one->id }}">{{ $one->name }}</option>@endforeach</select>
            </div>
        @endif
        <p class="row-buttons"><button class="btn btn-danger">Deactivate {{ $person->firstName() }}</button> <a
            class="btn btn-outline-secondary" href="/people/{{ $person->id }}">Leave it</a></p>
    </form>
</main>
@endsection
