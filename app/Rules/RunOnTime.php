<?php

declare(strict_types=1);

namespace App\Rules;

use App\Nudges\SendNudges;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;

/**
 * Runs what time alone brings, rules and reminders, on the worker of the rules.
 */
final class RunOnTime implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $uniqueFor = 300;

    public function __construct()
    {
        $this->onQueue('rules');
    }

    public function handle(SweepTimeTriggers $clock, SendNudges $nudges): void
    {
        $clock->sweep();
        $nudges->run();
    }
}
