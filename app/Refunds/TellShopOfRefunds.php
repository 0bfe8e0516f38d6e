<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Channels\AccountState;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use App\Orders\TakeOrder;
use App\Support\RegularJob;

/**
 * Tells the shop what was given back, so that both books agree; what was paid by gift card the shop puts back on it then. Under one
 * key, however often.
 */
final class TellShopOfRefunds extends RegularJob
{
    private const AT_ONCE = 50;

    public function __construct()
    {
        $this->onQueue('settling');
    }

    public function handle(ServiceClient $client, TakeOrder $takeOrder): void
    {
        $due = Refund::query()->whereNotNull('book_next_at')->where('book_next_at', '<=', now())
            ->with(['order.account', 'lines.orderLine', 'payouts.payment'])->orderBy('book_next_at')->limit(self::AT_ONCE)->get();
        foreach ($due as $refund) {
            DueRow::claim($refund, 'book_next_at') && $this->tell($refund, $client, $takeOrder);
        }
    }

    private function tell(Refund $refund, ServiceClient $client, TakeOrder $takeOrder): void
    {
        if ($refund->order->account->state !== AccountState::Active) {
            return;
        }
        try {
            $answer = [];
            foreach (self::told($refund) as $key => $told) {
                $answer = $client->send(
                    $refund->order->account, 'POST', "/v1/orders/{$refund->order->number}/refunds", $told, $key
                );
            }
            Refund::query()->whereKey($refund->id)->update(['book_next_at' => null]);
            $takeOrder->take($refund->order->account, EventFields::of($answer)->object('order'));
        } catch (ServiceFault $fault) {
            Refund::query()->whereKey($refund->id)->update([
                'book_attempts' => $refund->book_attempts + 1, 'book_next_at' => DueRow::next($refund->book_attempts, $fault->retryAfter),
            ]);
            report($fault);
        } catch (UnreadableEvent $why) {
            // It has it; what it made of the order comes by its own notice.
            report($why);
        }
    }

    /**
     * What was told once stays so under its key. What had been kept for an exchange that was given up is told by itself.
     *
     * @return array<string, array<string, mixed>> by the key that makes it count once
     */
    private static function told(Refund $refund): array
    {
        $told = ["refund-{$refund->once_key}" => [
            'reference' => "refund-{$refund->id}",
            'lines' => $refund->lines->map(static fn (RefundLine $line): array => [
                'id' => $line->orderLine->outside_id, 'quantity' => $line->quantity, 'amount' => $line->gross,
            ])->values()->all(),
            'shipping' => $refund->delivery_gross, 'payments' => self::payments($refund, false),
        ]];
        $afterAll = self::payments($refund, true);

        return $afterAll === [] ? $told : [...$told, "refund-{$refund->once_key}-kept" => [
            'reference' => "refund-{$refund->id}-kept", 'lines' => [], 'shipping' => 0, 'payments' => $afterAll,
        ]];
    }

    /**
     * @return list<array{id: string, amount: int}>
     */
    private static function payments(Refund $refund, bool $wasKept): array
    {
        return $refund->payouts->where('state', PayoutState::Done)->where('method', PayoutMethod::Payment)->where('was_kept', $wasKept)
            ->map(static fn (Payout $payout): array => ['id' => $payout->payment->outside_id, 'amount' => $payout->amount])
            ->values()->all();
    }
}
