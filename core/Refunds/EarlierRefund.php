<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Cairnfield\Core\Money\Money;

/**
 * What was given back of an order before.
 */
final readonly class EarlierRefund
{
    /**
     * @param  list<LineUnits>  $lines
     * @param  Money  $delivery  with its tax
     */
    public function __construct(public array $lines, public Money $delivery) {}
}
