<?php

declare(strict_types=1);

namespace App\Views;

use App\Conditions\ConditionQuery;
use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Queue\Queue;
use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/**
 * How many each view holds. Counted only as far as anybody wants to know, and once for all who look at
 * the same moment of the journal.
 */
final readonly class ViewCounts
{
    /** Beyond this it is “999+”. */
    public const MOST = 1000;

    private const KEPT_SECONDS = 60;

    public function __construct(private Queue $queue, private ConditionQuery $conditions, private WhoMayRead $whoMayRead) {}

    /**
     * @param  Collection<int, SavedView>  $saved
     * @return array<string, int> by the key of the view; the built-in ones for what is done are not counted
     */
    public function of(Teammate $teammate, Collection $saved, string $mark): array
    {
        $at = hash(
            'xxh128',
            implode(',', $this->whoMayRead->closedTo($teammate->id))."|{$mark}|".$saved->map(
                static fn (SavedView $view): string => "{$view->id}@{$view->getAttribute('updated_at')}"
            )->implode(',')
        );
        // One entry for each person, however often something happens.
        $kept = Cache::get("view-counts:{$teammate->id}");
        if (is_array($kept) && $kept['at'] === $at) {
            return $kept['counts'];
        }
        $counts = $this->count($teammate, $saved);
        Cache::put("view-counts:{$teammate->id}", ['at' => $at, 'counts' => $counts], self::KEPT_SECONDS);

        return $counts;
    }

    public static function show(int $count): string
    {
        return $count >= self::MOST ? (self::MOST - 1).'+' : (string) $count;
    }

    /**
     * @param  Collection<int, SavedView>  $saved
     * @return array<string, int>
     */
    private function count(Teammate $teammate, Collection $saved): array
    {
        $counts = $this->queue->counts($teammate);
        $parts = $bindings = [];
        foreach ($saved as $view) {
            try {
                $query = Conversation::readable($teammate);
                ShownView::narrowBy($query, $this->conditions, $view->asks($teammate));
            } catch (UnknownField|RulesRefused) {
                continue;
            }
            $limited = $query->toBase()->selectRaw('1')->limit(self::MOST)->toSql();
            $parts[] = "SELECT {$view->id} AS view, (SELECT COUNT(*) FROM ({$limited}) AS some) AS count";
            $bindings = [...$bindings, ...$query->getBindings()];
        }
        if ($parts !== []) {
            foreach (DB::select(implode(' UNION ALL ', $parts), $bindings) as $row) {
                $counts[(string) $row->view] = (int) $row->count;
            }
        }

        return $counts;
    }
}
