<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Approvals\SpendingLimits;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Orders\Order;
use App\Refunds\Happened\RefundAsked;
use App\Returns\ReturnRefused;
use App\Returns\SettledAs;
use App\Returns\SettleReturn;
use App\Team\Teammate;
use Cairnfield\Core\Refunds\RefundQuote;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Gives money back as a worksheet says: writes down what goes to each payment, and has it paid out.
 */
final readonly class IssueRefund
{
    public function __construct(private Journal $journal, private SettleReturn $settleReturn, private SettlePayout $settlePayout) {}

    /**
     * One after the other for one order: a second person's reckoning sees what the first has given.
     *
     * @param  int  $shownTotal  what the worksheet said would go back, in smallest units
     * @param  string  $onceKey  of the form it was filled in: sending twice gives back once
     * @param  int  $kept  of it, what pays for goods that are sent in exchange, in smallest units
     * @param  int  $waits  seconds until it leaves, in which it can be taken back
     * @param  SpendingLimits|null  $within  that hold for the person; null where a second one has said yes
     * @param  ToldWith|null  $told  how the customer hears of it; null for not by itself
     *
     * @throws RefundsRefused|ReturnRefused
     */
    public function issue(
        Order $order, ChosenRefund $chosen, int $shownTotal, string $reason, ?Conversation $conversation, Teammate $teammate,
        string $onceKey, ?ToldWith $told = null, int $kept = 0, int $waits = 0,
        ?SpendingLimits $within = null
    ): Refund {
        $reason = mb_substr(trim($reason), 0, 200);
        $key = self::onceKey($teammate, $onceKey);
        if ($reason === '') {
            throw RefundsRefused::noReason();
        }
        try {
            return DB::transaction(function () use ($order, $chosen, $shownTotal, $reason, $conversation, $teammate, $key, $told,
                $kept, $waits, $within): Refund {
                $locked = LockedOrder::of($order->id, $conversation);
                $again = Refund::query()->where('once_key', $key)->first();
                if ($again !== null) {
                    return $again;
                }
                $sheet = Worksheet::of($locked, $chosen);
                if ($sheet->quote === null) {
                    throw $sheet->why ?? RefundsRefused::unreadableOrder($locked->number);
                }
                if ($sheet->total() !== $shownTotal) {
                    throw RefundsRefused::changedMeanwhile($locked->money($shownTotal), $locked->money($sheet->total()));
                }

                $above = $within?->why($teammate, $sheet);
                $above === null || throw RefundsRefused::aboveLimit($above);

                return $this->write($sheet, $sheet->quote, $reason, $conversation, $teammate, $key, $told, $kept, $waits);
            }, LockedOrder::ATTEMPTS);
        } catch (UniqueConstraintViolationException) {
            return Refund::query()->where('once_key', $key)->firstOrFail();
        }
    }

    public static function onceKey(Teammate $teammate, string $onceKey): string
    {
        return hash('sha256', "refund:{$teammate->id}:{$onceKey}");
    }

    private function write(
        Worksheet $sheet, RefundQuote $quote, string $reason, ?Conversation $conversation, Teammate $teammate,
        string $key, ?ToldWith $told, int $kept, int $waits
    ): Refund {
        $refund = new Refund;
        $refund->forceFill([
            'order_id' => $sheet->order->id, 'conversation_id' => $conversation?->id, 'teammate_id' => $teammate->id,
            'state' => RefundState::Requested, 'once_key' => $key, 'reason' => $reason, 'currency' => $sheet->order->currency,
            'chosen' => $sheet->chosen->toArray(), 'explained' => $sheet->explained,
            'delivery_net' => $quote->delivery->net->units->toInt(), 'delivery_tax' => $quote->delivery->tax->units->toInt(),
            'delivery_gross' => $quote->delivery->gross->units->toInt(), 'fee' => $quote->fee->units->toInt() - $sheet->deduction(),
            'kept' => $kept, 'deduction' => $sheet->deduction(), 'return_id' => $sheet->return?->id,
            'label' => $quote->label->units->toInt(), 'goodwill' => $quote->goodwill->units->toInt(), 'total' => $sheet->total(),
            'asked_at' => now(), ...($told === null || $conversation === null ? [] : [
                'tell_template_id' => $told->template, 'tell_when' => $told->whenDone ? TellOfRefunds::WHEN_DONE
                    : TellOfRefunds::WHEN_ASKED,
                'tell_next_at' => $told->whenDone ? null : now(),
            ]),
        ])->save();
        foreach ($quote->lines as $line) {
            (new RefundLine)->forceFill([
                'refund_id' => $refund->id, 'order_line_id' => (int) $line->line, 'quantity' => $line->quantity,
                'net' => $line->amount->net->units->toInt(), 'tax' => $line->amount->tax->units->toInt(),
                'gross' => $line->amount->gross->units->toInt(),
            ])->save();
        }
        // All of a bonus goes with the first part: there is one code for each.
        $bonus = $sheet->bonus();
        $leaves = now()->addSeconds($waits);
        $left = $kept;
        foreach ($quote->payments as $payment) {
            $amount = $payment->amount->units->toInt();
            $stays = min($amount, $left);
            $left -= $stays;
            $stays === 0 ?: $this->keep($refund, (int) $payment->payment, $stays);
            if ($amount === $stays) {
                continue;
            }
            (new Payout)->forceFill([
                'refund_id' => $refund->id, 'order_payment_id' => (int) $payment->payment, 'amount' => $amount - $stays,
                'method' => $sheet->chosen->asCredit ? PayoutMethod::Credit : PayoutMethod::Payment, 'bonus' => $bonus,
                'state' => PayoutState::Requested, 'once' => Str::uuid()->toString(), 'next_at' => $leaves,
                'leaves_at' => $waits > 0 ? $leaves : null,
            ])->save();
            $bonus = 0;
        }
        $conversation === null || $refund->goesBack() === 0 ?: $this->journal->record($conversation, new RefundAsked(
            new Named($sheet->order->id, $sheet->order->number), new Named($refund->id, $reason), $refund->goesBack(),
            $sheet->order->currency
        ), Actor::teammate($teammate), $reason);
        $sheet->return === null ?: $this->settleReturn->byRefund(
            $sheet->return, match (true) {
                $kept > 0 => SettledAs::Exchange,
                $sheet->chosen->asCredit => SettledAs::Credit,
                default => SettledAs::Refund,
            }, $sheet->order->money($refund->total), Actor::teammate($teammate)
        );
        // What only pays for other goods is through at once.
        foreach ($refund->payouts()->where('method', PayoutMethod::Kept)->pluck('id') as $payout) {
            $this->settlePayout->settle((int) $payout, PayoutState::Done, null);
        }
        SendPayouts::dispatch()->afterCommit();

        return $refund;
    }

    private function keep(Refund $refund, int $payment, int $amount): void
    {
        (new Payout)->forceFill([
            'refund_id' => $refund->id, 'order_payment_id' => $payment, 'amount' => $amount, 'method' => PayoutMethod::Kept,
            'state' => PayoutState::Requested, 'once' => Str::uuid()->toString(), 'next_at' => null,
        ])->save();
    }
}
