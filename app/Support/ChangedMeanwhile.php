<?php

declare(strict_types=1);

namespace App\Support;

/**
 * What the later of two is told who change one thing at once.
 */
final class ChangedMeanwhile
{
    public static function said(?string $who, ?string $what): string
    {
        return ($who ?? 'Somebody').' has changed it meanwhile'.($what === null ? '' : " ({$what})")
            .'. What you wrote is still here, and what stands now is shown beside it: save again to keep yours.';
    }
}
