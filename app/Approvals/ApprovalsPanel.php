<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;
use App\Workspace\WhatIsThere;
use Illuminate\Support\Facades\DB;

/**
 * What waits for somebody’s yes.
 */
final readonly class ApprovalsPanel implements Panel
{
    public function place(): PanelPlace
    {
        return PanelPlace::AboveAnswer;
    }

    public function asks(Conversation $conversation): array
    {
        return [
            'approval' => DB::table('approvals')->whereIn(
                'conversation_id', $conversation->withJoined()
            )->where('state', ApprovalState::Asked),
        ];
    }

    public function offers(): array
    {
        return [];
    }

    public function content(Conversation $conversation, Teammate $teammate, WhatIsThere $there): array
    {
        return [
            'approval' => ! $there->has('approval') ? null : Approval::query()
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
