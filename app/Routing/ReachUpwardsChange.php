<?php

declare(strict_types=1);

namespace App\Routing;

use App\Conversations\Actor;
use App\Conversations\Changes\Change;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\ThingsInUse;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;

/**
 * Hands it to a lead with the reason: by a rule, or as a step of a template.
 */
final class ReachUpwardsChange extends Change
{
    public function __construct(private readonly ReachUpwards $reach) {}

    public function key(): string
    {
        return 'reach_upwards';
    }

    public function phrase(): string
    {
        return 'reach upwards, because';
    }

    public function group(): string
    {
        return 'Owner';
    }

    public function hasChoices(): bool
    {
        return false;
    }

    public function text(): string
    {
        return 'why a lead is needed';
    }

    public function isOfferedTo(ChangeUse $use): bool
    {
        return $use === ChangeUse::Rule || $use === ChangeUse::Hand;
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        return $chosen->text === '' ? throw ChangeRefused::because('write why a lead is needed.') : "“{$chosen->text}”";
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        // A rule does it once, however often it runs.
        $this->whyNot($conversation, $chosen) === null && $this->reach->reach($conversation, $chosen->text, $actor);
    }

    public function whyNot(Conversation $conversation, Chosen $chosen): ?string
    {
        return match (true) {
            $conversation->state->isDone() => 'it is done',
            $conversation->reached_up_at !== null && $conversation->owner?->role->arranges() => 'it lies with a lead already',
            default => null,
        };
    }

    public function records(): array
    {
        return [JournalKind::ReachedUpwards, JournalKind::OwnerChanged];
    }
}
