@extends('layouts.app')
@section('title', 'News')
@section('keys')
    <div><dt><kbd>↓</kbd> <kbd>↑</kbd></dt><dd>Next and previous</dd></div>
    <div><dt><kbd>Enter</kbd></dt><dd>Open it</dd></div>
@endsection
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>News</h1>@if ($news->whereNull('read_at')->isNotEmpty())<form method="post"
        action="/news/read">@csrf<button class="btn btn-outline-secondary">All read</button></form>@endif</div>
    @if ($news->isEmpty())
        <div class="empty"><x-cairn/><p>Nothing has been told you yet. Follow a conversation with F, or be named in a note with
            @ and your first name.</p><p>What you are told, and when, is chosen under <a href="/own-settings">own settings</a>.</p></div>
    @else
        <ol class="found sheet">
            @foreach ($news as $one)
                <li @class(['is-unread' => $one->read_at === null])><p><a class="row-link"
                    href="{{ $one->opens() ?? '/tasks' }}">{{ $one->text
                        }}</a>
                    <span class="soft found-at">{{ $time->short($one->at) }}</span></p></li>
            @endforeach
        </ol>
    @endif
</main>
@endsection
