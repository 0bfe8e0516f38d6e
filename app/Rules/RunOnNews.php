<?php

declare(strict_types=1);

namespace App\Rules;

use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;

/**
 * Runs the rules on what is new, on a worker of their own: however much rules have to do, nothing else waits for it.
 */
final class RunOnNews implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $uniqueFor = 60;

    public function __construct()
    {
        $this->onQueue('rules');
    }

    public function handle(RunRules $rules): void
    {
        $rules->run();
    }
}
