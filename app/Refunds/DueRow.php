<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * What a worker does when it is due, and again until it is done: one worker at a time, and another where that one dies.
 */
final class DueRow
{
    /** Seconds to the next try; the last one again and again. */
    private const PAUSES = [5, 15, 60, 300, 900];

    /**
     * By its key alone: looked for over the index of what is due, its place there would be locked before the row, and those who write
     * down how it went lock them the other way round.
     *
     * @param  string  $dueAt  the column of the time when it is due
     * @return bool whether nobody else has it
     */
    public static function claim(Row $row, string $dueAt): bool
    {
        return DB::transaction(static function () use ($row, $dueAt): bool {
            $isStillDue = $row->newQuery()->whereKey($row->getKey())->lockForUpdate()->toBase()->value($dueAt)
                === $row->getRawOriginal($dueAt);
            $isStillDue && $row->newQuery()->whereKey($row->getKey())
                ->update([$dueAt => now()->addSeconds((int) config('cairnfield.refunds.held_seconds'))]);

            return $isStillDue;
        });
    }

    /**
     * @param  int  $attempts  that have failed before this one
     * @param  int|null  $atLeast  seconds for which the other side wants to be left alone
     */
    public static function next(int $attempts, ?int $atLeast): CarbonImmutable
    {
        return CarbonImmutable::now()->addSeconds(max(self::PAUSES[min($attempts, count(self::PAUSES) - 1)], $atLeast ?? 0));
    }
}
