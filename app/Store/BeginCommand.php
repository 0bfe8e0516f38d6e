<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Console\Command;

/**
 * Prints the address at which a store begins, where nobody can administer it yet; else nothing.
 */
final class BeginCommand extends Command
{
    protected $signature = 'store:begin';

    protected $description = 'Prints a one-time address at which the first administrator is made; nothing where there is one';

    public function handle(BeginLink $link): int
    {
        if (BeginLink::isNeeded()) {
            $this->line($link->make());
        }

        return self::SUCCESS;
    }
}
