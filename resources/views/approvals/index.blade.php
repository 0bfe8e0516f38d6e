@extends('layouts.app')
@section('title', 'Waiting for a yes')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Waiting for a yes</h1></div>
    @if ($approvals->isEmpty())
        <div class="empty sheet"><x-cairn/><p>Nothing waits for a yes or no.</p></div>
    @else
        <ul class="found sheet">@foreach ($approvals as $one)
            <li><p><a class="row-link"
                href="{{ $one->isOfMoney() ? "/approvals/{$one->id}" : route('conversation', $one->conversation_id) }}">{{
                $one->question }}</a> <span class="soft found-at">{{ $one->askedBy->name ?? 'a rule' }}, {{ $time->short($one->asked_at)
                }}{{ $one->isOfMoney() ? ', needs '.mb_strtolower($one->needs()->label()).'’s yes' : '' }}</span></p></li>
        @endforeach</ul>
    @endif
</main>
@endsection
