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
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Says yes or no to what was asked, or withdraws the question. The conversation is our turn again.
 */
final readonly class AnswerApproval
{
    public function __construct(private ChangeState $changeState, private Journal $journal, private Notify $tell) {}

    /**
     * @throws ApprovalRefused
     */
    public function answer(Approval $approval, bool $isGiven, string $answer, Teammate $teammate): void
    {
        if (! $isGiven && trim($answer) === '') {
            throw ApprovalRefused::needsReason();
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
            $conversation = Conversation::query()->lockForUpdate()->findOrFail($approval->conversation_id);
            $asked = Approval::query()->lockForUpdate()->findOrFail($approval->id);
            if ($asked->state !== ApprovalState::Asked) {
                throw ApprovalRefused::alreadyAnswered();
            }
            $asked->forceFill([
                'state' => $state, 'answer' => mb_substr($answer, 0, 500), 'answered_by' => $teammate->id, 'answered_at' => now(),
            ])->save();
            $actor = Actor::teammate($teammate);
            $this->journal->record(
                $conversation, new ApprovalAnswered(new Named($asked->id, $asked->question), $state), $actor, $answer
            );
            if ($conversation->state === ConversationState::Held && $this->isHeldForIt($conversation, $asked)) {
                $this->changeState->open(
                    $conversation, $actor,
                    $state === ApprovalState::Withdrawn ? 'the question was withdrawn' : 'the approval was '.$state->value
                );
            }
            $people = array_filter(
                [$asked->askedBy, $conversation->owner], static fn (?Teammate $one): bool => $one !== null && ! $one->is($teammate)
            );
            $said = ['given' => 'yes', 'declined' => 'no', 'withdrawn' => 'withdrawn'][$state->value];
            $this->tell->people(
                array_values(array_unique($people, SORT_REGULAR)), NewsKind::ApprovalAnswered, "approval-{$asked->id}-answer",
                "{$conversation->number()}, “{$asked->question}”: {$said}".($answer === '' ? '' : ", {$answer}"), $conversation->id
            );
        });
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
