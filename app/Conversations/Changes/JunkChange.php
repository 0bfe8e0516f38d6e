<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalKind;
use App\Conversations\SortJunk;
use Illuminate\Database\Eloquent\Collection;

/**
 * Put with the junk, by a person.
 */
final class JunkChange extends Change
{
    public function __construct(private readonly SortJunk $junk) {}

    public function key(): string
    {
        return 'junk';
    }

    public function phrase(): string
    {
        return 'put it with the junk';
    }

    public function group(): string
    {
        return 'More';
    }

    public function isOfferedTo(ChangeUse $use): bool
    {
        return $use === ChangeUse::Bulk || $use === ChangeUse::Hand;
    }

    public function isForThoseWhoAnswer(): bool
    {
        return true;
    }

    public function hasChoices(): bool
    {
        return false;
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        return '';
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $this->junk->junk($conversation, $actor->teammate ?? throw ChangeRefused::because('only a person says what is junk.'), null);
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        return self::those(
            $conversations, static fn (Conversation $one): bool => $one->state === ConversationState::Closed && ! $one->junk,
            'it is closed for good'
        ) + self::those($conversations, static fn (Conversation $one): bool => $one->junk, 'it is with the junk');
    }

    public function records(): array
    {
        return [JournalKind::Junked, JournalKind::StateChanged];
    }
}
