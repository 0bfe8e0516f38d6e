<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Cairnfield\Core\Money\Money;

/**
 * What of the delivery goes back.
 */
final readonly class DeliveryBack
{
    private function __construct(public string $kind, public ?Money $amount) {}

    public static function none(): self
    {
        return new self('none', null);
    }

    /**
     * All that is left of it.
     */
    public static function all(): self
    {
        return new self('all', null);
    }

    /**
     * As much as belongs to the goods that have gone back by now, as a share of all goods.
     */
    public static function share(): self
    {
        return new self('share', null);
    }

    /**
     * @param  Money  $amount  with its tax
     */
    public static function amount(Money $amount): self
    {
        return new self('amount', $amount);
    }
}
