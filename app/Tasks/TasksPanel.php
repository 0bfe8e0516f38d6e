<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;

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

    public function content(Conversation $conversation, Teammate $teammate): array
    {
        return [
            'tasks' => Task::query()
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
