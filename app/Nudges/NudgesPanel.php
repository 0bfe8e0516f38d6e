<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;

/**
 * The reminders that are at work, which the trail shows at its end, and the plans that can be started.
 */
final readonly class NudgesPanel implements Panel
{
    public function place(): PanelPlace
    {
        return PanelPlace::Beside;
    }

    public function content(Conversation $conversation, Teammate $teammate): array
    {
        return [
            'nudge' => Nudge::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('state', Nudge::RUNNING)
                ->with('plan')
                ->first(),
            'plans' => NudgePlan::inUse()->get(),
        ];
    }

    public function shows(): null
    {
        return null;
    }

    public function begins(): string
    {
        return 'nudges.begin';
    }
}
