<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Support\PlainQuery;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What stands in the menus of the page, of all kinds together: one question to the database instead of one for each menu.
 */
final class Choices
{
    /**
     * @param  array<string, Offer>  $offers  by a name of ours
     * @return array<string, Collection<int, Choice>> by the same names, in their order
     */
    public static function of(array $offers): array
    {
        $sql = $values = [];
        foreach ($offers as $list => $offer) {
            $query = PlainQuery::of($offer->rows)->selectRaw(
                "? as list, id, {$offer->name} as name, ".($offer->also ?? 'null')
                    ." as also, row_number() over (order by {$offer->order}) as place",
                [$list]
            );
            $sql[] = "({$query->toSql()})";
            array_push($values, ...$query->getBindings());
        }
        $lists = array_fill_keys(array_keys($offers), []);
        foreach ($sql === [] ? [] : DB::select(implode(' union all ', $sql).' order by list, place', $values) as $row) {
            $lists[$row->list][] = new Choice((int) $row->id, (string) $row->name, $row->also === null ? null : (string) $row->also);
        }

        return array_map(static fn (array $list): Collection => new Collection($list), $lists);
    }
}
