<?php

declare(strict_types=1);

namespace App\Support;

/**
 * Names one process of one machine for as long as it lives: a pid alone is another's before long (proc(5), field 22).
 */
final class ProcessMark
{
    public static function own(): string
    {
        return implode(':', [gethostname(), getmypid(), self::beganAt((int) getmypid())]);
    }

    /**
     * Whether the process is seen to have ended. Of another machine nothing is seen.
     */
    public static function isGone(string $mark): bool
    {
        [$host, $pid, $began] = [...explode(':', $mark), '', ''];

        return $host === gethostname() && ctype_digit($pid) && $began !== '' && self::beganAt((int) $pid) !== $began;
    }

    /**
     * In ticks since the machine began; empty where there is no such process.
     */
    private static function beganAt(int $pid): string
    {
        $stat = @file_get_contents("/proc/{$pid}/stat");
        // The name, in parentheses, may hold anything.
        $fields = $stat === false ? [] : explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));

        return in_array($fields[0] ?? 'X', ['X', 'Z'], true) ? '' : $fields[19] ?? '';
    }
}
