<?php

declare(strict_types=1);

namespace App\Bulk;

use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/**
 * Goes on with a bulk change, or with undoing it, a part at a time. The rows know what is left, so that a
 * worker that dies costs nothing.
 */
final class WorkOnBulkChange implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    private const AT_ONCE = 50;

    public int $tries = 3;

    public function __construct(public readonly int $bulkId) {}

    public function handle(MakeBulkChange $make, UndoBulkChange $undo): void
    {
        $bulk = BulkChange::query()->find($this->bulkId);
        $isDone = match ($bulk?->state) {
            BulkChange::RUNNING => $make->go($bulk, self::AT_ONCE),
            BulkChange::UNDOING => $undo->go($bulk, self::AT_ONCE),
            default => true,
        };
        if (! $isDone) {
            self::dispatch($this->bulkId);
        }
    }

    /**
     * Those that a worker left behind.
     */
    public static function goOn(): void
    {
        BulkChange::query()->whereIn('state', [BulkChange::RUNNING, BulkChange::UNDOING])->where('updated_at', '<', now()->subMinutes(2))
            ->pluck('id')->each(static fn (int $id) => self::dispatch($id));
    }
}
