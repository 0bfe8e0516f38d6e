<?php

declare(strict_types=1);

namespace App\Views;

use App\Conditions\ConditionQuery;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Queue\Queue;
use App\Queue\QueueRow;
use App\Sorting\Category;
use App\Team\Team;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * A view as columns of cards. A fixed number of queries, however many columns.
 */
final readonly class Board
{
    public const CARDS = 25;

    public function __construct(private Queue $queue, private ConditionQuery $conditions) {}

    /**
     * @return list<BoardColumn>
     */
    public function columns(ShownView $view, BoardBy $by, Teammate $teammate): array
    {
        $labels = $this->labels($by);
        $parts = $counting = $bindings = [];
        foreach ($labels as $key => $label) {
            $query = Conversation::readable($teammate);
            // A built-in view of one state shows all that are not done, so that there is somewhere to move to.
            $view->builtIn !== null && $by === BoardBy::State
                ? $query->whereNull('joined_into_id')->where('junk', false)->orderBy('next_up')->orderBy('id')
                : $view->narrow($query, $this->conditions, $teammate, null);
            $key === '' ? $query->whereNull($by->column()) : $query->where($by->column(), $key);
            $parts[] = '('.$query->clone()->select('id')->limit(self::CARDS)->toSql().')';
            $counting[] = '(SELECT COUNT(*) FROM ('.$query->clone()
                ->reorder()
                ->selectRaw('1')
                ->limit(ViewCounts::MOST)
                ->toSql().') AS some)';
            $bindings = [...$bindings, ...$query->getBindings()];
        }
        $ids = array_column(DB::select(implode(' UNION ALL ', $parts), $bindings), 'id');
        $counts = array_column(
            DB::select(
                'SELECT '.implode(
                    ' UNION ALL SELECT ',
                    array_map(
                        static fn (string $count, int $index): string => "{$index} AS place, {$count} AS count", $counting,
                        array_keys($counting)
                    )
                ),
                $bindings
            ),
            'count', 'place'
        );
        $cards = $this->cards($ids, $by);

        return array_map(
            static fn (string|int $key, string $label, int $index): BoardColumn => new BoardColumn(
                (string) $key, $label, $cards[(string) $key] ?? [], (int) ($counts[$index] ?? 0)
            ),
            array_keys($labels), $labels, array_keys(array_values($labels))
        );
    }

    /**
     * @param  list<int>  $ids
     * @return array<string, list<QueueRow>> by column, in the order of the ids
     */
    private function cards(array $ids, BoardBy $by): array
    {
        $order = array_flip($ids);
        $rows = Conversation::query()->whereKey($ids)->with(['customer.groups', 'account', 'owner', 'category', 'tags', 'orders'])->get()
            ->sortBy(static fn (Conversation $conversation): int => $order[$conversation->id]);
        $cards = [];
        foreach ($this->queue->stand($rows) as $row) {
            $key = $by === BoardBy::State ? $row->conversation->state->value : (string) $row->conversation->getAttribute($by->column());
            $cards[$key][] = $row;
        }

        return $cards;
    }

    /**
     * @return array<string|int, string>
     */
    private function labels(BoardBy $by): array
    {
        return match ($by) {
            BoardBy::State => array_column(
                array_map(
                    static fn (ConversationState $state): array => [$state->value, $state->label()],
                    [ConversationState::Open, ConversationState::Waiting, ConversationState::Held, ConversationState::Resolved]
                ),
                1, 0
            ),
            BoardBy::Category => ['' => 'None yet'] + Category::inUse()->pluck('path', 'id')->all(),
            BoardBy::Owner => ['' => 'Nobody’s yet'] + Teammate::query()
                ->where('may_sign_in', true)
                ->orderBy('name')
                ->pluck('name', 'id')
                ->all(),
            BoardBy::Team => ['' => 'No team'] + Team::query()->orderBy('name')->pluck('name', 'id')->all(),
        };
    }
}
