<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Support\Refused;

/**
 * Something cannot be retired, since something that is on needs it.
 */
final class StillNeeded extends Refused
{
    /**
     * @param  non-empty-list<string>  $by
     */
    public static function by(string $name, array $by): self
    {
        $last = array_pop($by);
        $all = $by === [] ? $last : implode(', ', $by).' and '.$last;

        return new self(
            'by',
            "“{$name}” is needed by {$all}. Change ".($by === [] ? 'it' : 'them').' or switch '.($by === [] ? 'it' : 'them').' off first.'
        );
    }
}
