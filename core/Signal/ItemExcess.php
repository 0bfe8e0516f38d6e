<?php

declare(strict_types=1);

namespace Cairnfield\Core\Signal;

/**
 * An item beside what chance would give it.
 */
final readonly class ItemExcess
{
    /**
     * @param  string  $expected  by its share of the units, to two places, a half up
     * @param  float  $chance  of so many or more, from 0 to 1
     */
    public function __construct(public Item $item, public string $expected, public float $chance) {}

    /**
     * The chance to six places, a half up.
     */
    public function shownChance(): string
    {
        return number_format($this->chance, 6, '.', '');
    }
}
