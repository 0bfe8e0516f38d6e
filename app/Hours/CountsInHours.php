<?php

declare(strict_types=1);

namespace App\Hours;

/**
 * Whatever is counted in the hours of a calendar, and has to know when these change.
 */
interface CountsInHours
{
    /**
     * In the transaction of the change.
     */
    public function changed(int $calendar, string $name): void;

    /**
     * @return list<string> what counts in it, in words
     */
    public function namesIn(int $calendar): array;
}
