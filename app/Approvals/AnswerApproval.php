<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Approvals\Happened\ApprovalAnswered;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\ToldWith;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Says yes or no to what was asked, or withdraws the question. The conversation is our turn again.
 */
final readonly class AnswerApproval
{
    public function __construct(private ChangeState $changeState, private Journal $journal, private Notify $tell,
        private IssueRefund $issue,
        private AskRefundApproval $askRefund, private WhoApproves $who
    ) {}

    /**
     * @throws ApprovalRefused
     */
    public function answer(Approval $approval, bool $isGiven, string $answer, Teammate $teammate): void
    {
        if (! $isGiven && trim($answer) === '') {
            throw ApprovalRefused::needsReason();
        }
        if ($isGiven && $approval->isOfMoney() && ! $approval->isEnoughWith($this->countsAs($teammate, $approval))) {
            $this->sayYes($approval, $teammate);

            return;
        }
        $this->end($approval, $isGiven ? ApprovalState::Given : ApprovalState::Declined, trim($answer), $teammate);
    }

    /**
     * @throws ApprovalRefused
     */
    public function withdraw(Approval $approval, Teammate $teammate): void
    {
        $this->end($approval, ApprovalState::Withdrawn, '', $teammate);
    }

    private function end(Approval $approval, ApprovalState $state, string $answer, Teammate $teammate): void
    {
        DB::transaction(function () use ($approval, $state, $answer, $teammate): void {
            $conversation = $approval->conversation_id === null
                ? null
                : Conversation::query()->lockForUpdate()->findOrFail($approval->conversation_id);
            $asked = self::locked($approval);
            $asked->forceFill([
                'state' => $state, 'answer' => mb_substr($answer, 0, 500), 'answered_by' => $teammate->id, 'answered_at' => now(),
                'given' => $state === ApprovalState::Given && $asked->isOfMoney() ? $this->withYes($asked, $teammate) : $asked->given,
            ])->save();
            $actor = Actor::teammate($teammate);
            $conversation === null ?: $this->journal->record(
                $conversation, new ApprovalAnswered(new Named($asked->id, $asked->question), $state), $actor, $answer
            );
            if ($conversation?->state === ConversationState::Held && $this->isHeldForIt($conversation, $asked)) {
                $this->changeState->open(
                    $conversation, $actor,
                    $state === ApprovalState::Withdrawn ? 'the question was withdrawn' : 'the approval was '.$state->value
                );
            }
            $people = array_filter(
                [$asked->askedBy, $conversation?->owner], static fn (?Teammate $one): bool => $one !== null && ! $one->is($teammate)
            );
            $said = ['given' => 'yes', 'declined' => 'no', 'withdrawn' => 'withdrawn'][$state->value];
            $this->tell->people(
                array_values(array_unique($people, SORT_REGULAR)), NewsKind::ApprovalAnswered, "approval-{$asked->id}-answer",
                ($conversation === null ? '' : "{$conversation->number()}, ")."“{$asked->question}”: {$said}".($answer === '' ? ''
                    : ", {$answer}"),
                $conversation?->id, path: $asked->isOfMoney() ? "/approvals/{$asked->id}" : null
            );
            $state !== ApprovalState::Given || ! $asked->isOfMoney() ?: $this->giveBack($asked);
        });
    }

    /**
     * One of several has said yes: the next is asked.
     *
     * @throws ApprovalRefused
     */
    private function sayYes(Approval $approval, Teammate $teammate): void
    {
        DB::transaction(function () use ($approval, $teammate): void {
            $asked = self::locked($approval);
            $asked->isGivenBy($teammate) && throw ApprovalRefused::oneself();
            // Somebody else's yes at the same moment may have been the one that this was to be.
            $this->who->may($teammate, $asked) || throw ApprovalRefused::alreadyAnswered();
            $asked->forceFill(['given' => $this->withYes($asked, $teammate)])->save();
            $this->askRefund->tellOf($asked, $this->who->people($asked));
        });
    }

    /**
     * What was said yes to, to the cent: an order that has changed since needs a new yes.
     */
    private function giveBack(Approval $asked): void
    {
        $worksheet = $asked->worksheet ?? [];
        $told = $worksheet['told'] ?? null;
        $refund = $this->issue->issue(
            Order::query()->findOrFail($asked->order_id), ChosenRefund::read((array) $worksheet['chosen']), (int) $asked->amount,
            (string) $worksheet['reason'], $asked->conversation, $asked->askedBy ?? throw ApprovalRefused::whoAskedLeft(),
            "approval-{$asked->id}", $told === null ? null : new ToldWith((int) $told['template'], (bool) $told['done'])
        );
        $asked->forceFill(['refund_id' => $refund->id])->save();
    }

    /**
     * @return list<array{id: int, name: string, role: string, at: string}>
     */
    private function withYes(Approval $asked, Teammate $teammate): array
    {
        return [...$asked->given ?? [], [
            'id' => $teammate->id, 'name' => $teammate->name, 'role' => $this->countsAs($teammate, $asked)->value,
            'at' => now()->toIso8601ZuluString(),
        ]];
    }

    /**
     * Who answers for somebody counts as they do.
     */
    private function countsAs(Teammate $teammate, Approval $approval): Role
    {
        return $teammate->role->approves() ? $teammate->role : $approval->needs();
    }

    /**
     * @throws ApprovalRefused
     */
    private static function locked(Approval $approval): Approval
    {
        $asked = Approval::query()->lockForUpdate()->findOrFail($approval->id);
        $asked->state === ApprovalState::Asked || throw ApprovalRefused::alreadyAnswered();

        return $asked;
    }

    /**
     * Whether it was asking that holds it, and nobody has held it for something else since.
     */
    private function isHeldForIt(Conversation $conversation, Approval $asked): bool
    {
        $latest = JournalEntry::query()
            ->where('conversation_id', $conversation->id)
            ->where('kind', JournalKind::StateChanged)
            ->orderByDesc('id')
            ->first();
        $cause = $latest?->cause();

        return $cause?->kind === CauseKind::Approval && $cause->id === $asked->id;
    }
}
