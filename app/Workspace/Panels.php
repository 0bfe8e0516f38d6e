<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Conversation;
use App\Team\Teammate;
use Illuminate\Contracts\Database\Query\Builder;

/**
 * The panels of all places, in their order.
 */
final readonly class Panels
{
    /**
     * @param  list<Panel>  $panels
     */
    public function __construct(private array $panels) {}

    /**
     * @return array<string, Builder>
     */
    public function asks(Conversation $conversation): array
    {
        return array_merge(...array_map(static fn (Panel $panel): array => $panel->asks($conversation), $this->panels), ...[[]]);
    }

    /**
     * @return array<string, Offer>
     */
    public function offers(): array
    {
        return array_merge(...array_map(static fn (Panel $panel): array => $panel->offers(), $this->panels), ...[[]]);
    }

    /**
     * @return array<string, mixed> with the views of the panels as `panelsAbove`, `panelsBeside` and `panelsBegin`
     */
    public function content(Conversation $conversation, Teammate $teammate, WhatIsThere $there): array
    {
        $content = ['panelsAbove' => [], 'panelsBeside' => [], 'panelsBegin' => []];
        foreach ($this->panels as $panel) {
            $where = $panel->place() === PanelPlace::Beside ? 'panelsBeside' : 'panelsAbove';
            $content[$where] = [...$content[$where], ...array_filter([$panel->shows()])];
            $content['panelsBegin'] = [...$content['panelsBegin'], ...array_filter([$panel->begins()])];
            $content = [...$content, ...$panel->content($conversation, $teammate, $there)];
        }

        return $content;
    }
}
