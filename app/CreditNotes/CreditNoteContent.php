<?php

declare(strict_types=1);

namespace App\CreditNotes;

use App\Orders\Order;
use App\Orders\OrderLine;
use App\Orders\TaxPercent;
use App\Refunds\Payout;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\RefundLine;
use App\Store\Store;
use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Refunds\TaxByRate;

/**
 * All that stands in a credit note, taken from the refund once: what changes later, changes nothing of it. Amounts are smallest units.
 */
final class CreditNoteContent
{
    /**
     * @return array<string, mixed>
     */
    public static function of(Refund $refund): array
    {
        $refund->loadMissing(['order.lines', 'lines.orderLine', 'payouts.payment']);
        $order = $refund->order;

        return [
            'store' => ['name' => Store::current()->name, 'imprint' => Store::current()->imprint, 'country' => Store::current()->country],
            'to' => ['name' => $order->buyer_name, 'address' => $order->address, 'country' => $order->country],
            'order' => ['number' => $order->title(),
                'placed_on' => $order->placed_at->setTimezone(Store::current()->zone())->format('Y-m-d')],
            'reason' => $refund->reason, 'currency' => $refund->currency,
            'lines' => $refund->lines->map(static fn (RefundLine $line): array => [
                'title' => $line->orderLine->title, 'quantity' => $line->quantity, 'rate' => TaxPercent::of($line->orderLine->tax_rate),
                'net' => $line->net, 'tax' => $line->tax, 'gross' => $line->gross,
            ])->values()->all(),
            'delivery' => $refund->delivery_gross === 0 ? null : [
                'title' => $order->shipping_title, 'rate' => TaxPercent::of($order->shipping_tax_rate), 'net' => $refund->delivery_net,
                'tax' => $refund->delivery_tax, 'gross' => $refund->delivery_gross,
            ],
            'deduction' => $refund->deduction, 'fee' => $refund->fee, 'label' => $refund->label, 'goodwill' => $refund->goodwill,
            'rates' => self::rates($refund, $order), 'total' => $refund->total,
            'payments' => $refund->payouts->where('state', PayoutState::Done)->map(static fn (Payout $payout): array => [
                'label' => $payout->to(), 'amount' => $payout->amount,
            ])->values()->all(),
        ];
    }

    /**
     * @return list<array{rate: string, net: int, tax: int, gross: int}>
     */
    private static function rates(Refund $refund, Order $order): array
    {
        $currency = Currency::of($refund->currency);
        $money = static fn (int $units): Money => Money::ofUnits(BigInteger::of($units), $currency);
        $parts = $refund->lines->map(static fn (RefundLine $line): array => [
            BigDecimal::of($line->orderLine->tax_rate), $money($line->tax), $money($line->gross),
        ])->values()->all();
        $parts[] = [BigDecimal::of($order->shipping_tax_rate), $money($refund->delivery_tax), $money($refund->delivery_gross)];
        $bought = $order->lines->map(static fn (OrderLine $line): array => [
            BigDecimal::of($line->tax_rate), $money(max(0, $line->paid())),
        ])->values()->all();
        $rates = TaxByRate::of(
            $parts, $money($refund->goodwill - $refund->fee - $refund->deduction - $refund->label),
            [...$bought, [BigDecimal::of($order->shipping_tax_rate), $money($order->shipping_amount)]]
        );

        return array_map(static fn (TaxByRate $rate): array => [
            'rate' => TaxPercent::of((string) $rate->rate), 'net' => $rate->net->units->toInt(), 'tax' => $rate->tax->units->toInt(),
            'gross' => $rate->gross->units->toInt(),
        ], $rates);
    }

    /**
     * @param  array<string, mixed>  $content
     * @return array<string, mixed> with all amounts turned
     */
    public static function takenBack(array $content): array
    {
        $turned = static fn (array $amounts): array => array_map(static fn (mixed $one): mixed => is_int($one) ? -$one : $one, $amounts);
        $lines = array_map(static fn (array $line): array => [...$turned($line), 'quantity' => $line['quantity']], $content['lines']);

        return [
            ...$content, 'lines' => $lines, 'delivery' => $content['delivery'] === null ? null : $turned($content['delivery']),
            ...$turned(array_intersect_key($content, array_flip(['deduction', 'fee', 'label', 'goodwill', 'total']))),
            'rates' => array_map($turned, $content['rates']), 'payments' => [],
        ];
    }
}
