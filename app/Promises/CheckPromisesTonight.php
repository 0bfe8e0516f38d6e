<?php

declare(strict_types=1);

namespace App\Promises;

use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/**
 * The nightly check, by a worker: it takes its time.
 */
final class CheckPromisesTonight implements ShouldBeUnique, ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $timeout = 290;

    public int $tries = 1;

    public function handle(CheckPromises $check): void
    {
        $check->run();
    }
}
