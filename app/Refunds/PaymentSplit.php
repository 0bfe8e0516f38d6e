<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\OrderPayment;
use Cairnfield\Core\Refunds\Payment;
use Illuminate\Support\HtmlString;

/**
 * One bar of all that was paid: what went back before, what goes to each payment now, and what is left.
 */
final class PaymentSplit
{
    private const WIDTH = 680;

    private const HEIGHT = 20;

    /**
     * @return array{HtmlString, list<array{string, string, string}>} the bar, and class, name and amount of each of its parts
     */
    public static function of(Worksheet $sheet): array
    {
        $captured = max(1, array_sum(array_map(
            static fn (Payment $payment): int => $payment->captured->units->toInt(), $sheet->money->paid->payments
        )));
        $left = $sheet->money->left();
        $parts = [['before', 'back before', $captured - $left]];
        foreach ($sheet->quote->payments ?? [] as $index => $payment) {
            $label = $sheet->order->payments->first(static fn (OrderPayment $one): bool => $one->id === (int) $payment->payment)?->label;
            $label = $sheet->chosen->asCredit ? "Store credit, in place of {$label}" : (string) $label;
            $parts[] = ['now-'.min(2, $index), $label, $payment->amount->units->toInt()];
        }
        $parts[] = ['left', 'left afterwards', $left - $sheet->total()];
        $parts = array_values(array_filter($parts, static fn (array $part): bool => $part[2] > 0));

        return [self::bar($parts, $captured, $sheet), array_map(
            static fn (array $part): array => [$part[0], $part[1], $sheet->order->money($part[2])], $parts
        )];
    }

    /**
     * @param  list<array{string, string, int}>  $parts
     */
    private static function bar(array $parts, int $captured, Worksheet $sheet): HtmlString
    {
        $drawn = '';
        $x = 0;
        $said = [];
        foreach ($parts as [$class, $name, $amount]) {
            $width = max(2, (int) round($amount / $captured * self::WIDTH));
            $drawn .= "<rect class=\"split-{$class}\" x=\"{$x}\" y=\"1\" width=\"{$width}\" height=\"".self::HEIGHT.'"/>';
            $x += $width;
            $said[] = "{$name}: {$sheet->order->money($amount)}";
        }
        $size = 'viewBox="0 0 '.($x + 2).' '.(self::HEIGHT + 2).'"';

        return new HtmlString(
            "<svg class=\"payment-split\" {$size} preserveAspectRatio=\"none\" role=\"img\" aria-label=\"".e(implode('; ', $said))
            ."\" focusable=\"false\">{$drawn}</svg>"
        );
    }
}
