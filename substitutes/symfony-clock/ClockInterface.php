<?php

declare(strict_types=1);

// Stands in for symfony/clock, which Carbon requires and the package source in use does not carry.
// Only what Carbon needs is here. Drop this folder, and its repository in composer.json, as soon
// as `composer require symfony/clock` can fetch the real package.

namespace Symfony\Component\Clock;

use DateTimeZone;
use Psr\Clock\ClockInterface as PsrClockInterface;

interface ClockInterface extends PsrClockInterface
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(DateTimeZone|string $timezone): static;
}
