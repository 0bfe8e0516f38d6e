@extends('layouts.app')
@section('title', 'Tasks')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>{{ $everybodys ? 'Everybody’s tasks' : 'My tasks' }}</h1><a class="btn btn-outline-secondary"
        href="/tasks{{ $everybodys ? '' : '?all=1' }}">{{ $everybodys ? 'Only mine' : 'Everybody’s' }}</a></div>
    @if ($errors->any())<ul class="field-problem"
        role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
    <div class="page-two page-two-wide">
        <div>
            @if ($tasks->isEmpty())
                <div class="empty sheet"><x-cairn/><p>Nothing is to be done. Write a task down here, or with L in a conversation.</p></div>
            @else
                <table class="table sheet">
                    <caption class="visually-hidden">Tasks to be done, the first due first</caption>
                    <thead><tr><th scope="col">Due</th><th scope="col">Task</th><th scope="col">Conversation</th><th scope="col">By
                        whom</th><th scope="col"><span class="visually-hidden">Done</span></th></tr></thead>
                    <tbody>
                        @foreach ($tasks as $task)
                            <tr><td class="nowrap @if ($task->due_at->isPast()) due-missed @endif">{{ $time->short($task->due_at)
                                }}</td><td>{{ $task->title }}</td><td>@if ($task->conversation)<a
                                href="{{ route('conversation', $task->conversation) }}">{{ $task->conversation->number() }}</a>
                                {{ $task->conversation->subject }}@endif</td><td>{{ $task->assignee->firstName() }}</td><td
                                class="num"><form method="post" action="/tasks/{{ $task->id }}">@csrf<input type="hidden" name="done"
                                value="1"><button class="btn btn-sm btn-outline-secondary">Done
                                <span class="visually-hidden">: {{ $task->title }}</span></button></form></td></tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
            @if ($done->isNotEmpty())
                <details class="retired"><summary>Done in the last seven days ({{ $done->count() }})</summary><ul
                    class="sheet">@foreach ($done as $task)<li><span>{{ $task->title }}</span><span
                    class="soft">{{ $time->short($task->done_at) }}</span><form method="post"
                    action="/tasks/{{ $task->id }}">@csrf<input type="hidden" name="done" value="0"><button
                    class="btn btn-sm btn-outline-secondary">Open again</button></form></li>@endforeach</ul></details>
            @endif
        </div>
        <div>
            <form method="post" action="/tasks" class="sheet pad">@csrf<h2>New
                task</h2>@include('tasks.fields', ['key' => 'new'])<button class="btn btn-primary">Write it down</button></form>
            <form method="post" action="/tasks/calendar" class="sheet pad below">
                @csrf
                <h2>In your calendar</h2>
                @if ($teammate->calendar_key)
                    <label class="form-label" for="calendar-address">Subscribe to this address</label>
                    <input class="form-control" id="calendar-address" readonly value="{{ url("/calendar/{$teammate->calendar_key}.ics") }}">
                    <p class="soft">Whoever knows it reads your tasks and what comes back to you. A new address makes this one
                        worthless.</p>
                    <button class="btn btn-outline-secondary">New address</button>
                @else
                    <p class="soft">Your tasks, and what is held and comes back to you, as a feed that calendar programs subscribe to
                        (iCalendar).</p>
                    <button class="btn btn-outline-secondary">Make the feed</button>
                @endif
            </form>
        </div>
    </div>
</main>
@endsection
