<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;
use App\Workspace\WhatIsThere;
use Illuminate\Support\Facades\DB;

/**
 * The returns that belong to a conversation, each with its way.
 */
final readonly class ReturnsPanel implements Panel
{
    public function place(): PanelPlace
    {
        return PanelPlace::Beside;
    }

    public function asks(Conversation $conversation): array
    {
        return ['returns' => DB::table('returns')->whereIn('conversation_id', $conversation->withJoined())];
    }

    public function offers(): array
    {
        return [];
    }

    public function content(Conversation $conversation, Teammate $teammate, WhatIsThere $there): array
    {
        return ['customerReturns' => $there->has('returns') ? CustomerReturn::query()
            ->whereIn('conversation_id', $conversation->withJoined())->with(['order', 'reason', 'lines.orderLine'])->orderByDesc('id')
            ->get()
            : collect()];
    }

    public function shows(): string
    {
        return 'returns.beside';
    }

    public function begins(): null
    {
        return null;
    }
}
