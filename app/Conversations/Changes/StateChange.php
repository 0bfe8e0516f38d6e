<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalKind;
use App\Hours\StoreHours;
use App\Sorting\Outcome;
use Illuminate\Database\Eloquent\Collection;

/**
 * Whose turn it is: open, waiting, held for a reason, resolved with an outcome, or closed.
 */
final class StateChange extends Change
{
    public function __construct(private readonly ChangeState $state, private readonly StoreHours $hours) {}

    public function key(): string
    {
        return 'set_status';
    }

    public function phrase(): string
    {
        return 'make it';
    }

    public function group(): string
    {
        return 'State';
    }

    public function text(): string
    {
        return 'why, where it is held';
    }

    public function takesText(string $value): bool
    {
        return $value === ConversationState::Held->value;
    }

    public function takesHours(string $value): bool
    {
        return $value === ConversationState::Held->value;
    }

    public function isOfferedTo(ChangeUse $use): bool
    {
        // With an answer it is the state afterwards, which the form of the answer asks for.
        return $use !== ChangeUse::Step;
    }

    public function isForThoseWhoAnswer(): bool
    {
        return true;
    }

    public function choices(ChangeUse $use): array
    {
        return [
            ...($use === ChangeUse::Bulk ? [] : [
                ConversationState::Open->value => 'open', ConversationState::Waiting->value => 'wait for the customer',
                ConversationState::Held->value => 'held, because',
            ]),
            ...Outcome::inUse()->get()->mapWithKeys(
                static fn (Outcome $outcome): array => ["resolved:{$outcome->id}" => "resolved, {$outcome->name}"]
            )->all(),
            ...($use === ChangeUse::Bulk ? [] : [ConversationState::Closed->value => 'closed for good']),
        ];
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        [$state, $outcome] = self::parts($chosen);

        return match ($state) {
            ConversationState::Open => 'open',
            ConversationState::Waiting => 'wait for the customer',
            ConversationState::Held => 'held: '.self::held($chosen),
            ConversationState::Resolved => 'resolved, '.(
                $things->one(Outcome::inUse(), $outcome)->name ?? throw ChangeRefused::gone('an outcome', $outcome)
            ),
            ConversationState::Closed => 'closed for good',
            null => throw ChangeRefused::because('choose a state.'),
        };
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        [$state, $outcome] = self::parts($chosen);
        match ($state) {
            ConversationState::Open => $this->state->open($conversation, $actor),
            ConversationState::Waiting => $this->state->wait($conversation, $actor),
            ConversationState::Held => $this->state->hold(
                $conversation, $actor, $chosen->text, $chosen->hours === 0 ? null : $this->hours->after(now(), $chosen->hours)
            ),
            ConversationState::Resolved => $this->resolve($conversation, $actor, (int) $outcome),
            ConversationState::Closed => $this->state->close($conversation, $actor),
            null => throw ChangeRefused::because('choose a state.'),
        };
    }

    public function references(Chosen $chosen): array
    {
        return Reference::toNumber(Outcome::class, self::parts($chosen)[1]);
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        [$state] = self::parts($chosen);
        $closed = self::those(
            $conversations, static fn (Conversation $one): bool => $one->state === ConversationState::Closed, 'it is closed for good'
        );

        return $closed + self::those(
            $conversations, static fn (Conversation $one): bool => $one->state === $state && $state === ConversationState::Resolved,
            'it is resolved already'
        );
    }

    public function records(): array
    {
        return [JournalKind::StateChanged];
    }

    private function resolve(Conversation $conversation, Actor $actor, int $outcome): void
    {
        $this->state->refuseIfIncomplete($conversation);
        $this->state->resolveUnchecked($conversation, $actor, Outcome::query()->findOrFail($outcome));
    }

    private static function held(Chosen $chosen): string
    {
        $why = $chosen->text === '' ? throw ChangeRefused::because('write who must act first, and why.') : $chosen->text;

        return $why.($chosen->hours === 0 ? '' : ", for {$chosen->hours} working hours");
    }

    /**
     * @return array{ConversationState|null, string} with the number of the outcome
     */
    private static function parts(Chosen $chosen): array
    {
        [$state, $outcome] = [...explode(':', $chosen->value, 2), ''];

        return [ConversationState::tryFrom($state), $outcome];
    }
}
