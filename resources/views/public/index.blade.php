@extends('layouts.app')
@use('App\Conversations\Conversation')
@use('Illuminate\Support\Str')
@section('title', 'Said in public')
@section('content')
<main id="content" class="page page-two page-two-wide">
    <section aria-labelledby="said">
        <div class="page-head"><h1 id="said">Said in public</h1>
            <form method="get" action="/public" class="find">
                <label class="visually-hidden" for="account">Account</label>
                <select class="form-select form-select-sm" id="account" name="account" data-submit><option value="">Any
                    account</option>@foreach ($accounts as $one)<option value="{{ $one->id }}"
                    @selected($account === $one->id)>{{ $one->title() }}</option>@endforeach</select>
                <label class="visually-hidden" for="only">Which</label>
                <select class="form-select form-select-sm" id="only" name="only" data-submit><option value="all">All</option><option
                    value="listed" @selected($only === 'listed')>Without a conversation</option></select>
                <noscript><button class="btn btn-sm btn-outline-secondary">Show</button></noscript>
            </form>
        </div>
        @if ($items->isEmpty())<div class="empty"><p>Nobody has named the store in public yet. Mentions, comments, questions and ratings
            show up here.</p></div>@endif
        <ul class="sheet posts">
            @foreach ($items as $item)
                <li class="post" id="item-{{ $item->id }}">
                    <p class="post-who"><x-icon :name="$item->channel->icon()" :label="$item->channel->label()"/>
                        <b>{{ $item->author_name !== '' ? $item->author_name : $item->author_shown }}</b>
                        @if ($item->conversation?->stars !== null)<x-stars :count="$item->conversation->stars"/>
                        @endif<span class="soft">{{ $item->author_shown }} to {{ $item->account->address }} ·
                        {{ $time->short($item->posted_at) }}</span></p>
                    <p @class(['plain-text', 'post-removed' => $item->removed_at !== null])>{{ $item->text }}</p>
                    @if ($item->removed_at !== null)<p class="message-mark">Removed by its author.</p>@endif
                    <div class="post-actions">
                        @if ($item->conversation !== null)
                            <a href="{{ route('conversation', $item->conversation_id) }}">Conversation
                                {{ $item->conversation->number() }}</a>
                                <span class="soft">{{ $item->conversation->state->label() }},
                                {{ $item->conversation->owner?->firstName() ?? 'nobody’s yet' }}</span>
                        @else
                            <span class="soft">no conversation</span>
                            @can('reply', Conversation::class)<form method="post"
                                action="/public/items/{{ $item->id }}/conversation">@csrf<button
                                class="btn btn-sm btn-outline-secondary">Make it a conversation</button></form>@endcan
                        @endif
                        @can('reply', Conversation::class)
                            @include('public.reactions', ['account' => $item->account])
                        @endcan
                    </div>
                </li>
            @endforeach
        </ul>
        @include('layouts.pages', ['rows' => $items])
    </section>
    <div>
        @can('reply', Conversation::class)
        <section class="sheet pad" aria-labelledby="new-post">
            <h2 id="new-post">Post something</h2>
            @if ($postAccounts->isEmpty())
                <p class="soft">No network is connected yet.</p>
            @else
            <form method="post" action="/public/posts">@csrf
                <input type="hidden" name="once" value="{{ $onceKey }}">
                <label class="form-label" for="post-account">As</label>
                <select class="form-select" id="post-account" name="account">@foreach ($postAccounts as $one)<option
                    value="{{ $one->id }}"
                    @selected((string) old('account') === (string) $one->id)>{{ $one->title() }}</option>@endforeach</select>
                <label class="form-label" for="post-text">Text</label>
                <textarea class="form-control" id="post-text" name="text" rows="4" required
                    data-send-with-ctrl-enter>{{ old('text') }}</textarea>
                <button class="btn btn-primary">Post for everybody to read</button>
            </form>
            @endif
        </section>
        @endcan
        <section class="sheet pad" aria-labelledby="own-posts">
            <h2 id="own-posts">Our last posts</h2>
            @if ($ownPosts->isEmpty())<p class="soft">None yet.</p>@endif
            <ul class="earlier">@foreach ($ownPosts as $post)<li>{{ Str::limit($post->text, 140) }}<small>{{
                $post->account->title() }}
                · {{ $post->teammate->firstName() }} · {{ $time->short($post->created_at) }}@if ($post->state === 'due') · being posted
                @endif</small>@if ($post->state === 'failed')<p class="field-problem">Not posted:
                {{ $post->last_error }}</p>@endif</li>@endforeach</ul>
        </section>
    </div>
</main>
@endsection
