@use('App\Conversations\ConversationState')
@use('Cairnfield\Core\Mood\Mood')
@use('Cairnfield\Core\Queue\Priority')
@use('Illuminate\Support\Facades\Gate')
@php
    $mayResolve = Gate::allows('resolve', $conversation);
@endphp
<div class="conversation-head" id="conversation-head" role="region" aria-label="About this conversation"
    @isset($oob) hx-swap-oob="morph" @endisset>
    <x-cairn :standing="$standing"/>
    <div class="conversation-title">
        <h1>{{ $conversation->subject }}</h1>
        <div class="conversation-sub"><p>
            {{ $conversation->number() }} ·
            @if ($standing !== null)
                <a href="/conversations/{{ $conversation->id }}/promises" title="What is promised, and agreeing another time">{{
                    $standing->kind->label() }}</a> {{ $standing->missed ? 'missed' : 'in' }}
                    <b class="due {{ $standing->missed ? 'due-missed' : ($standing->soon ? 'due-soon' : '') }}"
                        @if (! $standing->missed) data-time-left="{{ $standing->dueAt }}"
                        @endif>{{ $standing->missed ? $time->short($conversation->due_at) : $standing->timeLeft() }}</b>
                    @if (! $standing->missed) ({{ $time->short($conversation->due_at) }}) @endif
            @elseif ($conversation->state === ConversationState::Held)
                held: {{ $conversation->held_reason }}@if ($conversation->bring_back_at !== null), back
                    {{ $time->short($conversation->bring_back_at) }} @endif
            @elseif ($outcome !== null)
                {{ $outcome->name }}
            @else
                {{ mb_strtolower($conversation->state->label()) }}
            @endif
            · {{ $conversation->customer->name }} · @if ($conversation->public)<b class="public-mark">public</b>,
                @endif{{ $conversation->channel->takesAnswers() ?
                    $conversation->channel->label().' to '.$conversation->account->shortAddress() : $conversation->channel->label()
                    }}@if ($conversation->about_title !== null)
                · about @if (preg_match('#^https?://#i', (string) $conversation->about_url) === 1)<a
                href="{{ $conversation->about_url }}" rel="noopener noreferrer nofollow"
                target="_blank">{{ $conversation->about_title }}</a>@else{{ $conversation->about_title }}@endif @endif
                @if ($conversation->stars !== null) · <x-stars :count="$conversation->stars"/>@endif
        </p>
    <div class="conversation-words">
        <details class="menu" id="menu-priority">
            <summary class="word-chip word-{{ $conversation->priority->value }}" data-key="p"
                aria-label="Priority {{ $conversation->priority->value }}, change">{{ $conversation->priority->value }}</summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/priority" class="menu-panel">
                @csrf
                @foreach (Priority::cases() as $priority)
                    <button name="priority" value="{{ $priority->value }}"
                        @if ($priority === $conversation->priority) aria-current="true" @endif>{{ $priority->label() }}</button>
                @endforeach
            </form>
        </details>
        @if ($readers !== null)<span class="word-chip" title="Read by {{ implode(', ', $readers) }}, and by nobody
            else">members alone<span class="visually-hidden">, read by {{ implode(', ', $readers) }}</span></span>@endif
        @if ($conversation->reached_up_at !== null)<span class="word-chip word-upset"
            title="Reached upwards {{ $time->short($conversation->reached_up_at) }}">reached upwards</span>@endif
        @if ($conversation->turn_awaited_since !== null)<span class="word-chip"
            title="Since {{ $time->short($conversation->turn_awaited_since) }}">waits for a turn</span>@endif
        @if ($conversation->mood !== Mood::Neutral)<span class="word-chip word-{{ $conversation->mood->value }}"
            title="How the customer sounds, read from the words marked below">{{ $conversation->mood->value }}</span>@endif
        @foreach ($conversation->tags->sortBy('folded') as $tag)
            <form method="post" action="/conversations/{{ $conversation->id }}/tags" class="word-chip">@csrf<input type="hidden"
                name="take" value="{{ $tag->id }}">{{ $tag->name }}<button class="word-away"
                aria-label="Take the tag {{ $tag->name }} away">×</button></form>
        @endforeach
        <details class="menu" id="menu-tags">
            <summary class="word-chip" data-key="a">add a tag</summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/tags" class="menu-panel menu-form">
                @csrf
                <label class="form-label" for="give-tags">Tags, with commas between</label>
                <input class="form-control" id="give-tags" name="give" maxlength="300" list="tag-names" autocomplete="off" required>
                <datalist id="tag-names">@foreach ($tags as $tag)<option value="{{ $tag->name }}">@endforeach</datalist>
                <button class="btn btn-primary">Add</button>
            </form>
        </details>
    </div>
        </div>
    </div>
    @isset($here)@include('workspace.here', ['oob' => null])@endisset
    <div class="conversation-actions">
        @if ($conversation->owner_id === null)
            <form method="post" action="/conversations/{{ $conversation->id }}/take">@csrf<button class="btn btn-primary"
                data-key="t">Take <kbd>T</kbd></button></form>
        @endif
        <details class="menu" id="menu-owner">
            <summary class="btn btn-chip" data-key="o"><small>Owner</small>
                {{ $conversation->owner?->firstName() ?? 'nobody’s yet' }}</summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/owner" class="menu-panel menu-end menu-tall">
                @csrf
                <x-default-button/>
                <label class="visually-hidden" for="owner-word">A word with it</label>
                <input class="form-control form-control-sm" id="owner-word" name="word" maxlength="1000"
                    placeholder="A word with it, as a note">
                @foreach ($teammates as $person)
                    <button name="owner" value="{{ $person->id }}" @if ($person->id === $conversation->owner_id) aria-current="true"
                        @endif>{{ $person->name }}@if ($person->id === $teammate->id) (me)@endif</button>
                @endforeach
                <button name="owner" value="">Nobody</button>
                @if (! $conversation->state->isDone())
                    <label class="visually-hidden" for="upwards-reason">Why a lead is needed</label>
                    <input class="form-control form-control-sm" id="upwards-reason" name="reason" maxlength="300"
                        placeholder="Why a lead is needed">
                    <button formaction="/conversations/{{ $conversation->id }}/upwards">Reach upwards, to a lead</button>
                @endif
                <p class="menu-note">Team</p>
                @foreach ($teams as $one)
                    <button name="team" value="{{ $one->id }}" formaction="/conversations/{{ $conversation->id }}/team"
                        @if ($one->id === $conversation->team_id) aria-current="true" @endif>{{ $one->name }}</button>
                @endforeach
            </form>
        </details>
        <details class="menu" id="menu-category">
            <summary class="btn btn-chip" data-key="k"><small>Category</small> {{ $category?->also ?? 'none' }}</summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/category" class="menu-panel menu-end menu-tall">
                @csrf
                @foreach ($categories as $one)
                    <button name="category" value="{{ $one->id }}"
                        @if ($one->id === $conversation->category_id) aria-current="true" @endif>{{ $one->name
                            }}@if (in_array($one->id, $closedCategories, true)) <small>(its members alone)</small>@endif</button>
                @endforeach
                <button name="category" value="">None</button>
            </form>
        </details>
        <details class="menu" id="menu-state">
            <summary class="btn btn-chip"><small>State</small> {{ $conversation->state->label() }}</summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/state" class="menu-panel menu-end">
                @csrf
                <x-default-button/>
                @if ($conversation->state === ConversationState::Closed)
                    <p class="menu-note">Closed for good. A new message begins a new conversation.</p>
                @else
                    <button name="state" value="open"
                        @disabled($conversation->state === ConversationState::Open)>{{ $conversation->state->isDone() ? 'Reopen' :
                            'Open (our turn)' }}</button>
                    <button name="state" value="waiting" @disabled($conversation->state === ConversationState::Waiting)>Waiting on
                        customer</button>
                    @if ($mayResolve && $conversation->state === ConversationState::Resolved)
                        <label class="form-label" for="back-at">Open again at</label>
                        <input class="form-control form-control-sm" type="datetime-local" id="back-at" name="at"
                            value="{{ $time->local(now())->addWeekday()->setTime(9, 0)->format('Y-m-d\TH:i') }}">
                        <button formaction="/conversations/{{ $conversation->id }}/bring-back">Bring it back then</button>
                        <button name="state" value="closed">Close for good</button>
                    @endif
                @endif
            </form>
        </details>
        @if ($conversation->state !== ConversationState::Closed)
            <details class="menu" id="menu-hold">
                <summary class="btn btn-outline-secondary" data-key="h">Hold</summary>
                <form method="post" action="/conversations/{{ $conversation->id }}/hold" class="menu-panel menu-end menu-form">
                    @csrf
                    <label class="form-label" for="hold-reason">Who must act first, and why</label>
                    <input class="form-control" id="hold-reason" name="reason" maxlength="300" placeholder="Wren Parcel looks for it"
                        required>
                    <fieldset class="hold-until"><legend class="form-label">Comes back</legend>
                        <label><input type="radio" name="until" value="time" checked> at
                            <input class="form-control form-control-sm" id="hold-until" aria-label="Comes back at" name="bring_back_at"
                            type="datetime-local"
                            value="{{ $time->local(now())->addWeekday()->setTime(9, 0)->format('Y-m-d\TH:i') }}"></label>
                        <label><input type="radio" name="until" value="hours"> after
                            <input class="form-control form-control-sm" name="hours" type="number" min="1" max="500" value="4"
                            aria-label="Working hours"> working hours</label>
                        <label><input type="radio" name="until" value="customer"> only when the customer writes</label>
                    </fieldset>
                    <button class="btn btn-primary">Hold</button>
                </form>
            </details>
            @if ($mayResolve && ! $conversation->state->isDone())
                <details class="menu" id="menu-resolve">
                    <summary class="btn btn-outline-secondary" data-key="v">Resolve</summary>
                    <form method="post" action="/conversations/{{ $conversation->id }}/resolve" class="menu-panel menu-end">
                        @csrf
                        <input type="hidden" name="seen" value="{{ $seen }}">
                        <p class="menu-note">Without an answer, because:</p>
                        @foreach ($outcomes as $one)
                            <button name="outcome" value="{{ $one->id }}">{{ $one->name }}</button>
                        @endforeach
                    </form>
                </details>
            @elseif ($conversation->state->isDone())
                <form method="post" action="/conversations/{{ $conversation->id }}/state">@csrf<button class="btn btn-outline-secondary"
                    name="state" value="open" data-key="v">Reopen</button></form>
            @endif
        @endif
    </div>
</div>
