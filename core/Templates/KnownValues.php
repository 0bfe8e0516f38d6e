<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

use Cairnfield\Core\Money\Money;
use DateTimeImmutable;

/**
 * Values that are all there already.
 */
final readonly class KnownValues implements Values
{
    /**
     * @param  array<string, string|int|bool|Money|Day|DateTimeImmutable|Withheld|null>  $values  by name
     */
    public function __construct(private array $values) {}

    public function value(string $name): string|int|bool|Money|Day|DateTimeImmutable|Withheld|null
    {
        return $this->values[$name] ?? null;
    }
}
