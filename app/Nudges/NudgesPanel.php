<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Offer;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;
use App\Workspace\WhatIsThere;
use Illuminate\Support\Facades\DB;

/**
 * The reminders that are at work, which the trail shows at its end, and the plans that can be started.
 */
final readonly class NudgesPanel implements Panel
{
    public function place(): PanelPlace
    {
        return PanelPlace::Beside;
    }

    public function asks(Conversation $conversation): array
    {
        return ['nudge' => DB::table('nudges')->whereIn('conversation_id', $conversation->withJoined())->where('state', Nudge::RUNNING)];
    }

    public function offers(): array
    {
        return ['plans' => new Offer(DB::table('nudge_plans')->whereNull('retired_at'), 'name')];
    }

    public function content(Conversation $conversation, Teammate $teammate, WhatIsThere $there): array
    {
        return [
            'nudge' => ! $there->has('nudge') ? null : Nudge::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('state', Nudge::RUNNING)
                ->with('plan')
                ->first(),
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
