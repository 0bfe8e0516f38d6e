@use('App\Conversations\Journal\JournalKind')
@use('App\Routing\RoutingPicture')
@extends('layouts.app')
@section('title', 'Routing')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Routing</h1><p class="soft">Ways in, then rules and categories, then teams and how they give out; with how
        many conversations in {{ RoutingPicture::DAYS }} days.</p></div>
    <div class="sheet pad wide-scroll" tabindex="0" role="region" aria-label="How it is handed out">{{ $picture }}</div>
    <h2 class="below">Try a message</h2>
    <form method="post" action="/routing" class="sheet pad routing-try">
        @csrf
        <div class="form-pair">
            <div><label class="form-label" for="try-account">It comes to</label><select class="form-select" id="try-account"
                name="account">@foreach ($accounts as $account)<option value="{{ $account->id }}"
                @selected((string) $was->value('account') === (string) $account->id)>{{ $account->title() }}</option>@endforeach
                </select></div>
            <div><label class="form-label" for="try-from">From</label><input class="form-control" id="try-from" name="from"
                maxlength="200" value="{{ $was->value('from') }}" placeholder="ana@wrenfield.example"></div>
        </div>
        <label class="form-label" for="try-subject">Subject</label>
        <input class="form-control" id="try-subject" name="subject" maxlength="300" value="{{ $was->value('subject') }}">
        <label class="form-label" for="try-text">Text</label>
        <textarea class="form-control" id="try-text" name="text" rows="5" maxlength="20000" required>{{ $was->value('text') }}</textarea>
        @if ($errors->any())<p class="field-problem" role="alert">{{ implode(' ', $errors->all()) }}</p>@endif
        <div class="form-foot"><button class="btn btn-primary">See where it goes</button> <span class="soft">Nothing of it is kept,
            and nothing leaves.</span></div>
    </form>
    @if ($tried !== null)
        @php $conversation = $tried->conversation; @endphp
        <section class="sheet pad below" aria-labelledby="tried-title">
            <h2 id="tried-title">{{ match (true) {
                $conversation->junk => 'It goes to the junk',
                $conversation->owner !== null => "It goes to {$conversation->owner->name}",
                $conversation->turn_awaited_since !== null => 'It waits for somebody of the team '.$conversation->team?->name,
                $conversation->team !== null => "It lies with the team {$conversation->team->name}, for whoever takes it",
                default => 'It lies with no team, for whoever takes it',
            } }}</h2>
            <p>{{ implode(' · ', array_filter([
                $conversation->team === null ? null : "team {$conversation->team->name}",
                $conversation->category === null ? 'no category' : $conversation->category->path,
                "priority {$conversation->priority->value}",
                $tried->promiseSet === '' ? 'nothing is promised' : "promised as in “{$tried->promiseSet}”",
                $conversation->due_at === null ? null : 'due '.$time->short($conversation->due_at),
                $conversation->tags->isEmpty() ? null : 'tags '.$conversation->tags->pluck('name')->implode(', '),
            ])) }}</p>
            <ol class="routing-why">@foreach ($tried->journal as $entry)
                @continue($entry->kind === JournalKind::Began)
                <li>{{ $sentence->of($entry) }}</li>
            @endforeach</ol>
        </section>
    @endif
</main>
@endsection
