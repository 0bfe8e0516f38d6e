<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Sorting\WhoMayRead;
use App\Team\TakeTurns;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Collection;

/**
 * With whom it lies: a person, whoever’s turn it is, the lead on duty, or nobody.
 */
final class OwnerChange extends Change
{
    private const NOBODY = '';

    private const TURN = 'turn';

    private const LEAD = 'lead';

    private const SENDER = 'me';

    private const NO_MEMBER = 'it is for the members of its category alone, and they are none of them';

    public function __construct(private readonly AssignConversation $assign, private readonly TakeTurns $turns,
        private readonly WhoMayRead $whoMayRead
    ) {}

    public function key(): string
    {
        return 'assign_person';
    }

    public function phrase(): string
    {
        return 'give it to';
    }

    public function group(): string
    {
        return 'Owner';
    }

    public function choices(ChangeUse $use): array
    {
        return ($use === ChangeUse::Step ? [self::SENDER => 'who sends it'] : [])
            + ($use === ChangeUse::Hand ? [] : [self::TURN => 'whoever’s turn it is in its team'])
            + ($use === ChangeUse::Rule || $use === ChangeUse::Step ? [self::LEAD => 'the lead on duty'] : [])
            + [self::NOBODY => 'nobody']
            + Teammate::working()->pluck('name', 'id')->all();
    }

    public function canBeEmpty(): bool
    {
        return true;
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        $isNamed = ! ctype_digit($chosen->value);

        return match (true) {
            $isNamed => $this->named($use)[$chosen->value] ?? throw ChangeRefused::because('choose a person.'),
            default => $things->one(Teammate::working(), $chosen->value)->name ?? throw ChangeRefused::personGone($chosen->value),
        };
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        if ($chosen->value === self::TURN) {
            $this->assign->byTurn($conversation, $this->turns, $actor, $why);

            return;
        }
        $this->assign->assign($conversation, match ($chosen->value) {
            self::SENDER => $actor->teammate,
            self::LEAD => Teammate::leadOnDuty($this->whoMayRead->of($conversation->category_id)),
            self::NOBODY => null,
            default => Teammate::query()->findOrFail($chosen->id()),
        }, $actor, $why);
    }

    public function briefly(Chosen $chosen, string $words): string
    {
        return ctype_digit($chosen->value) ? "owner {$words}" : "owner: {$words}";
    }

    public function references(Chosen $chosen): array
    {
        return Reference::toNumber(Teammate::class, $chosen->value);
    }

    public function whyNot(Conversation $conversation, Chosen $chosen): ?string
    {
        if ($chosen->value === self::TURN) {
            return $this->turns->whyNot($conversation);
        }

        return ctype_digit($chosen->value) && ! $this->whoMayRead->mayReadConversation($chosen->id(), $conversation)
            ? self::NO_MEMBER
            : null;
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        if ($chosen->value === self::TURN) {
            return array_filter($conversations->loadMissing('team')->mapWithKeys(
                fn (Conversation $one): array => [$one->id => $this->turns->whyNot($one)]
            )->all());
        }
        $id = $chosen->value === self::NOBODY ? null : $chosen->id();

        return self::those(
            $conversations, static fn (Conversation $one): bool => $one->owner_id === $id,
            $id === null ? 'nobody has it' : 'it lies with them already'
        ) + ($id === null ? [] : self::those(
            $conversations, fn (Conversation $one): bool => ! $this->whoMayRead->mayReadConversation($id, $one), self::NO_MEMBER
        ));
    }

    public function records(): array
    {
        return [JournalKind::OwnerChanged];
    }

    /**
     * @return array<string, string>
     */
    private function named(ChangeUse $use): array
    {
        return array_filter($this->choices($use), is_string(...), ARRAY_FILTER_USE_KEY);
    }
}
