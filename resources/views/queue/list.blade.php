@use('App\Conversations\ConversationState')
@use('App\Queue\QueueFilter')
@use('App\Queue\QueueView')
@use('App\Support\Drawings')
@use('App\Views\Column')
@use('App\Views\ViewCounts')
@use('Cairnfield\Core\Mood\Mood')
@use('Cairnfield\Core\Queue\Priority')
@php $query = http_build_query([...$filter->query(), 'mark' => $mark]); @endphp
<div id="queue-list" hx-get="/queue/{{ $view->key() }}/changes?{{ $query }}"
    hx-trigger="every {{ config('cairnfield.queue.asks_every') }}s" hx-swap="morph:outerHTML" hx-ext="morph">
    <nav class="tabs" aria-label="Views">
        @foreach ([...QueueView::cases()] as $tab)
            @if ($tab === QueueView::Resolved)
                @foreach ($saved as $own)
                    <a href="/queue/{{ $own->id }}" @if ($view->saved?->id === $own->id) aria-current="page" @endif>{{ $own->name }}
                        @isset($counts[$own->id])<b class="tab-count">{{ ViewCounts::show($counts[$own->id]) }}</b>@endisset</a>
                @endforeach
            @endif
            <a href="/queue/{{ $tab->value }}" @if ($tab === $view->builtIn) aria-current="page" @endif>{{ $tab->label() }}
                @isset($counts[$tab->value])<b class="tab-count">{{ $counts[$tab->value] }}</b>@endisset</a>
        @endforeach
        <a href="/views/new" class="tab-new">New view</a>
    </nav>
    <div class="queue-bar">
        <p class="open-now soft">{{ $openNow }}</p>
        @isset($accounts)
            <form method="get" action="/queue/{{ $view->key() }}" class="filters" id="filters">
                <label class="visually-hidden" for="filter-account">Way in</label>
                <select id="filter-account" name="account" class="form-select form-select-sm" data-submit>
                    <option value="">Any way in</option>
                    @foreach ($accounts as $account)
                        <option value="{{ $account->id }}"
                            @selected($filter->account === $account->id)>{{ $account->channel->isMail() ? $account->shortAddress() :
                                $account->title() }}</option>
                    @endforeach
                </select>
                <label class="visually-hidden" for="filter-category">Category</label>
                <select id="filter-category" name="category" class="form-select form-select-sm" data-submit>
                    <option value="">Any category</option>
                    @foreach ($categories as $category)
                        <option value="{{ $category->id }}" @selected($filter->category === $category->id)>{{ $category->path }}</option>
                    @endforeach
                </select>
                <label class="visually-hidden" for="filter-owner">Owner</label>
                <select id="filter-owner" name="owner" class="form-select form-select-sm" data-submit>
                    <option value="">{{ $view->builtIn === QueueView::MyTurn ? 'Mine and nobody’s' : 'Any owner' }}</option>
                    <option value="nobody" @selected($filter->owner === 'nobody')>Nobody’s yet</option>
                    @foreach ($teammates as $teammate)
                        <option value="{{ $teammate->id }}"
                            @selected($filter->owner === (string) $teammate->id)>{{ $teammate->name }}</option>
                    @endforeach
                </select>
                <noscript><button class="btn btn-sm btn-outline-secondary">Show</button></noscript>
                @if ($filter->isNarrowed())<a class="btn btn-sm btn-link" href="/queue/{{ $view->key() }}">Show all</a>@endif
            </form>
        @else
            <div id="filters" class="filters"></div>
        @endisset
        <p class="soft new-since" role="status" id="new-since">@if ($newSince > 0){{ $newSince }} new since you looked @endif</p>
        <span class="view-ways"><a href="/queue/{{ $view->key() }}/board" data-key="b">As a board
            <kbd>B</kbd></a>@if ($mayChangeView)<a href="/views/{{ $view->saved->id }}">Change this view</a>@endif</span>
        <form method="post" action="/queue/next">@csrf<button class="btn btn-primary" data-key="n">Take the next one
            <kbd>N</kbd></button></form>
    </div>
    @if ($viewProblem !== null)
        <div class="empty"><x-cairn/><p class="field-problem">{{ $viewProblem }}</p>@if ($mayChangeView)<p><a
            class="btn btn-outline-secondary" href="/views/{{ $view->saved->id }}">Change this view</a></p>@endif</div>
    @elseif ($groups === [])
        <div class="empty">
            <x-cairn/>
            <p>{{ $filter->isNarrowed() ? 'Nothing here fits what the list is narrowed to.' : $view->emptyText() }}</p>
        </div>
    @else
    <table class="ledger">
        <caption class="visually-hidden">{{ $view->label() }}, the most urgent first</caption>
        <colgroup><col class="col-pick"><col class="col-cairn"><col class="col-who"><col class="col-by"><col
            class="col-about">@foreach ($view->columns() as $column)<col class="col-{{ $column->value }}">@endforeach</colgroup>
        <thead><tr>
            @foreach (['Chosen', 'Promise', 'Customer', 'By', 'About', ...array_map(fn ($column) => $column->label(), $view->columns())]
                as $heading)
                <th scope="col"><span class="visually-hidden">{{ $heading }}</span></th>
            @endforeach
        </tr></thead>
        @foreach ($groups as $group)
            <tbody class="group group-{{ $group->urgency }}" id="group-{{ $group->urgency }}">
                <tr class="group-head"><th scope="rowgroup" colspan="{{ 5 + count($view->columns()) }}">{{ $group->label }}
                    <span>{{ count($group->rows) }}{{ $hasMore && $loop->last ? '+' : '' }}</span></th></tr>
                @foreach ($group->rows as $row)
                    @php $conversation = $row->conversation; $why = $row->why($time); @endphp
                    <tr class="row-conversation" id="c-{{ $conversation->id }}">
                        <td class="cell-pick"><input type="checkbox" class="form-check-input" name="ids[]"
                            value="{{ $conversation->id }}" form="bulk-form" data-pick id="pick-{{ $conversation->id }}"
                            aria-label="Choose {{ $conversation->number() }}, {{ $conversation->subject }}"></td>
                        <td class="cell-cairn">{{ Drawings::cairn($row->standing) }}</td>
                        <td class="cell-who">{{ $conversation->customer->name }}</td>
                        <td class="cell-by">{{ Drawings::icon($conversation->channel->icon(),
                            $conversation->channel->label().($conversation->public ? ', public' : '')) }}@if ($conversation->public)<span
                            class="public-dot" aria-hidden="true"></span>@endif</td>
                        <td class="cell-about"><a href="/conversations/{{ $conversation->id }}"
                            class="row-link"><b>{{ $conversation->subject }}</b></a>
                            @if ($conversation->priority !== Priority::Normal)<span
                            class="word-chip word-{{ $conversation->priority->value }}">{{ $conversation->priority->value }}</span>@endif
                            @if ($conversation->mood === Mood::Upset)<span
                            class="word-chip word-upset">upset</span>@endif
                            @foreach ($conversation->tags->sortBy('folded')->take(3) as $tag)<span
                            class="word-chip">{{ $tag->name }}</span>
                            @endforeach<span class="soft">{{ $row->preview() }}</span>@if ($why !== '')<span
                            class="why">{{ $why }}</span>@endif</td>
                        @foreach ($view->columns() as $column)
                            @switch($column)
                                @case(Column::Number)
                                    <td class="cell-number"><b>{{ $conversation->orders->isEmpty() ? $conversation->number() :
                                        $conversation->orders->first()->number
                                        }}</b><small>@if ($conversation->orders->isNotEmpty()){{
                                        $conversation->orders->first()->standing()
                                        }}@else{{ $conversation->channel->isMail() ? 'to '.$conversation->account->shortAddress() :
                                        $conversation->channel->label() }}@endif
                                        @if ($conversation->automatic) · automatic @endif</small></td>
                                    @break
                                @case(Column::Category)
                                    <td class="cell-category soft">{{ $conversation->category?->name ?? '—' }}</td>
                                    @break
                                @case(Column::Owner)
                                    <td class="cell-owner">{{ $conversation->owner?->firstName() ?? '—' }}</td>
                                    @break
                                @case(Column::Due)
                                                    <td class="cell-due">
                                                        @if ($row->standing !== null && $conversation->state !== ConversationState::Held)
                                                            <b class="due"
                                                                title="{{ $time->full($conversation->due_at) }}">{{ $group->urgency ===
                                                                    'later' || $group->urgency === 'plain' ?
                                                                    $time->short($conversation->due_at) : $row->standing->timeLeft()
                                                                    }}</b><small>{{ $row->promise() }}</small>
                                                        @elseif ($conversation->state === ConversationState::Held)
                                                            <b>{{ $conversation->bring_back_at === null ? '—' :
                                                                $time->short($conversation->bring_back_at) }}</b><small>comes
                                                                back</small>
                                                        @else
                                                            <b>{{ $time->short($conversation->last_message_at) }}</b><small>{{
                                                                $conversation->outcome?->name ?? 'last message' }}</small>
                                                        @endif
                                                    </td>
                                    @break
                                @default
                                    <td class="cell-plain soft">{{ match ($column) {
                                        Column::Team => $conversation->team?->name ?? '—',
                                        Column::Priority => $conversation->priority->value,
                                        Column::State => $conversation->state->label(),
                                        Column::Outcome => $conversation->outcome?->name ?? '—',
                                        Column::Account => $conversation->account->title(),
                                        Column::Language => $conversation->language === null ? '—' :
                                            \Locale::getDisplayLanguage($conversation->language, 'en'),
                                        Column::Began => $time->short($conversation->created_at),
                                        Column::LastMessage => $time->short($conversation->last_message_at),
                                        Column::WaitingSince => $conversation->waiting_since === null ? '—' :
                                            $time->short($conversation->waiting_since),
                                        default => '',
                                    } }}</td>
                            @endswitch
                        @endforeach
                    </tr>
                @endforeach
            </tbody>
        @endforeach
    </table>
    @if ($hasMore)
        @php $more = http_build_query([...$filter->query(), 'rows' => min(QueueFilter::MOST_ROWS, $filter->rows * 2)]); @endphp
        <p class="more" id="more-{{ $filter->rows }}"><a class="btn btn-outline-secondary" href="/queue/{{ $view->key() }}?{{ $more }}"
            hx-get="/queue/{{ $view->key() }}/changes?{{ $more }}" hx-trigger="click, intersect once" hx-target="#queue-list"
            hx-swap="morph:outerHTML">Show more</a></p>
    @endif
    @endif
</div>
