<?php

declare(strict_types=1);

namespace App\Queue;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Builder;

/**
 * The built-in views of the queue.
 */
enum QueueView: string
{
    case MyTurn = 'my-turn';
    case NobodysYet = 'nobodys-yet';
    case Waiting = 'waiting';
    case Held = 'held';
    case Resolved = 'resolved';
    case Junk = 'junk';

    public function label(): string
    {
        return match ($this) {
            self::MyTurn => 'My turn',
            self::NobodysYet => 'Nobody’s yet',
            self::Waiting => 'Waiting on customer',
            self::Held => 'Held',
            self::Resolved => 'Resolved',
            self::Junk => 'Junk',
        };
    }

    /**
     * What to say and do where the view is empty.
     */
    public function emptyText(): string
    {
        return match ($this) {
            self::MyTurn => 'Nothing is waiting for you. What arrives shows up here by itself.',
            self::NobodysYet => 'Everything has an owner. What arrives shows up here by itself.',
            self::Waiting => 'No customer owes us an answer.',
            self::Held => 'Nothing is held. Hold a conversation when somebody else must act first.',
            self::Resolved => 'Nothing has been resolved yet.',
            self::Junk => 'No junk has come. What looks like it is put here, with the reason, and can be taken back.',
        };
    }

    /**
     * @param  Builder<Conversation>  $query
     * @param  string|null  $owner  an owner's id, or `nobody`; null where it is not asked for
     */
    public function narrow(Builder $query, Teammate $teammate, ?string $owner): void
    {
        match ($this) {
            self::MyTurn => $this->open($query)->when($owner === null, fn (Builder $open) => $open
                ->where(fn (Builder $mine) => $mine->whereNull('owner_id')->orWhere('owner_id', $teammate->id))),
            self::NobodysYet => $this->open($query)->whereNull('owner_id'),
            self::Waiting => $query->where('state', ConversationState::Waiting)->orderBy('next_up')->orderBy('id'),
            self::Held => $query->where('state', ConversationState::Held)->orderBy('next_up')->orderBy('id'),
            self::Resolved => $query->where('state', ConversationState::Resolved)
                ->where('junk', false)
                ->whereNull('joined_into_id')
                ->orderByDesc('last_message_at')
                ->orderByDesc('id'),
            self::Junk => $query->where('junk', true)->orderByDesc('last_message_at')->orderByDesc('id'),
        };
        match ($owner) {
            null => null,
            'nobody' => $query->whereNull('owner_id'),
            default => $query->where('owner_id', (int) $owner),
        };
    }

    /**
     * @param  Builder<Conversation>  $query
     * @return Builder<Conversation>
     */
    private function open(Builder $query): Builder
    {
        return $query->where('state', ConversationState::Open)->orderBy('next_up')->orderBy('id');
    }
}
