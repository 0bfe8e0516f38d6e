<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Approvals\Happened\ApprovalAsked;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Sorting\WhoMayRead;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Asks a second person for a yes, and holds the conversation until there is an answer. One at a time.
 */
final readonly class AskApproval
{
    public function __construct(
        private ChangeState $changeState, private Journal $journal, private Notify $tell, private CurrentCause $cause,
        private WhoMayRead $whoMayRead
    ) {}

    /**
     * Why a rule asks for nothing there; null where it can. Asking twice is no failure.
     */
    public function whyNot(Conversation $conversation): ?string
    {
        return match (true) {
            Approval::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('state', ApprovalState::Asked)
                ->exists() => 'an approval is asked for already',
            $conversation->state === ConversationState::Closed => 'it is closed for good',
            default => null,
        };
    }

    /**
     * @param  Teammate|null  $of  null for any lead or administrator
     *
     * @throws ApprovalRefused
     */
    public function ask(Conversation $conversation, string $question, ?Teammate $of, Actor $actor): Approval
    {
        $question = mb_substr(trim($question), 0, 500);
        if ($question === '') {
            throw ApprovalRefused::noQuestion();
        }
        if ($of !== null && $of->is($actor->teammate)) {
            throw ApprovalRefused::oneself();
        }
        if ($of !== null && ! $of->role->approves()) {
            throw ApprovalRefused::mayNotApprove($of->name, $of->role->label());
        }
        $readers = $this->whoMayRead->ofConversation($conversation);
        if ($of !== null && $readers !== null && ! in_array($of->id, $readers, true)) {
            throw ConversationRefused::forMembersAlone($of->name, $conversation);
        }
        $people = $of !== null ? [$of] : array_values(
            Teammate::query()->whereIn('role', Role::approving())->where('may_sign_in', true)->whereKeyNot($actor->teammate->id ?? 0)
                ->when($readers !== null, static fn ($team) => $team->whereKey($readers))->get()->all()
        );
        if ($people === []) {
            throw ApprovalRefused::nobodyReads($conversation->number());
        }

        return DB::transaction(function () use ($conversation, $question, $of, $people, $actor): Approval {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $other = Approval::query()->whereIn('conversation_id', $locked->withJoined())->where('state', ApprovalState::Asked)->first();
            if ($other !== null) {
                throw ApprovalRefused::alreadyAsked($other->question);
            }
            if ($locked->state === ConversationState::Closed) {
                throw ApprovalRefused::closed();
            }
            $approval = new Approval;
            $approval->forceFill([
                'conversation_id' => $locked->id, 'question' => $question, 'asked_of' => $of?->id,
                'asked_by' => $actor->teammate?->id, 'state' => ApprovalState::Asked, 'asked_at' => now(),
            ])->save();
            $this->journal->record(
                $locked, new ApprovalAsked(Named::orNone($of?->id, $of?->name), new Named($approval->id, $question)), $actor
            );
            $this->cause->during(
                Cause::of(CauseKind::Approval, $approval->id),
                fn () => $this->changeState->hold($locked, $actor, 'approval: '.mb_substr($question, 0, 280), null)
            );
            $this->tell->people(
                $people, NewsKind::ApprovalAsked, "approval-{$approval->id}",
                "{$locked->number()} needs your yes or no: {$question}", $locked->id
            );

            return $approval;
        });
    }
}
