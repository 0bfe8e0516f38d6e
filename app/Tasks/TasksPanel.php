<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;
use App\Workspace\WhatIsThere;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * The tasks of a conversation, those to be done first.
 */
final readonly class TasksPanel implements Panel
{
    private const MOST = 20;

    public function place(): PanelPlace
    {
        return PanelPlace::Beside;
    }

    public function asks(Conversation $conversation): array
    {
        return ['tasks' => DB::table('tasks')->whereIn('conversation_id', $conversation->withJoined())];
    }

    public function offers(): array
    {
        return [];
    }

    public function content(Conversation $conversation, Teammate $teammate, WhatIsThere $there): array
    {
        return [
            'tasks' => ! $there->has('tasks') ? new Collection : Task::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->with('assignee')
                ->orderByRaw('done_at IS NOT NULL')
                ->orderBy('due_at')
                ->limit(self::MOST)
                ->get(),
        ];
    }

    public function shows(): string
    {
        return 'tasks.beside';
    }

    public function begins(): string
    {
        return 'tasks.begin';
    }
}
