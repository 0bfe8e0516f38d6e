<?php

declare(strict_types=1);

namespace App\Exchanges;

use App\Orders\Order;
use App\Orders\Product;
use App\Store\Store;

/**
 * What is to be sent in place of something, with what it costs in the shop and whether it is there.
 */
final readonly class NewGoods
{
    public const MOST_UNITS = 100;

    /**
     * @param  list<array{sku: string, title: string, quantity: int, price: int}>  $lines
     * @param  int  $worth  smallest units
     */
    private function __construct(public array $lines, public int $worth) {}

    /**
     * @param  array<string, int>  $chosen  units, by SKU
     *
     * @throws ExchangeRefused
     */
    public static function of(Order $order, array $chosen): self
    {
        $order->currency === Store::current()->currency
            || throw ExchangeRefused::otherCurrency($order->currency, Store::current()->currency);
        $products = Product::query()->where('account_id', $order->account_id)->whereIn('sku', array_keys($chosen))->get()->keyBy('sku');
        $lines = [];
        $worth = 0;
        foreach ($chosen as $sku => $quantity) {
            $product = $products[$sku] ?? throw ExchangeRefused::unknownProduct((string) $sku);
            $quantity > $product->stock && throw ExchangeRefused::outOfStock($product->title, max(0, $product->stock));
            $lines[] = ['sku' => $product->sku, 'title' => $product->title, 'quantity' => $quantity, 'price' => $product->price];
            $worth += $product->price * $quantity;
        }

        return $lines === [] ? throw ExchangeRefused::nothingChosen() : new self($lines, $worth);
    }

    /**
     * Lines of the order once more, which cost nothing.
     *
     * @param  array<int, int>  $units  by the id of the order's line
     *
     * @throws ExchangeRefused
     */
    public static function again(Order $order, array $units): self
    {
        $lines = [];
        foreach ($units as $id => $quantity) {
            $line = $order->lines->find($id);
            if ($line === null || $quantity > $line->quantity) {
                throw ExchangeRefused::notOrdered($order->number);
            }
            $lines[$line->sku] = [
                'sku' => $line->sku, 'title' => $line->title, 'quantity' => ($lines[$line->sku]['quantity'] ?? 0) + $quantity, 'price' => 0,
            ];
        }
        $stock = Product::query()->where('account_id', $order->account_id)->whereIn('sku', array_keys($lines))->pluck('stock', 'sku');
        foreach ($lines as $sku => $line) {
            isset($stock[$sku]) && $line['quantity'] > $stock[$sku]
                && throw ExchangeRefused::outOfStock($line['title'], max(0, (int) $stock[$sku]));
        }

        return $lines === [] ? throw ExchangeRefused::nothingChosen() : new self(array_values($lines), 0);
    }
}
