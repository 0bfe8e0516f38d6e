<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;

/**
 * What waits for somebody’s yes.
 */
final readonly class ApprovalsPanel implements Panel
{
    public function place(): PanelPlace
    {
        return PanelPlace::AboveAnswer;
    }

    public function content(Conversation $conversation, Teammate $teammate): array
    {
        return [
            'approval' => Approval::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('state', ApprovalState::Asked)
                ->with(['askedOf', 'askedBy'])
                ->first(),
        ];
    }

    public function shows(): string
    {
        return 'approvals.asked';
    }

    public function begins(): string
    {
        return 'approvals.begin';
    }
}
