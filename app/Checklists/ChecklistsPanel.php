<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Offer;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;
use App\Workspace\WhatIsThere;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * The checklists that are at work in a conversation, and those that can be started.
 */
final readonly class ChecklistsPanel implements Panel
{
    public function place(): PanelPlace
    {
        return PanelPlace::Beside;
    }

    public function asks(Conversation $conversation): array
    {
        return ['startedChecklists' => DB::table('started_checklists')->whereIn('conversation_id', $conversation->withJoined())];
    }

    public function offers(): array
    {
        return ['checklists' => new Offer(DB::table('checklists')->whereNull('retired_at'), 'name', also: 'category_id')];
    }

    public function content(Conversation $conversation, Teammate $teammate, WhatIsThere $there): array
    {
        return [
            'startedChecklists' => $there->has('startedChecklists')
                ? StartedChecklist::query()->whereIn('conversation_id', $conversation->withJoined())->orderBy('id')->get()
                : new Collection,
        ];
    }

    public function shows(): string
    {
        return 'checklists.beside';
    }

    public function begins(): string
    {
        return 'checklists.begin';
    }
}
