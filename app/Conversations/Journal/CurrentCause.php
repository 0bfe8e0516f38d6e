<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

use Closure;

/**
 * What brings about what happens just now. The journal writes it beside everything that it records meanwhile.
 */
final class CurrentCause
{
    private ?Cause $cause = null;

    /**
     * @template T
     *
     * @param  Closure(): T  $do
     * @return T
     */
    public function during(Cause $cause, Closure $do): mixed
    {
        $before = $this->cause;
        $this->cause = $cause->within($before);
        try {
            return $do();
        } finally {
            $this->cause = $before;
        }
    }

    public function get(): ?Cause
    {
        return $this->cause;
    }
}
