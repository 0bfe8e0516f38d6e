<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

use Cairnfield\Core\Money\Money;
use DateTimeImmutable;

/**
 * What placeholders are filled with, by their name.
 */
interface Values
{
    /**
     * @return string|int|bool|Money|Day|DateTimeImmutable|Withheld|null null or an empty string where there is nothing; a DateTimeImmutable
     *   is a moment, shown with its time
     */
    public function value(string $name): string|int|bool|Money|Day|DateTimeImmutable|Withheld|null;
}
