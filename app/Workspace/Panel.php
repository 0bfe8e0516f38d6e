<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Conversation;
use App\Team\Teammate;

/**
 * What a place shows on the page of a conversation, and lets begin from there. Each place adds its own in
 * `Support\Contributions`; the page need not know them.
 */
interface Panel
{
    public function place(): PanelPlace;

    /**
     * What its views need, beside the `conversation`, the `teammate` and the `teammates` who can be chosen.
     *
     * @return array<string, mixed>
     */
    public function content(Conversation $conversation, Teammate $teammate): array;

    /**
     * What it shows, in one element with an id of its own: shown anew (with `oob`) when something has changed.
     *
     * @return string|null the view; null where it only begins something
     */
    public function shows(): ?string;

    /**
     * The button with which something of it is begun.
     *
     * @return string|null the view; null where nothing is
     */
    public function begins(): ?string;
}
