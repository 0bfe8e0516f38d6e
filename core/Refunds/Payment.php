<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Money;

/**
 * What an order was paid with, and what of it went back already.
 */
final readonly class Payment
{
    /**
     * @param  Money  $refunded  not above what was captured
     */
    public function __construct(public string $id, public Money $captured, public Money $refunded) {}

    public function left(): BigInteger
    {
        return $this->captured->units->minus($this->refunded->units);
    }
}
