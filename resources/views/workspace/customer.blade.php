@use('Cairnfield\Core\Threading\ConversationNumber')
@use('App\Conversations\ConversationState')
@use('App\Support\Languages')
@use('Illuminate\Support\Str')
<aside class="customer-side" aria-label="Order and customer" id="customer-side">
    @foreach ($panelsBeside as $panel)
        @include($panel)
    @endforeach
    @if ($orders->isEmpty() || $otherOrders->isNotEmpty())
        <details class="order-more" id="attach-order" @if ($orders->isEmpty()) open @endif>
            <summary>{{ $orders->isEmpty() ? 'Which order is it about?' : "Other orders ({$otherOrders->count()})" }}</summary>
            @if ($otherOrders->isNotEmpty())
                <ul class="order-choices">
                    @foreach ($otherOrders as $other)
                        <li><a href="{{ route('order', $other) }}">{{ $other->number }}</a>
                            <span class="soft">{{ $time->short($other->placed_at) }} · {{ $other->money($other->total) }} ·
                            {{ $other->status }}</span>
                            <form method="post" action="/conversations/{{ $conversation->id }}/orders">@csrf<input type="hidden"
                                name="number" value="{{ $other->number }}"><button class="btn btn-sm btn-outline-secondary">Put
                                <span class="visually-hidden">{{ $other->number }}</span> beside</button></form></li>
                    @endforeach
                </ul>
            @endif
            <form method="post" action="/conversations/{{ $conversation->id }}/orders" class="inline-form">@csrf<label
                class="visually-hidden" for="order-number">Order number</label><input class="form-control form-control-sm"
                id="order-number" name="number" placeholder="Order number" required><button class="btn btn-sm btn-outline-secondary">Put
                beside</button></form>
        </details>
    @endif

    @if ($doubted !== null)
        <div class="not-theirs" role="note" id="doubted">
            <p><b><x-icon name="warning"/> Not verified.</b> It says to be from {{ $doubted->from_address }}, and the mail server found
                that it is not. Nothing of a customer with that address is shown here.</p>
            @can('reply', $conversation)
                <div class="not-theirs-do"><form method="post" action="/conversations/{{ $conversation->id }}/is-sender">@csrf<button
                    class="btn btn-sm btn-outline-secondary">It is from them all the same</button></form></div>
            @endcan
        </div>
    @endif
    <div class="order-head customer-head">
        <h2><a href="{{ route('customer', $conversation->customer_id) }}">{{ $conversation->customer->name }}</a></h2>
        @foreach ($conversation->customer->groups as $group)<span class="group-chip">{{ $group->name }}</span>@endforeach
    </div>
    @include('companies.of-customer', ['customer' => $conversation->customer])
    <p class="handles">
        @forelse ($conversation->customer->handles as $handle)<span @if ($handle->why !== '') title="{{ $handle->why }}"
            @endif>{{ $handle->shown }}@if (! in_array($handle->kind, ['email', 'telephone'], true))
            <small>{{ $handle->kindLabel() }}</small>@endif @if ($handle->undeliverable_since !== null)<b
            class="due-soon">mail to it came back</b>@endif</span>@empty<span class="soft">No address is known.</span>@endforelse
    </p>
    @foreach ($joined->where('customer_id', '!=', $conversation->customer_id)->unique('customer_id') as $part)
        <p class="handles"><span>Also <a
            href="{{ route('customer', $part->customer_id) }}">{{ $part->customer->name }}</a></span>@foreach ($part->customer->handles
                as $handle)<span>{{ $handle->shown }}</span>@endforeach</p>
    @endforeach
    <p class="soft">{{ trans_choice('{0} no orders|{1} one order|[2,*] :count orders', $orderCount, ['count' => $orderCount]) }} ·
        {{ trans_choice('{1} first conversation|[2,*] :count conversations', $conversationCount, ['count' => $conversationCount])
            }}@if ($conversation->language !== null)
        · writes {{ \Locale::getDisplayLanguage($conversation->language, 'en') }}@endif</p>
    @foreach ($conversation->customer->notes->take(2) as $note)
        <p class="customer-note">{{ $note->text }}</p>
    @endforeach
    @if ($customerFields !== [])
        @include('fields.of-conversation', ['rows' => $customerFields, 'key' => 'customer'])
    @endif
    @if ($companyFields !== [])
        <h3>{{ $conversation->customer->company->name }}</h3>
        @include('fields.of-conversation', ['rows' => $companyFields, 'key' => 'company'])
    @endif
    @if ($earlier->isNotEmpty())
        <h3>Other conversations</h3>
        <ul class="earlier">
            @foreach ($earlier as $other)
                <li><a href="{{ route('conversation', $other) }}"><b>{{ $other->subject }}</b></a><small>{{ $other->number() }} ·
                    {{ $other->channel->label() }} · {{ $other->state->label() }} · {{ $time->short($other->last_message_at) }}</small></li>
            @endforeach
        </ul>
        @if ($conversationCount - 1 > $earlier->count())
            <p class="soft">and <a
                href="{{ route('customer', $conversation->customer_id) }}">{{ $conversationCount - 1 - $earlier->count() }} more</a></p>
        @endif
    @endif
    @if ($posts->isNotEmpty())
        <h3>Also said in public</h3>
        <ul class="earlier">
            @foreach ($posts as $post)
                <li>{{ Str::limit($post->text, 120) }}<small>{{ $post->account->title() }} ·
                    {{ $time->short($post->posted_at) }}@if ($post->conversation_id !== null) ·
                    <a href="/conversations/{{ $post->conversation_id }}">its conversation</a>@endif</small></li>
            @endforeach
        </ul>
    @endif
    <div class="work-head"><h3>This conversation</h3>
    <form method="post" action="/conversations/{{ $conversation->id }}/follow" class="follow">@csrf<button
        class="btn btn-sm btn-outline-secondary" data-key="f"
        aria-pressed="{{ $isFollowed ? 'true' : 'false' }}">{{ $isFollowed ? 'Followed' : 'Follow' }} <kbd>F</kbd></button></form></div>
    <div class="work-begin">
        @foreach ($panelsBegin as $begin)
            @include($begin)
        @endforeach
    </div>
    @if ($ownFields !== [])
        @include('fields.of-conversation', ['rows' => $ownFields, 'key' => 'conversation'])
    @endif
    <dl class="facts">
        <div><dt>Number</dt><dd>{{ $conversation->number() }}</dd></div>
        <div><dt>Began</dt><dd>{{ $time->short($conversation->created_at) }}</dd></div>
        <div><dt>Team</dt><dd>{{ $team?->name ?? '—' }}</dd></div>
        <div><dt>Category</dt><dd>{{ $category?->name ?? '—' }}</dd></div>
        <div><dt>Language</dt><dd>
            @php $language = $conversation->language === null ? 'not known' : Languages::name($conversation->language); @endphp
            @can('note', $conversation)
                <details class="menu" id="menu-language">
                    <summary class="word-chip" aria-label="Language {{ $language }}, change">{{ $language }}</summary>
                    <form method="post" action="/conversations/{{ $conversation->id }}/language" class="menu-panel menu-end menu-form">
                        @csrf
                        <label class="form-label" for="conversation-language">Templates answer in</label>
                        <select class="form-select form-select-sm" id="conversation-language"
                            name="language">@foreach (Languages::all() as $code => $name)<option value="{{ $code }}"
                            @selected($code === $conversation->language)>{{ $name }}</option>@endforeach</select>
                        <button class="btn btn-primary">Set</button>
                    </form>
                </details>
            @else{{ $language }}@endcan
        </dd></div>
        @if ($linksTo !== null)
            <div><dt>Links to</dt><dd><a href="{{ route('conversation', $linksTo) }}">{{
                ConversationNumber::show($linksTo) }}</a></dd></div>
        @endif
        @foreach ($joined as $part)
            <div><dt>Part of it</dt><dd>{{ $part->number() }}, {{ $part->account->title() }}
                @can('resolve', $conversation)<form method="post" action="/conversations/{{ $part->id }}/separate">@csrf<button
                class="btn btn-sm btn-link">Separate</button></form>@endcan</dd></div>
        @endforeach
    </dl>
    @can('reply', $conversation)
        <details class="order-more" id="copies" @if (($conversation->standing_copies ?? []) !== []) open @endif>
            <summary>Copies of everything</summary>
            <form method="post" action="/conversations/{{ $conversation->id }}/copies" class="inline-form">@csrf<label
                class="visually-hidden" for="copies-to">Addresses that get everything of this conversation</label><input
                class="form-control form-control-sm" id="copies-to" name="to"
                value="{{ implode(', ', $conversation->standing_copies ?? []) }}" placeholder="An outside address that gets everything"
                maxlength="2000"><button class="btn btn-sm btn-outline-secondary">Save</button></form>
        </details>
    @endcan
    @can('resolve', $conversation)
        @if ($conversation->state !== ConversationState::Closed)
            <form method="post" action="/conversations/{{ $conversation->id }}/join" class="inline-form">@csrf<label
                class="visually-hidden" for="join-other">Number of another conversation</label><input
                class="form-control form-control-sm" id="join-other" name="other" placeholder="C-1042" maxlength="20" data-key="m"
                required><button class="btn btn-sm btn-outline-secondary">Join into this</button></form>
        @endif
        @if (! $conversation->junk && $conversation->state !== ConversationState::Closed)
            <details class="order-more" id="junk">
                <summary>This is junk …</summary>
                <form method="post" action="/conversations/{{ $conversation->id }}/junk" class="inline-form">@csrf
                    <button class="btn btn-sm btn-outline-secondary">Put with the junk</button>
                    <button class="btn btn-sm btn-outline-secondary" name="block" value="sender">and block the sender</button>
                    @if ($conversation->channel->handleKind() === 'email')<button class="btn btn-sm btn-outline-secondary" name="block"
                        value="domain">and the domain</button>@endif
                </form>
            </details>
        @endif
    @endcan
</aside>
