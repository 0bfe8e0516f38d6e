<?php

declare(strict_types=1);

namespace App\Spending;

final readonly class SpendingName
{
    /**
     * @param  string|null  $path  where more of it is
     */
    public function __construct(public string $name, public ?string $path) {}
}
