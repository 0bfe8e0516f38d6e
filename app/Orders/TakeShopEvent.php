<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Channels\RedactArrival;
use App\Channels\Services\EventFields;
use App\Channels\Services\TakesEvents;
use App\Channels\Services\UnreadableEvent;
use Carbon\CarbonImmutable;

/**
 * What the shop tells of: orders, products with their stock, and store credit.
 */
final readonly class TakeShopEvent implements TakesEvents
{
    public function __construct(private TakeOrder $takeOrder, private RedactArrival $redact, private TakesCredits $credits) {}

    public function take(Account $account, array $event): string
    {
        $fields = EventFields::of($event);
        $type = $fields->text('type', 80);

        return match ($type) {
            'order.changed' => $this->takeOrder->take($account, $fields->object('data')->object('order')),
            'credit.changed' => $this->credits->take($account, $fields->object('data')->object('credit')),
            'product.changed' => $this->product($account, $fields->object('data')->object('product'), $fields->instant('at')),
            default => throw UnreadableEvent::unknownType($type),
        };
    }

    private function product(Account $account, EventFields $product, CarbonImmutable $at): string
    {
        $sku = $product->text('sku', 100);
        $known = Product::query()->where('account_id', $account->id)->where('sku', $sku)->first();
        if ($known !== null && $known->fetched_at > $at) {
            return 'again';
        }
        Product::query()->upsert([[
            'account_id' => $account->id,
            'sku' => $sku,
            'title' => $this->redact->plain($product->text('title', 300)),
            'price' => $product->integer('price', 0),
            'stock' => $product->integer('stock', -1_000_000, 1_000_000_000),
            'fetched_at' => $at,
        ]], ['account_id', 'sku'], ['title', 'price', 'stock', 'fetched_at']);

        return $known === null ? 'new' : 'changed';
    }
}
