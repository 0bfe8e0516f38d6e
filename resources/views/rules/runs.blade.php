@extends('layouts.app')
@use('App\Rules\RuleRun')
@use('App\Rules\RunsDrawing')
@use('Illuminate\Support\Str')
@section('title', "Runs of {$rule->name}")
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>Runs of “{{ $rule->name }}”</h1>@can('arrange')<a class="btn btn-outline-secondary"
        href="/rules/{{ $rule->id }}">The rule</a>@endcan<a class="btn btn-outline-secondary" href="/rules">All rules</a></div>
    <p>{{ RunsDrawing::of($byDay, $days, 3) }} <span class="soft">the last {{ $days }} days</span></p>
    @if ($runs->isEmpty())<div class="empty"><x-cairn/><p>It has not run yet.</p></div>@else
    <table class="table sheet"><thead><tr><th scope="col">When</th><th scope="col">Conversation</th><th scope="col">Because</th><th
        scope="col">What was done</th></tr></thead>
        <tbody>@foreach ($runs as $run)<tr><td>{{ $time->short($run->at) }}</td><td><a
            href="/conversations/{{ $run->conversation_id }}">{{ $run->conversation->number() }}</a>
            {{ Str::limit($run->conversation->subject, 60) }}</td><td>{{ $run->because === [] ? 'always' :
                implode(' · ', $run->because) }}</td><td>@if ($run->state === RuleRun::DONE){{ implode('; ', $run->done)
                }}@else<span
            class="field-problem">{{ $run->state === RuleRun::RETRY ? "to be tried again {$time->short($run->next_try_at)}: "
                : 'failed: ' }}{{ $run->error }}</span>@endif</td></tr>@endforeach</tbody></table>
    @endif
</main>
@endsection
