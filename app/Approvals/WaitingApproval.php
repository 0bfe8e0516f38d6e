<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Answering\HoldsAnswersBack;
use App\Conversations\Conversation;

/**
 * An approval that waits holds back what it is about: who answers meanwhile is asked first.
 */
final readonly class WaitingApproval implements HoldsAnswersBack
{
    public function whatWaits(Conversation $conversation): ?string
    {
        $question = Approval::query()->whereIn('conversation_id', $conversation->withJoined())->where('state', ApprovalState::Asked)
            ->orderBy('id')->value('question');

        return $question === null ? null : (string) $question;
    }
}
