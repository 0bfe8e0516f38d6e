<?php

declare(strict_types=1);

namespace App\Health;

use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Each part says every few seconds that it is alive, and before something long how long it may be silent.
 */
final class Heartbeats
{
    /** Seconds between two beats. */
    private const EVERY = 5;

    /** Seconds without one that mean nothing yet: a machine that is busy, a restart. */
    private const PATIENCE = 40;

    /** @var array<string, int> when each was heard last, in this process */
    private static array $last = [];

    /**
     * It is alive and waits for work. A database that is away is told of elsewhere, and stops nobody here.
     */
    public static function beat(Part $part): void
    {
        if (now()->getTimestamp() - (self::$last[$part->value] ?? 0) >= self::EVERY) {
            self::write($part, self::PATIENCE);
        }
    }

    /**
     * It begins something that may take so many seconds.
     */
    public static function works(Part $part, int $seconds): void
    {
        self::write($part, $seconds + self::PATIENCE);
    }

    /**
     * Those that have been silent for longer than they may.
     */
    public static function overdue(): Builder
    {
        return DB::table('heartbeats')->where('silent_until', '<', now());
    }

    /**
     * @return list<array{Part, CarbonImmutable}> each with when it was heard last
     */
    public static function silent(): array
    {
        $silent = [];
        foreach (self::overdue()->orderBy('part')->get(['part', 'beat_at']) as $row) {
            $part = Part::tryFrom((string) $row->part);
            $part === null ?: $silent[] = [$part, CarbonImmutable::parse((string) $row->beat_at, 'UTC')];
        }

        return $silent;
    }

    private static function write(Part $part, int $silentFor): void
    {
        self::$last[$part->value] = now()->getTimestamp();
        try {
            DB::table('heartbeats')->upsert(
                [['part' => $part->value, 'beat_at' => now(), 'silent_until' => now()->addSeconds($silentFor)]],
                ['part'], ['beat_at', 'silent_until']
            );
        } catch (Throwable) {
            unset(self::$last[$part->value]);
        }
    }
}
