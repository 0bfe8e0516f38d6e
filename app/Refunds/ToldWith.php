<?php

declare(strict_types=1);

namespace App\Refunds;

/**
 * How the customer hears of a refund: with which template, and whether at once or when the money is through.
 */
final readonly class ToldWith
{
    public function __construct(public int $template, public bool $whenDone) {}
}
