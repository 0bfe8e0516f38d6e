<?php

declare(strict_types=1);

namespace App\Fields;

use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What one of two that are merged has in fields of the store's own in which the other has nothing, for as long as they are one.
 */
final readonly class LendOwnFields
{
    private const KEPT = ['position', 'text', 'folded', 'number'];

    /**
     * @return array<int, list<array<string, mixed>>> what was written, by field
     */
    public function lend(About $about, int $from, int $to): array
    {
        $has = $this->rows($about, $to);
        $lent = array_diff_key($this->rows($about, $from), $has);
        foreach ($lent as $field => $rows) {
            OwnValue::query()->insert(
                array_map(static fn (array $row): array => ['own_field_id' => $field, 'about_id' => $to, ...$row], $rows)
            );
        }

        return $lent;
    }

    /**
     * Where nobody has written something else since.
     *
     * @param  array<int, list<array<string, mixed>>>  $lent
     */
    public function takeBack(About $about, int $to, array $lent): void
    {
        $has = $this->rows($about, $to);
        $unchanged = array_filter(
            array_keys($lent), static fn (int $field): bool => ($has[$field] ?? null) === array_values($lent[$field])
        );
        OwnValue::query()->where('about_id', $to)->whereIn('own_field_id', $unchanged)->delete();
    }

    /**
     * @return array<int, list<array<string, mixed>>> by field
     */
    private function rows(About $about, int $id): array
    {
        return DB::table('own_values')->where('about_id', $id)
            ->whereIn('own_field_id', OwnField::query()->where('about', $about)->select('id'))
            ->orderBy('own_field_id')->orderBy('position')
            ->get(['own_field_id', ...self::KEPT])
            ->groupBy('own_field_id')
            ->map(static fn (Collection $rows): array => array_values(
                $rows->map(static fn (object $row): array => array_intersect_key((array) $row, array_flip(self::KEPT)))->all()
            ))
            ->all();
    }
}
