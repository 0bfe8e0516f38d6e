<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Conversations\Actor;
use App\Conversations\Changes\Change;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\Reference;
use App\Conversations\Changes\ThingsInUse;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Team\Teammate;

/**
 * Reminders to a customer who does not answer.
 */
final class NudgeChange extends Change
{
    public function __construct(private readonly StartNudge $nudges) {}

    public function key(): string
    {
        return 'nudge';
    }

    public function phrase(): string
    {
        return 'remind with the nudge plan';
    }

    public function group(): string
    {
        return 'Nudge plans';
    }

    public function choices(ChangeUse $use): array
    {
        return NudgePlan::inUse()->pluck('name', 'id')->all();
    }

    public function takesPerson(): bool
    {
        return true;
    }

    public function isOfferedTo(ChangeUse $use): bool
    {
        return $use !== ChangeUse::Bulk;
    }

    public function isForThoseWhoAnswer(): bool
    {
        return true;
    }

    public function setsOneValue(): bool
    {
        return true;
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        $plan = $things->one(NudgePlan::inUse(), $chosen->value)->name ?? throw ChangeRefused::gone('a nudge plan', $chosen->value);
        if ($use !== ChangeUse::Rule) {
            return "“{$plan}”";
        }

        return "“{$plan}” as ".($things->one(Teammate::working(), $chosen->as)->name ?? throw ChangeRefused::personGone($chosen->as));
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $as = $chosen->as === '' ? $actor->teammate ?? $conversation->owner : Teammate::query()->findOrFail((int) $chosen->as);
        if ($as !== null) {
            $this->nudges->start($conversation, NudgePlan::query()->findOrFail($chosen->id()), $as, $actor);
        }
    }

    public function briefly(Chosen $chosen, string $words): string
    {
        return "nudge plan {$words}";
    }

    public function references(Chosen $chosen): array
    {
        return [
            ...Reference::toNumber(NudgePlan::class, $chosen->value), ...Reference::toNumber(Teammate::class, $chosen->as),
        ];
    }

    public function records(): array
    {
        return [JournalKind::NudgeStarted];
    }
}
