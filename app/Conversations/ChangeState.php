<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Fields\OwnFields;
use App\Sorting\Outcome;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;

/**
 * Says whose turn it is: open, waiting, held, resolved or closed.
 */
final readonly class ChangeState
{
    public function __construct(private Journal $journal, private CheckNothingCameInBetween $check, private OwnFields $fields) {}

    public function open(Conversation $conversation, Actor $actor, string $why = ''): void
    {
        $this->change($conversation, ConversationState::Open, $actor, [], $why);
    }

    public function wait(Conversation $conversation, Actor $actor): void
    {
        $this->change($conversation, ConversationState::Waiting, $actor, $this->answered());
    }

    /**
     * @throws ConversationRefused without a reason, or with a time that has passed
     */
    public function hold(Conversation $conversation, Actor $actor, string $reason, ?DateTimeInterface $bringBackAt): void
    {
        if (trim($reason) === '') {
            throw ConversationRefused::needsReason();
        }
        if ($bringBackAt !== null && CarbonImmutable::instance($bringBackAt)->isPast()) {
            throw ConversationRefused::comesBackInThePast();
        }
        $this->change($conversation, ConversationState::Held, $actor, [
            'held_reason' => mb_substr(trim($reason), 0, 300),
            'bring_back_at' => $bringBackAt,
        ], trim($reason));
    }

    /**
     * A resolved one is to be open again at a time.
     *
     * @throws ConversationRefused when it is not resolved, or the time has passed
     */
    public function bringBackLater(Conversation $conversation, Actor $actor, CarbonImmutable $at): void
    {
        if ($at->isPast()) {
            throw ConversationRefused::comesBackInThePast();
        }
        DB::transaction(function () use ($conversation, $actor, $at): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            if ($locked->state !== ConversationState::Resolved) {
                throw ConversationRefused::notResolvedYet();
            }
            $locked->forceFill(['bring_back_at' => $at])->save();
            $this->journal->record($locked, JournalKind::ComesBack, $actor, ['until' => $at->toIso8601ZuluString()]);
        });
    }

    /**
     * @param  int  $seen  the last journal entry that this person has been shown
     *
     * @throws ConversationRefused|CameInBetween
     */
    public function resolve(Conversation $conversation, Teammate $teammate, ?Outcome $outcome, int $seen): void
    {
        if ($outcome === null) {
            throw ConversationRefused::needsOutcome();
        }
        DB::transaction(function () use ($conversation, $teammate, $outcome, $seen): void {
            Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $this->check->since($conversation, $seen, $teammate);
            $this->refuseIfIncomplete($conversation);
            $this->resolveUnchecked($conversation, Actor::teammate($teammate), $outcome);
        });
    }

    /**
     * @throws ConversationRefused where a field that must be filled in before is empty
     */
    public function refuseIfIncomplete(Conversation $conversation): void
    {
        $missing = $this->fields->missingToResolve($conversation->id);
        if ($missing !== []) {
            throw ConversationRefused::fieldsMissing($missing);
        }
    }

    /**
     * For actions that have already looked at what came in between.
     */
    public function resolveUnchecked(Conversation $conversation, Actor $actor, Outcome $outcome): void
    {
        $this->change($conversation, ConversationState::Resolved, $actor, [
            ...$this->answered(),
            'outcome_id' => $outcome->id,
        ], $outcome->name);
    }

    /**
     * @throws ConversationRefused when it is not resolved
     */
    public function close(Conversation $conversation, Actor $actor): void
    {
        if ($conversation->state !== ConversationState::Resolved) {
            throw ConversationRefused::notResolved();
        }
        $this->change($conversation, ConversationState::Closed, $actor, ['outcome_id' => $conversation->outcome_id]);
    }

    /**
     * @param  array<string, mixed>  $also
     */
    private function change(Conversation $conversation, ConversationState $to, Actor $actor, array $also = [], string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $to, $actor, $also, $why): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $from = $locked->state;
            if ($from === ConversationState::Closed) {
                throw ConversationRefused::closed($locked->number());
            }
            if ($from === $to && $to !== ConversationState::Held) {
                return;
            }
            $locked->forceFill([
                'held_reason' => null,
                'bring_back_at' => null,
                'outcome_id' => null,
                ...$also,
                'state' => $to,
            ])->save();
            $bringBackAt = $also['bring_back_at'] ?? null;
            $this->journal->record($locked, JournalKind::StateChanged, $actor, array_filter([
                'from' => $from->value,
                'to' => $to->value,
                'until' => $bringBackAt instanceof DateTimeInterface ? $bringBackAt->format(DATE_ATOM) : null,
            ]), $why);
            $conversation->refresh();
        });
    }

    /**
     * @return array<string, null>
     */
    private function answered(): array
    {
        return ['waiting_since' => null, 'due_at' => null, 'answer_by' => null];
    }
}
