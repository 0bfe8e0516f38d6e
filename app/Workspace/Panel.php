<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Conversation;
use App\Team\Teammate;
use Illuminate\Contracts\Database\Query\Builder;

/**
 * What a place shows on the page of a conversation, and lets begin from there. Each place adds its own in
 * `Support\Contributions`; the page need not know them.
 */
interface Panel
{
    public function place(): PanelPlace;

    /**
     * What there may be of it, so that what is not there for most conversations is asked for together with the rest.
     *
     * @return array<string, Builder> by names of its own
     */
    public function asks(Conversation $conversation): array;

    /**
     * What its menus offer: its views get them by these names.
     *
     * @return array<string, Offer>
     */
    public function offers(): array;

    /**
     * What its views need, beside the `conversation`, the `teammate` and the `teammates` who can be chosen.
     *
     * @return array<string, mixed>
     */
    public function content(Conversation $conversation, Teammate $teammate, WhatIsThere $there): array;

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
