@use('App\Channels\AccountState')
@use('App\Support\RandomUuid')
@use('App\Conversations\ConversationState')
@use('Illuminate\Support\Facades\Gate')
@php
    $mayReply = Gate::allows('reply', $conversation);
    $isClosed = $conversation->state === ConversationState::Closed;
    // As it was chosen before it was refused, called back or called off.
    $form = $replyDraft?->details ?? [];
    $then = $form['then'] ?? 'waiting';
    $when = $form['when'] ?? 'now';
    // One line until somebody writes, or has begun to.
    $isFolded = ! isset($between) && ! session('problem') && ! $hasBegun;
@endphp
<div class="compose sheet" id="compose" @if ($isFolded) data-folded @endif>
    <input type="hidden" name="writes" id="writes" value="no">
    @if ($mayReply && ! $isClosed)<input type="radio" class="visually-hidden" name="compose" id="compose-reply" checked
        autocomplete="off">@endif
    <input type="radio" class="visually-hidden" name="compose" id="compose-note" @checked(! $mayReply || $isClosed) autocomplete="off">
    <input type="radio" class="visually-hidden" name="compose" id="compose-partner" @disabled($isClosed) autocomplete="off">
    <div class="compose-tabs">
        @if ($mayReply && ! $isClosed)<label for="compose-reply" class="tab-reply">Reply <kbd>R</kbd></label>@endif
        <label for="compose-note" class="tab-note">Note <kbd>I</kbd></label>
        <label for="compose-partner" class="tab-partner">Ask a partner <kbd>S</kbd></label>
        <span class="compose-from soft">@if ($mayReply && ! $isClosed && count($routes) === 1) {{ $routes[0]->describe() }} @endif</span>
    </div>
    @if ($mayReply && ! $isClosed)
    <form method="post" action="/conversations/{{ $conversation->id }}/reply" enctype="multipart/form-data" class="compose-reply"
        id="reply-form">
        @csrf
        <input type="hidden" name="seen" value="{{ $seen }}">
        <input type="hidden" name="once" value="{{ $onceKey }}">
        @if (count($routes) > 1)
            <fieldset class="routes">
                <legend class="visually-hidden">How to answer</legend>
                @foreach ($routes as $route)
                    <label><input type="radio" name="route" value="{{ $route->key }}" required
                        @checked((($form['route'] ?? '') ?: ($routes[0]->public ? null : $routes[0]->key)) === $route->key)> <span
                        @class(['route-public' => $route->public])>{{ $route->label() }}</span></label>
                @endforeach
            </fieldset>
        @elseif ($routes === [])
            <p class="message-mark routes"><x-icon name="warning"/> There is no address to answer to yet. Add one under
                <a href="{{ route('customer', $conversation->customer_id) }}">{{ $conversation->customer->name }}</a>.</p>
        @endif
        @foreach (collect($routes)->pluck('account')->unique('id')->where('state', '!=', AccountState::Active) as $away)
            <p class="message-mark routes"><x-icon name="warning"/> {{ $away->title() }} is {{ mb_strtolower($away->state->label()) }}: what
                is answered by it does not leave until an administrator connects it again.</p>
        @endforeach
        @foreach ($conversation->customer->handles->whereNotNull('undeliverable_since') as $handle)
            @if ($routes !== [] && mb_strtolower($routes[0]->to) === $handle->value)<p class="message-mark routes"><x-icon
                name="warning"/> Mail to {{ $handle->shown }} came back {{ $time->short($handle->undeliverable_since) }}:
                {{ $handle->undeliverable_why }}.</p>@endif
        @endforeach
        @if ($ofOthers->isNotEmpty())
            <p class="message-mark routes" id="not-verified"><x-icon name="warning"/> Who reads this is not known to be who placed
                {{ $ofOthers->pluck('number')->implode(', ') }}. Tell them nothing of it that they did not say themselves.</p>
        @endif
        <div id="suggested" hx-get="/conversations/{{ $conversation->id }}/templates/suggested" hx-swap="innerHTML"
            hx-trigger="{{ $isFolded ? 'unfold from:#compose once' : 'load' }}"></div>
        @php $longest = count($routes) > 0 ? $routes[0]->account->channel->type()->longestAnswer() : null; @endphp
        <label class="visually-hidden" for="reply-text">Your answer to {{ $conversation->customer->name }}</label>
        <textarea id="reply-text" name="text" rows="3" placeholder="Answer {{ explode(' ', $conversation->customer->name)[0] }} …"
            data-send-with-ctrl-enter data-takes-templates="/conversations/{{ $conversation->id }}/templates"
            aria-describedby="template-place" hx-post="/conversations/{{ $conversation->id }}/drafts/reply"
            hx-trigger="input changed delay:600ms, change from:#reply-form" hx-target="#reply-kept" hx-swap="innerHTML"
            hx-include="#reply-form" hx-encoding="application/x-www-form-urlencoded">{{
            $replyDraft?->text }}</textarea>
        @if (count($routes) > 0 && $routes[0]->account->channel->isMail())<input type="hidden" name="html" id="reply-html"
            value="{{ $form['html'] ?? '' }}">@endif
        @if (count($routes) > 0 && $routes[0]->account->channel->isMail())
            <details class="copies" id="reply-copies"
                @if ($inCopy !== [] || array_filter(array_intersect_key($form, [
                    'subject' => 1, 'cc' => 1, 'bcc' => 1, 'own_name' => 1,
                ])) !== []) open @endif><summary>Subject, Cc, Bcc, my own name</summary>
                <div class="copies-fields"><label for="reply-subject">Subject</label><input class="form-control form-control-sm"
                    id="reply-subject" name="subject" value="{{ $form['subject'] ?? '' }}" maxlength="300" placeholder="as before">
                <label for="reply-cc">Cc</label><input class="form-control form-control-sm" id="reply-cc" name="cc"
                    value="{{ $form['cc'] ?? implode(', ', $inCopy) }}" maxlength="2000">
                <label for="reply-bcc">Bcc</label><input class="form-control form-control-sm" id="reply-bcc" name="bcc"
                    value="{{ $form['bcc'] ?? '' }}" maxlength="2000">
                <label class="copies-check"><input type="checkbox" class="form-check-input" name="own_name" value="1"
                    @checked($form['own_name'] ?? false)> in my own name, {{ $teammate->name }}</label></div>
            </details>
        @endif
        <div id="template-place" aria-live="polite"></div>
        <ul id="template-found" class="template-found" role="listbox" aria-label="Templates" hidden></ul>
        @include('answering.draft-files', ['fileProblem' => null])
        <div class="sending-also">
            <b>Sending also:</b>
            <label class="visually-hidden" for="reply-then">State after sending</label>
            <select name="then" id="reply-then" class="form-select form-select-sm">
                <option value="waiting" @selected($then === 'waiting')>state Waiting on customer</option>
                <option value="open" @selected($then === 'open')>state stays Open</option>
                <option value="resolved" @selected($then === 'resolved')>state Resolved, as</option>
            </select>
            <label class="visually-hidden" for="reply-outcome">Outcome</label>
            <select name="outcome" id="reply-outcome" class="form-select form-select-sm">
                @foreach ($outcomes as $outcome)
                    <option value="{{ $outcome->id }}"
                        @selected((string) $outcome->id === ($form['outcome'] ?? ''))>{{ $outcome->name }}</option>
                @endforeach
            </select>
            <label class="visually-hidden" for="reply-when">When it is sent</label>
            <select name="when" id="reply-when" class="form-select form-select-sm">
                <option value="now" @selected($when === 'now')>sent now</option>
                <option value="at" @selected($when === 'at')>sent later, at</option>
                <option value="unless" @selected($when === 'unless')>sent later, unless they answer first</option>
            </select>
            <span class="when-at"><label class="visually-hidden" for="reply-at">Sent at</label><input
                class="form-control form-control-sm" type="datetime-local" id="reply-at" name="at"
                value="{{ ($form['at'] ?? '') ?: $time->local(now())->addWeekday()->setTime(9, 0)->format('Y-m-d\TH:i') }}"></span>
            <span class="when-unless">in <label class="visually-hidden" for="reply-days">Days</label><input
                class="form-control form-control-sm" type="number" min="1" max="60" id="reply-days" name="days"
                value="{{ ($form['days'] ?? '') ?: 3 }}"> days</span>
            @if (count($routes) === 1 && $routes[0]->public)<span class="route-public">· in public, where everybody can read it</span>@endif
            @if ($longest !== null)<span>· at most {{ $longest }} characters</span>@endif
            @if ($conversation->owner_id === null)<span>· owner {{ $teammate->firstName() }}</span>@endif
            <div id="reply-steps" class="reply-steps">@include('templates.steps')</div>
        </div>
        <div class="compose-buttons">
            <button class="btn btn-primary" type="submit">{{ isset($between) ? 'Send all the same' : 'Send' }} <kbd>Ctrl ↵</kbd></button>
            <button class="btn btn-outline-secondary" type="submit" name="then_next" value="1">Send, then next <kbd>⇧</kbd></button>
            <button type="button" class="btn btn-outline-secondary needs-script" data-templates data-key=";">Template <kbd>;</kbd></button>
            <label class="btn btn-outline-secondary" for="reply-files">Attach</label>
            @if (count($routes) > 0 && $routes[0]->account->channel->isMail())<button type="button"
            class="btn btn-outline-secondary needs-script" data-rich-text aria-pressed="false">Rich text</button>@endif
            <input type="file" multiple name="files[]" id="reply-files" class="visually-hidden"
                hx-post="/conversations/{{ $conversation->id }}/draft-files" hx-trigger="change" hx-target="#draft-files"
                hx-swap="outerHTML" hx-encoding="multipart/form-data" hx-include="this" data-clear-after-upload>
            @if (session('problem_code') === 'no_file_attached')<label class="without-file"><input type="checkbox"
            class="form-check-input" name="without_file" value="1"> without a file</label>@endif
            @if (session('problem_code') === 'approval_waits')<label class="without-file"><input type="checkbox"
            class="form-check-input" name="despite_approval" value="1"> although it waits</label>@endif
            <a class="btn btn-link btn-sm" href="/conversations/{{ $conversation->id }}/forward" data-key="d">Forward <kbd>D</kbd></a>
            <span class="soft kept" id="reply-kept" role="status">@if ($replyDraft !== null && $replyDraft->text !== '') draft kept
                {{ $time->clock($replyDraft->updated_at) }} @endif</span>
        </div>
    </form>
    @endif
    <form method="post" action="/conversations/{{ $conversation->id }}/notes" class="compose-note" id="note-form">
        @csrf
        <input type="hidden" name="once" value="{{ RandomUuid::make() }}">
        <label class="visually-hidden" for="note-text">Note for the team</label>
        <textarea id="note-text" name="text" rows="3" placeholder="A note for the team. The customer never sees it."
            data-send-with-ctrl-enter hx-post="/conversations/{{ $conversation->id
            }}/drafts/note" hx-trigger="input changed delay:600ms, change" hx-target="#note-kept" hx-swap="innerHTML" hx-include="this">{{
            $noteDraft?->text }}</textarea>
        <div class="compose-buttons">
            <button class="btn btn-note" type="submit">Write note <kbd>Ctrl ↵</kbd></button>
            <span class="soft kept" id="note-kept" role="status">@if ($noteDraft !== null && $noteDraft->text !== '') draft kept
                {{ $time->clock($noteDraft->updated_at) }} @endif</span>
        </div>
    </form>
    <form method="post" action="/conversations/{{ $conversation->id }}/partner" class="compose-partner" id="partner-form">
        @csrf
        <input type="hidden" name="once" value="{{ RandomUuid::make() }}">
        <div class="copies partner-whom">
            @if ($partners->isNotEmpty())
                <label class="visually-hidden" for="partner-thread">Whom to ask</label>
                <select class="form-select form-select-sm" id="partner-thread" name="thread">@foreach ($partners as $partner)<option
                    value="{{ $partner->id }}">{{ $partner->name }}, {{ $partner->address }}</option>@endforeach<option
                    value="">somebody else …</option></select>
            @endif
            <span class="partner-new"><label class="visually-hidden" for="partner-name">Their name</label><input
                class="form-control form-control-sm" id="partner-name" name="name" maxlength="120"
                placeholder="Name, such as Wren Parcel" list="known-partner-names">
            <label class="visually-hidden" for="partner-address">Their address</label><input class="form-control form-control-sm"
                id="partner-address" name="address" maxlength="320" placeholder="Their address" list="known-partners"
                inputmode="email"></span>
            <datalist id="known-partners">@foreach ($knownPartners as $known)<option
                value="{{ $known->address }}">{{ $known->name }}</option>@endforeach</datalist>
            <datalist id="known-partner-names">@foreach ($knownPartners as $known)<option value="{{ $known->name }}">@endforeach</datalist>
        </div>
        <label class="visually-hidden" for="partner-text">What you ask</label>
        <textarea id="partner-text" name="text" rows="3"
            placeholder="What you ask them. The customer never sees it; it is held until they answer." data-send-with-ctrl-enter
            hx-post="/conversations/{{ $conversation->id }}/drafts/partner" hx-trigger="input changed delay:600ms, change"
            hx-target="#partner-kept" hx-swap="innerHTML" hx-include="this">{{
            $partnerDraft?->text }}</textarea>
        <div class="compose-buttons">
            <button class="btn btn-note" type="submit">Ask <kbd>Ctrl ↵</kbd></button>
            <span class="soft kept" id="partner-kept" role="status">@if ($partnerDraft !== null && $partnerDraft->text !== '') draft
                kept {{ $time->clock($partnerDraft->updated_at) }} @endif</span>
        </div>
    </form>
</div>
