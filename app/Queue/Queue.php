<?php

declare(strict_types=1);

namespace App\Queue;

use App\Conditions\ConditionQuery;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Team\Teammate;
use App\Views\ShownView;
use Cairnfield\Core\Queue\DueGroup;
use Illuminate\Database\Eloquent\Collection;

/**
 * The rows of one view, the most urgent first, in the groups they are shown in.
 */
final readonly class Queue
{
    public function __construct(private ConditionQuery $conditions) {}

    /**
     * @return Collection<int, Conversation> one row more than asked for where there are more
     */
    public function rows(ShownView $view, QueueFilter $filter, Teammate $teammate): Collection
    {
        $query = Conversation::readable($teammate)
            ->with(['customer.groups', 'account', 'owner', 'category', 'outcome', 'team', 'tags', 'orders.parcels.scans'])
            ->limit($filter->rows + 1);
        $filter->narrow($query);
        $view->narrow($query, $this->conditions, $teammate, $filter->owner);

        return $query->get();
    }

    /**
     * @param  Collection<int, Conversation>  $rows
     * @return list<QueueGroup>
     */
    public function groups(ShownView $view, Collection $rows): array
    {
        if (! $view->isGrouped()) {
            return $rows->isEmpty() ? [] : [new QueueGroup($view->label(), 'plain', $this->stand($rows))];
        }
        $rowsByGroup = [];
        foreach ($this->stand($rows) as $row) {
            $rowsByGroup[$row->conversation->due_group][] = $row;
        }
        $groups = [];
        foreach (DueGroup::cases() as $group) {
            if (isset($rowsByGroup[$group->value])) {
                [$label, $urgency] = match ($group) {
                    DueGroup::Missed => ['Promise missed', 'missed'],
                    DueGroup::WithinTheHour => ['Within the hour', 'soon'],
                    DueGroup::Today => ['Today', 'today'],
                    DueGroup::Later => ['Later, or no promise running', 'later'],
                };
                $groups[] = new QueueGroup($label, $urgency, $rowsByGroup[$group->value]);
            }
        }

        return $groups;
    }

    /**
     * How many each view holds; the resolved ones are not counted.
     *
     * @return array<string, int>
     */
    public function counts(Teammate $teammate): array
    {
        $counts = Conversation::readable($teammate)->toBase()
            ->selectRaw('SUM(state = ? AND (owner_id IS NULL OR owner_id = ?)) AS mine', [ConversationState::Open->value, $teammate->id])
            ->selectRaw('SUM(state = ? AND owner_id IS NULL) AS nobodys', [ConversationState::Open->value])
            ->selectRaw('SUM(state = ?) AS waiting', [ConversationState::Waiting->value])
            ->selectRaw('SUM(state = ?) AS held', [ConversationState::Held->value])
            ->whereIn('state', [ConversationState::Open, ConversationState::Waiting, ConversationState::Held])
            ->first();

        return [
            QueueView::MyTurn->value => (int) ($counts->mine ?? 0),
            QueueView::NobodysYet->value => (int) ($counts->nobodys ?? 0),
            QueueView::Waiting->value => (int) ($counts->waiting ?? 0),
            QueueView::Held->value => (int) ($counts->held ?? 0),
        ];
    }

    /**
     * @param  Collection<int, Conversation>  $rows
     * @return list<QueueRow>
     */
    public function stand(Collection $rows): array
    {
        return array_values($rows->map(fn (Conversation $row): QueueRow => new QueueRow($row, $row->standing()))->all());
    }
}
