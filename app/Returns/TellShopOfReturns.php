<?php

declare(strict_types=1);

namespace App\Returns;

use App\Channels\AccountState;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use App\Orders\TakeOrder;
use App\Refunds\DueRow;
use App\Support\RegularJob;

/**
 * Tells the shop what came back, and what of it can be sold again. Under one key, however often.
 */
final class TellShopOfReturns extends RegularJob
{
    private const AT_ONCE = 50;

    public function __construct()
    {
        $this->onQueue('settling');
    }

    public function handle(ServiceClient $client, TakeOrder $takeOrder): void
    {
        $due = CustomerReturn::query()->whereNotNull('stock_next_at')->where('stock_next_at', '<=', now())
            ->with(['order.account', 'lines.orderLine', 'units'])->orderBy('stock_next_at')->limit(self::AT_ONCE)->get();
        foreach ($due as $return) {
            DueRow::claim($return, 'stock_next_at') && $this->tell($return, $client, $takeOrder);
        }
    }

    private function tell(CustomerReturn $return, ServiceClient $client, TakeOrder $takeOrder): void
    {
        $lines = self::lines($return);
        if ($lines === []) {
            CustomerReturn::query()->whereKey($return->id)->update(['stock_next_at' => null]);

            return;
        }
        if ($return->order->account->state !== AccountState::Active) {
            return;
        }
        try {
            $answer = $client->send($return->order->account, 'POST', "/v1/orders/{$return->order->number}/returns", [
                'reference' => $return->number(), 'lines' => $lines,
            ], "return-{$return->label_key}");
            CustomerReturn::query()->whereKey($return->id)->update(['stock_next_at' => null]);
            $takeOrder->take($return->order->account, EventFields::of($answer)->object('order'));
        } catch (ServiceFault $fault) {
            CustomerReturn::query()->whereKey($return->id)->whereNotNull('stock_next_at')->update([
                'stock_attempts' => $return->stock_attempts + 1,
                'stock_next_at' => DueRow::next($return->stock_attempts, $fault->retryAfter),
            ]);
            report($fault);
        } catch (UnreadableEvent $why) {
            // It has it; what it made of the order comes by its own notice.
            report($why);
        }
    }

    /**
     * @return list<array{id: string, quantity: int, stock: int}> what is there again
     */
    private static function lines(CustomerReturn $return): array
    {
        $lines = [];
        foreach ($return->lines as $line) {
            $units = $return->units->where('order_line_id', $line->order_line_id);
            $there = $return->units->isEmpty()
                ? ($return->stays ? 0 : $line->quantity)
                : $units->filter(static fn (ReturnUnit $unit): bool => $unit->grade->isThere())->count();
            $there === 0 ?: $lines[] = [
                'id' => $line->orderLine->outside_id, 'quantity' => $there, 'stock' => $units->where('to_stock', true)->count(),
            ];
        }

        return $lines;
    }
}
