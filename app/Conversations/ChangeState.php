<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\ComesBack;
use App\Conversations\Happened\StateChanged;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Fields\OwnFields;
use App\Sorting\KnownOutcome;
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
            $this->journal->record($locked, new ComesBack($at), $actor);
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
     * With the junk it is resolved, and nobody waits.
     */
    public function junk(Conversation $locked, Actor $actor): void
    {
        $this->set($locked, ConversationState::Resolved, $actor, [
            ...$this->answered(), 'outcome_id' => Outcome::known(KnownOutcome::Junk)->id,
        ], 'put with the junk');
    }

    /**
     * Joined into another, which is answered instead.
     */
    public function duplicate(Conversation $locked, Actor $actor): void
    {
        $this->set($locked, ConversationState::Resolved, $actor, [
            ...$this->answered(), 'outcome_id' => Outcome::known(KnownOutcome::Duplicate)->id,
        ], 'joined into another');
    }

    /**
     * For what takes more with it: on a conversation that is locked, which is saved with all that was filled in.
     *
     * @param  array<string, mixed>  $also
     */
    public function set(Conversation $locked, ConversationState $to, Actor $actor, array $also = [], string $why = ''): void
    {
        $from = $locked->state;
        $locked->forceFill(['held_reason' => null, 'bring_back_at' => null, 'outcome_id' => null, ...$also, 'state' => $to])->save();
        if ($from !== $to || $to === ConversationState::Held) {
            $this->record($locked, $from, $actor, $why);
        }
    }

    /**
     * That it was set back as it was.
     */
    public function setBack(Conversation $locked, ConversationState $from, Actor $actor, string $why): void
    {
        if ($from !== $locked->state) {
            $this->record($locked, $from, $actor, $why);
        }
    }

    /**
     * @param  array<string, mixed>  $also
     */
    private function change(Conversation $conversation, ConversationState $to, Actor $actor, array $also = [], string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $to, $actor, $also, $why): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            if ($locked->state === ConversationState::Closed) {
                throw ConversationRefused::closed($locked->number());
            }
            if ($locked->state === $to && $to !== ConversationState::Held) {
                return;
            }
            $this->set($locked, $to, $actor, $also, $why);
            $conversation->refresh();
        });
    }

    private function record(Conversation $conversation, ConversationState $from, Actor $actor, string $why): void
    {
        $this->journal->record($conversation, new StateChanged(
            $from, $conversation->state,
            $conversation->state === ConversationState::Held ? $conversation->bring_back_at : null,
            $this->outcome($conversation->outcome_id),
        ), $actor, $why);
    }

    private function outcome(?int $id): ?Named
    {
        return $id === null ? null : new Named($id, (string) Outcome::query()->whereKey($id)->value('name'));
    }

    /**
     * @return array<string, null>
     */
    private function answered(): array
    {
        return ['waiting_since' => null];
    }
}
