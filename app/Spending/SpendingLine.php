<?php

declare(strict_types=1);

namespace App\Spending;

/**
 * Somebody's figures beside what chance would give.
 */
final readonly class SpendingLine
{
    /**
     * @param  string|null  $path  where more of it is
     * @param  int  $units  of how many
     * @param  string  $expected  by chance, to two places
     * @param  float  $chance  of so many or more
     * @param  bool  $standsOut  whether looking at all of them together does not explain it
     */
    public function __construct(
        public string $name, public ?string $path, public int $units, public int $count, public string $expected, public float $chance,
        public bool $standsOut
    ) {}

    /**
     * Such as `3 %` or `under 0.1 %`.
     */
    public function chanceInWords(): string
    {
        $percent = $this->chance * 100;

        return $percent < 0.1 ? 'under 0.1 %' : ($percent < 10 ? number_format($percent, 1, '.', '') : (string) round($percent)).' %';
    }
}
