<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;

/**
 * The checklists that are at work in a conversation, and those that can be started.
 */
final readonly class ChecklistsPanel implements Panel
{
    public function place(): PanelPlace
    {
        return PanelPlace::Beside;
    }

    public function content(Conversation $conversation, Teammate $teammate): array
    {
        return [
            'startedChecklists' => StartedChecklist::query()->whereIn('conversation_id', $conversation->withJoined())->orderBy('id')->get(),
            // Those of its category first.
            'checklists' => Checklist::inUse()
                ->get()
                ->sortBy(
                    static fn (Checklist $checklist): int => $checklist->category_id !== null
                        && $checklist->category_id === $conversation->category_id
                        ? 0
                        : 1
                )
                ->values(),
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
