@use('App\Promises\PromiseLine')
@use('App\Promises\PromiseSetToSave')
@use('App\Support\RefusedInput')
@use('Cairnfield\Core\Promises\InstanceState')
@extends('layouts.app')
@section('title', "Promises of {$conversation->number()}")
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>What is promised in {{ $conversation->number() }}</h1><a class="btn btn-outline-secondary"
        href="/conversations/{{ $conversation->id }}">Back to it</a></div>
    <p>{{ match (true) {
        $set === null => 'No promise set fits.',
        $because === [] => "By “{$set->name}”, which is for everybody.",
        default => "By “{$set->name}”, since ".implode(' and ', $because).'.',
    } }}</p>
    @if ($mayAgree)
        @php $was = RefusedInput::in("/conversations/{$conversation->id}/agreed"); @endphp
        <form method="post" action="/conversations/{{ $conversation->id }}/agreed" class="sheet pad agree-form">
            @csrf
            <x-default-button/>
            <label for="agree-at">Agree another time: we answer by</label>
            <input class="form-control form-control-sm" type="datetime-local" id="agree-at" name="at" required
                value="{{ $was->value('at', $time->local($now)->addWeekday()->setTime(12, 0)->format('Y-m-d\TH:i')) }}">
            <label class="visually-hidden" for="agree-reason">What was said to the customer</label>
            <input class="form-control form-control-sm" id="agree-reason" name="reason" maxlength="300" required
                placeholder="What was said to the customer" value="{{ $was->value('reason') }}">
            <button class="btn btn-sm btn-primary">Agree it</button>
            @if ($holds)<button class="btn btn-sm btn-outline-secondary" formnovalidate
                formaction="/conversations/{{ $conversation->id }}/agreed/take-back">Take it back</button>@endif
        </form>
        @if ($errors->any())<ul class="field-problem" role="alert">@foreach ($errors->all() as $one)<li>{{ $one }}</li>
            @endforeach</ul>@endif
    @endif
    @forelse ($promises as $promise)
        <section class="sheet pad promise-one">
            <h2>{{ ucfirst($promise->kind->label()) }} <small @class(['due-missed' => $promise->kept === false])>{{ match (true) {
                $promise->state === InstanceState::Dropped => 'dropped',
                $promise->state === InstanceState::Paused => ($promise->kept === false ? 'missed, ' : '').'its clock stands still',
                $promise->state === InstanceState::Running => $promise->kept === false ? 'missed' : 'running',
                default => $promise->kept ? 'kept' : 'missed',
            } }}</small></h2>
            {{ PromiseLine::of($promise, $now, $time) }}
            <p>{{ PromiseSetToSave::written($promise->spent) }} of {{ PromiseSetToSave::written($promise->target) }}, from
                {{ $time->short($promise->startedAt) }}@if ($promise->endedAt) to {{ $time->short($promise->endedAt) }}
                @elseif ($promise->dueAt), due {{ $time->short($promise->dueAt) }}@endif</p>
            <p class="soft">{{ ucfirst($measuredWith($promise)) }}</p>
        </section>
    @empty
        <p class="empty">Nothing was promised in it: no customer has written, or no set fits.</p>
    @endforelse
    @if ($agreed->isNotEmpty())
        <h2>Agreed by hand</h2>
        <ul class="plain-list">@foreach ($agreed as $one)<li><b>{{ $time->short($one->at) }}</b> by {{ $one->teammate->name }},
            {{ $time->short($one->agreed_at) }}: {{ $one->reason }}. {{ match ($one->ended_by) {
                null => $one->at->isPast() ? 'It has passed.' : 'It holds.',
                'answer' => $one->ended_at <= $one->at ? 'Kept.' : 'Missed.',
                'done' => 'It was resolved before.', 'another' => 'Another one was agreed.', default => 'Taken back.',
            } }}</li>@endforeach</ul>
    @endif
</main>
@endsection
