<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\DB;

/**
 * A lock that is held by the connection to the database, and so given back at once when the process that had it is gone, however
 * it ended (MariaDB, GET_LOCK).
 */
final class SessionLock
{
    /**
     * @template T
     *
     * @param  Closure(): T  $work
     * @return T|null null where another has it
     */
    public static function during(string $name, Closure $work): mixed
    {
        // Of all databases of the server; at most 64 characters.
        $key = 'cairnfield-'.hash('xxh128', DB::getDatabaseName()."\0{$name}");
        if ((int) DB::scalar('SELECT GET_LOCK(?, 0)', [$key]) !== 1) {
            return null;
        }
        try {
            return $work();
        } finally {
            DB::scalar('SELECT RELEASE_LOCK(?)', [$key]);
        }
    }
}
