<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Fields\FieldRefused;
use App\Team\Teammate;

/**
 * The catalogue of all that can be changed of a conversation. Each place adds its own in `Support\Contributions`.
 */
final readonly class Changes
{
    /** @var array<string, Change> */
    private array $byKey;

    /**
     * @param  iterable<Change>  $changes
     */
    public function __construct(iterable $changes)
    {
        $byKey = [];
        foreach ($changes as $change) {
            $byKey[$change->key()] = $change;
        }
        $this->byKey = $byKey;
    }

    public function find(string $key, ChangeUse $use): ?Change
    {
        $change = $this->byKey[$key] ?? null;

        return $change?->isOfferedTo($use) === true ? $change : null;
    }

    /**
     * @throws ChangeRefused where there is none
     */
    public function get(string $key, ChangeUse $use): Change
    {
        return $this->find($key, $use) ?? throw ChangeRefused::unknown($key);
    }

    /**
     * @return array<string, Change> by their keys
     */
    public function offeredTo(ChangeUse $use): array
    {
        return array_filter($this->byKey, static fn (Change $change): bool => $change->isOfferedTo($use));
    }

    /**
     * Checks what was chosen and makes the change.
     *
     * @throws ChangeRefused|ConversationRefused|FieldRefused
     */
    public function make(string $key, Conversation $conversation, Chosen $chosen, Actor $actor, ChangeUse $use, string $why = ''): void
    {
        $change = $this->get($key, $use);
        $change->check($chosen, new ThingsInUse, $use);
        $change->make($conversation, $chosen, $actor, $why);
    }

    /**
     * For one conversation, by a person on its page.
     *
     * @throws ChangeRefused|ConversationRefused|FieldRefused
     */
    public function byHand(string $key, Conversation $conversation, Chosen $chosen, Teammate $teammate): void
    {
        try {
            $this->make($key, $conversation, $chosen, Actor::teammate($teammate), ChangeUse::Hand);
        } catch (ChangeRefused $why) {
            throw $why->asSentence();
        }
    }
}
