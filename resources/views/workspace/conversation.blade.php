@extends('layouts.app')
@use('App\Conversations\Journal\JournalKind')
@use('Cairnfield\Core\Text\FoldedText')
@section('title', $conversation->subject)
@section('keys')
    <div><dt><kbd>r</kbd></dt><dd>Reply</dd></div>
    <div><dt><kbd>;</kbd></dt><dd>Templates; in the reply, too, with a few letters</dd></div>
    <div><dt><kbd>i</kbd></dt><dd>Inside note</dd></div>
    <div><dt><kbd>s</kbd></dt><dd>Ask a supplier or other partner</dd></div>
    <div><dt><kbd>z</kbd></dt><dd>Call the answer back before it leaves</dd></div>
    <div><dt><kbd>Ctrl</kbd> <kbd>↵</kbd></dt><dd>Send what is written</dd></div>
    <div><dt><kbd>Ctrl</kbd> <kbd>⇧</kbd> <kbd>↵</kbd></dt><dd>Send, and take the next one</dd></div>
    <div><dt><kbd>t</kbd></dt><dd>Take it</dd></div>
    <div><dt><kbd>h</kbd></dt><dd>Hold</dd></div>
    <div><dt><kbd>v</kbd></dt><dd>Resolve</dd></div>
    <div><dt><kbd>o</kbd></dt><dd>Owner and team</dd></div>
    <div><dt><kbd>k</kbd></dt><dd>Category</dd></div>
    <div><dt><kbd>p</kbd></dt><dd>Priority</dd></div>
    <div><dt><kbd>a</kbd></dt><dd>Add a tag</dd></div>
    <div><dt><kbd>d</kbd></dt><dd>Forward</dd></div>
    <div><dt><kbd>l</kbd></dt><dd>New task</dd></div>
    <div><dt><kbd>y</kbd></dt><dd>Start a checklist</dd></div>
    <div><dt><kbd>f</kbd></dt><dd>Follow it, or no more</dd></div>
    <div><dt><kbd>m</kbd></dt><dd>Join another into this one</dd></div>
    <div><dt><kbd>n</kbd></dt><dd>Take the next one</dd></div>
    <div><dt><kbd>Esc</kbd></dt><dd>Leave the field</dd></div>
@endsection
@section('content')
<form method="post" action="/queue/next" class="d-none">
    @csrf
    <input type="hidden" name="after" value="{{ $conversation->id }}">
    <button data-key="n" tabindex="-1">Take the next one</button>
</form>
@include('workspace.conversation-head')
<div class="conversation">
    <main id="content" class="trail-side" tabindex="-1">
        @isset($between)
            <div class="between" role="alert" id="between">
                <h2>Not sent yet: this came in between</h2>
                <p>Your answer is kept below. Read what is new, change it if need be, and send it again.</p>
                <ul>
                    @foreach ($between->reject(fn ($entry) => $entry->kind === JournalKind::StateChanged &&
                        $between->contains(fn ($other) => $other->message !== null)) as $entry)
                        <li><b>{{ $entry->teammate?->name ?? $entry->message?->from_name ?: $sentence->of($entry) }}</b>
                            {{ $time->short($entry->at) }}@if ($entry->message),
                            <q>{{ Str::limit(Str::squish(FoldedText::of($entry->message->text)->written), 300)
                                }}</q>@elseif ($entry->note),
                            note: <q>{{ Str::limit($entry->note->text, 300) }}</q>@elseif ($entry->teammate):
                            {{ $sentence->of($entry) }}@endif</li>
                    @endforeach
                </ul>
            </div>
        @endisset
        @if ($conversation->junk)
            <div class="between junk-note">
                <h2>With the junk</h2>
                <p>{{ implode('; ', $conversation->junk_reasons ?? []) }}. Nobody is waited for, and nothing automatic answers it.</p>
                @can('resolve', $conversation)<form method="post" action="/conversations/{{ $conversation->id }}/not-junk">@csrf<button
                    class="btn btn-primary">It is no junk</button></form>@endcan
            </div>
        @endif
        @if (($look['entry'] ?? 0) > 0 && $look['entry'] < $seen && collect($trail)->contains(fn ($item) => $item->first()->id >
            $look['entry'] && $item->first()->teammate_id !== $teammate->id))
            <p class="away-note">Something happened since you looked {{ $time->short($look['at']) }}:
                <a href="#since-look">see what is new</a></p>
        @endif
        @include('workspace.trail')
        @foreach ($panelsAbove as $panel)
            @include($panel)
        @endforeach
        @include('answering.compose')
    </main>
    @include('workspace.customer')
</div>
@endsection
