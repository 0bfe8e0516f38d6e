<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Conversations\SetPriority;
use Cairnfield\Core\Queue\Priority;
use Illuminate\Database\Eloquent\Collection;

/**
 * How urgent it is.
 */
final class PriorityChange extends Change
{
    public function __construct(private readonly SetPriority $set) {}

    public function key(): string
    {
        return 'set_priority';
    }

    public function phrase(): string
    {
        return 'set the priority to';
    }

    public function group(): string
    {
        return 'Priority';
    }

    public function choices(ChangeUse $use): array
    {
        return array_combine(array_column(Priority::cases(), 'value'), array_column(Priority::cases(), 'value'));
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        return Priority::tryFrom($chosen->value)->value ?? throw ChangeRefused::because('choose low, normal, high or urgent.');
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $this->set->set($conversation, Priority::from($chosen->value), $actor, $why);
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        return self::those(
            $conversations, static fn (Conversation $one): bool => $one->priority->value === $chosen->value, 'it has this priority'
        );
    }

    public function records(): array
    {
        return [JournalKind::PriorityChanged];
    }
}
