<?php

declare(strict_types=1);

namespace App\Returns;

use App\Orders\Product;

/**
 * What the shop has of that which came back.
 */
final class StockOfReturn
{
    /**
     * @return array<int, int> pieces, by the id of the order's line; without those that the shop does not count
     */
    public static function of(CustomerReturn $return): array
    {
        $skus = $return->lines->mapWithKeys(static fn (ReturnLine $line): array => [$line->order_line_id => $line->orderLine->sku]);
        $stock = Product::query()->where('account_id', $return->order->account_id)->whereIn('sku', $skus)->pluck('stock', 'sku');

        return $skus->filter(static fn (string $sku): bool => $stock->has($sku))->map(static fn (string $sku): int => (int) $stock[$sku])
            ->all();
    }
}
