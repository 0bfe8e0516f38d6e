<?php

declare(strict_types=1);

namespace App\Exchanges;

use App\Support\Refused;

/**
 * Something that cannot be sent, cancelled or changed like that.
 */
final class ExchangeRefused extends Refused
{
    public static function nothingChosen(): self
    {
        return new self('nothing_chosen', 'Choose what is sent.', 'goods');
    }

    public static function unknownProduct(string $sku): self
    {
        return new self('unknown_product', "The shop has no “{$sku}”.", 'goods');
    }

    public static function otherCurrency(string $order, string $store): self
    {
        return new self('other_currency', "The order is in {$order}, and the shop’s prices are in {$store}: send the same again, or give "
            .'the money back.', 'goods');
    }

    public static function outOfStock(string $title, int $stock): self
    {
        return new self('out_of_stock', "{$title}: the shop has {$stock} in stock.", 'goods');
    }

    public static function addressNotConfirmed(): self
    {
        return new self('address_not_confirmed', 'Confirm the address to which it goes.', 'address_confirmed');
    }

    public static function notOrdered(string $order): self
    {
        return new self('not_ordered', "That is not part of order {$order}, or not so much of it.", 'goods');
    }

    public static function notNow(): self
    {
        return new self('not_now', 'It has gone elsewhere by now. Look at it once more.');
    }

    public static function changedMeanwhile(string $shown, string $now): self
    {
        return new self('changed_meanwhile',
            "The price or the order has changed meanwhile: it is {$now} now, and not {$shown}. Look at it once more.");
    }

    public static function noReason(): self
    {
        return new self('no_reason', 'Choose why.', 'reason');
    }

    public static function shopSays(string $why): self
    {
        return new self('shop_says', $why);
    }

    public static function noAddress(): self
    {
        return new self('no_address', 'Write the new address: the street, and the town below it.', 'address');
    }
}
