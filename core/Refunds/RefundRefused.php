<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Cairnfield\Core\Refusal;

final class RefundRefused extends Refusal
{
    public static function negativeAmount(string $at): self
    {
        return new self('negative_amount', 'Amounts, rates and percents are not below zero.', $at);
    }

    public static function discountAbovePrice(string $line, string $at): self
    {
        return new self('negative_amount', "The discount of '{$line}' is more than its price.", $at);
    }

    public static function orderDiscountAbovePrices(string $at): self
    {
        return new self('negative_amount', 'The discount of the order is more than all its lines together.', $at);
    }

    public static function unknownLine(string $line, string $at): self
    {
        return new self('unknown_line', "The order has no line '{$line}'.", $at);
    }

    public static function quantityOverRemaining(string $line, int $quantity, int $left, string $at): self
    {
        return new self(
            'quantity_over_remaining',
            $quantity < 1
                ? "Of '{$line}' at least one unit is given back."
                : "Of '{$line}' {$quantity} cannot be given back: {$left} are left.",
            $at,
        );
    }

    public static function deliveryOverRemaining(string $left, string $at): self
    {
        return new self('shipping_over_remaining', "Of the delivery {$left} is left to give back.", $at);
    }

    public static function feeExceedsRefund(string $at): self
    {
        return new self('fee_exceeds_refund', 'The fee and the label are more than what goes back for goods and delivery.', $at);
    }

    public static function nothingToRefund(): self
    {
        return new self('nothing_to_refund', 'Nothing is given back by that.', 'request');
    }

    public static function overCaptured(string $total, string $left): self
    {
        return new self('over_captured', "{$total} cannot be given back: {$left} is left of what was paid.", 'request');
    }
}
