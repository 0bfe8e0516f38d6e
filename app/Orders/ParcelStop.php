<?php

declare(strict_types=1);

namespace App\Orders;

use Carbon\CarbonImmutable;

/**
 * A stop on the way of a parcel, and where it is drawn on a line of `ParcelLine::WIDTH`.
 */
final readonly class ParcelStop
{
    /**
     * @param  CarbonImmutable|null  $at  null while it has not been there
     * @param  bool  $isLast  whether it was seen there last
     */
    private function __construct(
        public string $label, public ?CarbonImmutable $at, public bool $isLast, public float $x, public float $textX,
        public string $anchor
    ) {}

    public static function first(string $label, CarbonImmutable $at, bool $isLast): self
    {
        return new self($label, $at, $isLast, ParcelLine::EDGE, 4, 'start');
    }

    /**
     * @param  int  $place  counted from 1, after the first
     * @param  int  $last  the place of the last
     */
    public static function later(string $label, ?CarbonImmutable $at, bool $isLast, int $place, int $last): self
    {
        $x = ParcelLine::EDGE + $place * (ParcelLine::WIDTH - 2 * ParcelLine::EDGE) / $last;

        return $place === $last
            ? new self($label, $at, $isLast, $x, ParcelLine::WIDTH - 2, 'end')
            : new self($label, $at, $isLast, $x, $x, 'middle');
    }
}
