@switch($column)
    @case(\App\Views\Column::Number)
        <td class="cell-number"><b>{{ $conversation->orders->isEmpty() ? $conversation->number() : $conversation->orders->first()->number }}</b><small>@if ($conversation->orders->isNotEmpty()){{ $conversation->orders->first()->standing() }}@else{{ $conversation->channel === \App\Channels\Channel::Email ? 'to '.$conversation->account->shortAddress() : $conversation->channel->label() }}@endif @if ($conversation->automatic) · automatic @endif</small></td>
        @break
    @case(\App\Views\Column::Category)
        <td class="cell-category soft">{{ $conversation->category?->name ?? '—' }}</td>
        @break
    @case(\App\Views\Column::Owner)
        <td class="cell-owner">{{ $conversation->owner?->firstName() ?? '—' }}</td>
        @break
    @case(\App\Views\Column::Due)
                        <td class="cell-due">
                            @if ($row->standing !== null)
                                <b class="due" title="{{ $time->full($conversation->due_at) }}">{{ $group->urgency === 'later' || $group->urgency === 'plain' ? $time->short($conversation->due_at) : $row->standing->timeLeft() }}</b><small>{{ $row->promise() }}</small>
                            @elseif ($conversation->state === \App\Inbox\ConversationState::Held)
                                <b>{{ $conversation->bring_back_at === null ? '—' : $time->short($conversation->bring_back_at) }}</b><small>comes back</small>
                            @else
                                <b>{{ $time->short($conversation->last_message_at) }}</b><small>{{ $conversation->outcome?->name ?? 'last message' }}</small>
                            @endif
                        </td>
        @break
    @default
        <td class="cell-plain soft">{{ match ($column) {
            \App\Views\Column::Team => $conversation->team?->name ?? '—',
            \App\Views\Column::Priority => $conversation->priority->value,
            \App\Views\Column::State => $conversation->state->label(),
            \App\Views\Column::Outcome => $conversation->outcome?->name ?? '—',
            \App\Views\Column::Account => $conversation->account->title(),
            \App\Views\Column::Language => $conversation->language === null ? '—' : \Locale::getDisplayLanguage($conversation->language, 'en'),
            \App\Views\Column::Began => $time->short($conversation->created_at),
            \App\Views\Column::LastMessage => $time->short($conversation->last_message_at),
            \App\Views\Column::WaitingSince => $conversation->waiting_since === null ? '—' : $time->short($conversation->waiting_since),
            default => '',
        } }}</td>
@endswitch
