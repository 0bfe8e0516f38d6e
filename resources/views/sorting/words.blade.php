@extends('layouts.app')
@use('App\Support\RefusedInput')
@section('title', $title)
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>{{ $title }}</h1>
        <form method="post" action="{{ $path }}" class="find">@csrf<label class="visually-hidden" for="new-word">New
            {{ $what }}</label><input class="form-control" id="new-word" name="name"
            value="{{ RefusedInput::in($path)->value('name') }}" maxlength="60" placeholder="New {{ $what }}"
            required><button class="btn btn-primary">Add</button></form>
    </div>
    <p class="soft">{{ $explains }}</p>
    @if ($words->isEmpty())
        <div class="empty sheet"><p>There is none yet.</p></div>
    @else
    <table class="table sheet">
        <caption class="visually-hidden">{{ $title }} in use</caption>
        <thead><tr><th scope="col">Name</th><th scope="col" class="num">Conversations</th><th scope="col">Merge into</th><th
            scope="col"><span class="visually-hidden">Retire</span></th></tr></thead>
        <tbody>
            @foreach ($words as $word)
                <tr>
                    <td><form method="post" action="{{ $path }}/{{ $word->id }}" class="inline-form">@csrf<label class="visually-hidden"
                        for="word-{{ $word->id }}">Name of {{ $word->name }}</label><input class="form-control form-control-sm"
                        id="word-{{ $word->id }}" name="name"
                        value="{{ RefusedInput::in("{$path}/{$word->id}")->value('name', $word->name) }}" maxlength="60"
                        required><button class="btn btn-sm btn-outline-secondary">Rename</button></form></td>
                    <td class="num">{{ $counts[$word->id] ?? 0 }}</td>
                    <td><form method="post" action="{{ $path }}/{{ $word->id }}/merge" class="inline-form">@csrf<label
                        class="visually-hidden" for="into-{{ $word->id }}">Merge {{ $word->name }} into</label><select
                        class="form-select form-select-sm" id="into-{{ $word->id }}" name="into" required><option value="">choose
                        …</option>@foreach ($words as $other)@continue($other->id === $word->id)<option
                        value="{{ $other->id }}">{{ $other->name }}</option>@endforeach</select><button
                        class="btn btn-sm btn-outline-secondary">Merge</button></form></td>
                    <td class="num"><form method="post" action="{{ $path }}/{{ $word->id }}/retire">@csrf<button
                        class="btn btn-sm btn-outline-secondary">Retire
                        <span class="visually-hidden">{{ $word->name }}</span></button></form></td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @endif
    @include('sorting.retired', ['at' => $path, 'mergedNames' => $words->pluck('name', 'id')])
</main>
@endsection
