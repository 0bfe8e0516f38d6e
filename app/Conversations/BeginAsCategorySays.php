<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Checklists\Checklist;
use App\Checklists\WorkThroughChecklist;
use App\Sorting\BringsAlong;
use App\Sorting\Category;
use App\Team\TakeTurns;
use App\Team\Team;
use Cairnfield\Core\Queue\Priority;

/**
 * Gives a new matter what its category brings along: its team, its priority, a checklist, and somebody's turn. What a person or a
 * rule has said already stays.
 */
final readonly class BeginAsCategorySays
{
    public function __construct(
        private AssignTeam $team, private SetPriority $priority, private WorkThroughChecklist $checklists,
        private AssignConversation $assign, private TakeTurns $turns
    ) {}

    /**
     * In the transaction in which it got the category, with the conversation locked.
     */
    public function begin(Conversation $locked, Category $category): void
    {
        $brings = BringsAlong::of($category);
        if ($brings->isNothing() || $locked->junk || $locked->state->isDone()) {
            return;
        }
        $actor = Actor::application();
        $why = "“{$category->name}” brings it along";
        $team = $brings->team === null ? null : Team::query()->find($brings->team);
        $checklist = $brings->checklist === null ? null : Checklist::query()->find($brings->checklist);
        $team === null || $locked->owner_id !== null ?: $this->team->assign($locked, $team, $actor, $why);
        if ($brings->priority !== null && $locked->priority === Priority::Normal) {
            $this->priority->set($locked, $brings->priority, $actor, $why);
        }
        $checklist === null ?: $this->checklists->start($locked, $checklist, $actor, $why);
        if ($brings->givesOut && $locked->owner_id === null) {
            $locked->refresh();
            $locked->load('team');
            $this->turns->whyNot($locked) === null && $this->assign->byTurn($locked, $this->turns, $actor, $why);
        }
        $locked->refresh();
    }
}
