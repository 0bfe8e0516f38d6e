<?php

declare(strict_types=1);

namespace App\Bulk;

use Illuminate\Support\Facades\DB;

/**
 * How many conversations of a change of many are planned, changed, left alone and set back.
 */
final readonly class BulkCounts
{
    private function __construct(public int $planned, public int $changed, public int $skipped, public int $undone) {}

    public static function of(BulkChange $bulk): self
    {
        $counts = DB::table('bulk_items')
            ->where('bulk_change_id', $bulk->id)
            ->groupBy('state')
            ->selectRaw('state, COUNT(*) AS count')
            ->pluck('count', 'state');

        return new self(
            (int) ($counts[BulkItem::PLANNED] ?? 0), (int) ($counts[BulkItem::CHANGED] ?? 0), (int) ($counts[BulkItem::SKIPPED] ?? 0),
            (int) ($counts[BulkItem::UNDONE] ?? 0)
        );
    }

    public function all(): int
    {
        return $this->planned + $this->changed + $this->skipped + $this->undone;
    }
}
