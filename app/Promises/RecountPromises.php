<?php

declare(strict_types=1);

namespace App\Promises;

use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\DB;

/**
 * Goes on with reckoning anew what is running, a part at a time. The row knows what is left, so that a worker that dies costs
 * nothing; safe to repeat.
 */
final class RecountPromises implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    private const AT_ONCE = 250;

    public int $tries = 3;

    public function __construct(public readonly int $recountId) {}

    public function handle(KeepPromises $keep, PromiseSets $sets): void
    {
        $recount = Recount::query()->find($this->recountId);
        if ($recount === null || $recount->finished_at !== null) {
            return;
        }
        $sets->forget();
        $ids = DB::table('conversations')->whereIn('state', Recount::RUNS_IN)->where('id', '>', $recount->up_to)
            ->orderBy('id')->limit(self::AT_ONCE)->pluck('id')->all();
        foreach ($ids as $id) {
            // What a change alone has made late is shown as missed, and nobody is called for it.
            DB::transaction(static function () use ($keep, $id): void {
                DB::table('conversations')->where('id', $id)->lockForUpdate()->value('id');
                $keep->anew((int) $id, false);
            });
        }
        $isAll = count($ids) < self::AT_ONCE;
        Recount::query()->whereKey($recount->id)->whereNull('finished_at')->update([
            'done' => DB::raw('done + '.count($ids)), 'up_to' => $ids === [] ? $recount->up_to : (int) max($ids),
            'finished_at' => $isAll ? now() : null,
        ]);
        $isAll ?: self::dispatch($this->recountId);
    }

    /**
     * Those that a worker left behind, and those that a migration has asked for.
     */
    public static function goOn(): void
    {
        Recount::query()->whereNull('finished_at')->where('updated_at', '<', now()->subMinute())->orderBy('id')->limit(1)
            ->pluck('id')->each(static fn (int $id) => self::dispatch($id));
    }
}
