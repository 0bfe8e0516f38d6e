<?php

declare(strict_types=1);

namespace App\Exchanges;

use App\Approvals\SpendingLimits;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Exchanges\Happened\ExchangeMoved;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\LockedOrder;
use App\Refunds\PayoutMethod;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\RefundsRefused;
use App\Refunds\RefundState;
use App\Refunds\SendPayouts;
use App\Refunds\Worksheet;
use App\Returns\CustomerReturn;
use App\Returns\ReturnRefused;
use App\Returns\ReturnState;
use App\Returns\SettledAs;
use App\Returns\SettleReturn;
use App\Team\Teammate;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * Has goods sent in place of others: the same again at no charge, or something else that what came back pays for. What that is worth
 * more goes back, what it is worth less is to be paid.
 */
final readonly class SendInstead
{
    public function __construct(private IssueRefund $issue, private SettleReturn $settle, private Journal $journal) {}

    /**
     * @param  array<int, int>  $units  of the order's lines, by their ids
     * @param  string  $onceKey  of the form: sent twice, it is sent once
     *
     * @throws ExchangeRefused
     */
    public function again(
        Order $order, array $units, string $reason, bool $isAddressConfirmed, ?Conversation $conversation, ?CustomerReturn $return,
        Teammate $teammate, string $onceKey
    ): Exchange {
        $isAddressConfirmed || throw ExchangeRefused::addressNotConfirmed();
        trim($reason) === '' && throw ExchangeRefused::noReason();

        return $this->once($order, $conversation, $teammate, $onceKey, function (Order $locked, string $key) use (
            $units, $reason, $conversation, $return, $teammate
        ): Exchange {
            $return?->state !== ReturnState::Inspected
                ?: $this->settle->without($return, SettledAs::Exchange, Actor::teammate($teammate));

            return $this->write($locked, NewGoods::again($locked, $units), $reason, $conversation, $teammate, $key, [
                'return_id' => $return?->id,
            ]);
        });
    }

    /**
     * @param  ChosenRefund  $chosen  what came back, as on any worksheet
     * @param  array<string, int>  $goods  units, by SKU
     * @param  SpendingLimits  $limits  that hold for what the goods are worth that came back
     * @param  int  $shown  what was said to go back, or below zero to be paid, in smallest units
     *
     * @throws ExchangeRefused|RefundsRefused|ReturnRefused
     */
    public function exchange(
        Order $order, ChosenRefund $chosen, array $goods, int $shown, string $reason, bool $isAddressConfirmed,
        ?Conversation $conversation, Teammate $teammate, string $onceKey, SpendingLimits $limits
    ): Exchange {
        $isAddressConfirmed || throw ExchangeRefused::addressNotConfirmed();

        return $this->once($order, $conversation, $teammate, $onceKey, function (Order $locked, string $key) use (
            $chosen, $goods, $shown, $reason, $conversation, $teammate, $limits
        ): Exchange {
            $new = NewGoods::of($locked, $goods);
            $sheet = Worksheet::of($locked, $chosen);
            $sheet->quote === null && throw $sheet->why ?? RefundsRefused::unreadableOrder($locked->number);
            $difference = $sheet->total() - $new->worth;
            $difference === $shown || throw ExchangeRefused::changedMeanwhile($locked->money($shown), $locked->money($difference));
            $kept = min($sheet->total(), $new->worth);
            $refund = $this->issue->issue(
                $locked, $chosen, $sheet->total(), $reason, $conversation, $teammate, "exchange-{$key}", null, $kept, within: $limits
            );

            return $this->write($locked, $new, $reason, $conversation, $teammate, $key, [
                'return_id' => $chosen->return, 'refund_id' => $refund->id, 'worth' => $new->worth, 'kept' => $kept,
                'to_pay' => max(0, -$difference),
            ]);
        });
    }

    /**
     * What is not there is not sent: what was kept for it goes back, to the payments that it came from.
     *
     * @throws ExchangeRefused
     */
    public function giveMoneyBack(Exchange $exchange, Teammate $teammate): void
    {
        DB::transaction(function () use ($exchange, $teammate): void {
            Order::query()->whereKey($exchange->order_id)->lockForUpdate()->value('id');
            $locked = Exchange::query()->lockForUpdate()->with(['order', 'conversation'])->findOrFail($exchange->id);
            $locked->state === ExchangeState::NotThere && $locked->refund_id !== null || throw ExchangeRefused::notNow();
            $locked->forceFill(['state' => ExchangeState::GivenUp])->save();
            $refund = Refund::query()->lockForUpdate()->findOrFail($locked->refund_id);
            $refund->payouts()->where('method', PayoutMethod::Kept)->update([
                'method' => PayoutMethod::Payment, 'state' => PayoutState::Requested, 'next_at' => now(), 'ended_at' => null,
                'attempts' => 0, 'was_kept' => true,
            ]);
            $refund->forceFill(['kept' => 0, 'state' => RefundState::Requested, 'ended_at' => null])->save();
            $locked->conversation === null ?: $this->journal->record($locked->conversation, new ExchangeMoved(
                new Named($locked->id, $locked->what()), new Named($locked->order_id, $locked->order->number), ExchangeState::GivenUp, null
            ), Actor::teammate($teammate));
        });
        SendPayouts::dispatch();
    }

    /**
     * Asks the shop once more for what was not there.
     *
     * @throws ExchangeRefused
     */
    public function tryAgain(Exchange $exchange): void
    {
        $tried = Exchange::query()->whereKey($exchange->id)->where('state', ExchangeState::NotThere)
            ->update(['state' => ExchangeState::Asked, 'asked_at' => now(), 'next_at' => now(), 'attempts' => 0, 'why' => null]);
        $tried === 1 || throw ExchangeRefused::notNow();
        PlaceExchanges::dispatch();
    }

    /**
     * @param  callable(Order, string): Exchange  $write
     */
    private function once(
        Order $order, ?Conversation $conversation, Teammate $teammate, string $onceKey, callable $write
    ): Exchange {
        $key = hash('sha256', "exchange:{$teammate->id}:{$onceKey}");
        try {
            return DB::transaction(static function () use ($order, $conversation, $key, $write): Exchange {
                $locked = LockedOrder::of($order->id, $conversation);

                return Exchange::query()->where('once_key', $key)->first() ?? $write($locked, $key);
            }, LockedOrder::ATTEMPTS);
        } catch (UniqueConstraintViolationException) {
            return Exchange::query()->where('once_key', $key)->firstOrFail();
        }
    }

    /**
     * @param  array<string, mixed>  $more
     */
    private function write(
        Order $order, NewGoods $goods, string $reason, ?Conversation $conversation, Teammate $teammate, string $key, array $more
    ): Exchange {
        $exchange = new Exchange;
        $exchange->forceFill([
            'order_id' => $order->id, 'conversation_id' => $conversation?->id, 'teammate_id' => $teammate->id,
            'state' => ExchangeState::Asked,
            'once_key' => $key, 'reason' => mb_substr(trim($reason), 0, 200), 'currency' => $order->currency, 'goods' => $goods->lines,
            'worth' => 0, 'asked_at' => now(), 'next_at' => now(), ...$more,
        ])->save();
        $conversation === null ?: $this->journal->record($conversation, new ExchangeMoved(
            new Named($exchange->id, $exchange->what()), new Named($order->id, $order->number), ExchangeState::Asked, null
        ), Actor::teammate($teammate), $exchange->reason);
        PlaceExchanges::dispatch()->afterCommit();

        return $exchange;
    }
}
