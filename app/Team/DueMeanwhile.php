<?php

declare(strict_types=1);

namespace App\Team;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use DateTimeInterface;
use Illuminate\Database\Eloquent\Builder;

/**
 * What lies with somebody and falls due while they are away.
 */
final class DueMeanwhile
{
    /**
     * @param  DateTimeInterface|null  $until  null where nobody knows: all that falls due
     * @return Builder<Conversation>
     */
    public static function of(Teammate $person, ?DateTimeInterface $until): Builder
    {
        return Conversation::readable()->where('owner_id', $person->id)->where('state', ConversationState::Open)
            ->whereNull('joined_into_id')->whereNotNull('due_at')
            ->when($until !== null, static fn (Builder $query) => $query->where('due_at', '<=', $until))
            ->orderBy('next_up')->orderBy('id');
    }
}
