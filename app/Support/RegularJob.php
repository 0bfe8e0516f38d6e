<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\Cache;

/**
 * Work that looks for whatever is due: one that waits to begin is enough, however slow what goes before it is.
 *
 * @phpstan-consistent-constructor
 */
abstract class RegularJob implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    /** After which another is put in the queue, should one have been lost. */
    private const LOST_AFTER_SECONDS = 60;

    public int $tries = 1;

    public function __construct() {}

    /**
     * Not within a transaction: that one waits is known to all at once.
     */
    final public static function putInQueue(): void
    {
        if (Cache::add(self::waits(static::class), true, self::LOST_AFTER_SECONDS)) {
            dispatch(new static);
        }
    }

    /**
     * What comes to be due from now on needs another one.
     */
    final public static function begins(string $job): void
    {
        ! is_subclass_of($job, self::class) ?: Cache::forget(self::waits($job));
    }

    private static function waits(string $job): string
    {
        return "waits:{$job}";
    }
}
