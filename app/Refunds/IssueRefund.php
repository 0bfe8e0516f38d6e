<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Orders\Order;
use App\Refunds\Happened\RefundAsked;
use App\Returns\ReturnRefused;
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
    public function __construct(private Journal $journal, private SettleReturn $settleReturn) {}

    /**
     * One after the other for one order: a second person's reckoning sees what the first has given.
     *
     * @param  int  $shownTotal  what the worksheet said would go back, in smallest units
     * @param  string  $onceKey  of the form it was filled in: sending twice gives back once
     * @param  ToldWith|null  $told  how the customer hears of it; null for not by itself
     *
     * @throws RefundsRefused|ReturnRefused
     */
    public function issue(
        Order $order, ChosenRefund $chosen, int $shownTotal, string $reason, ?Conversation $conversation, Teammate $teammate,
        string $onceKey, ?ToldWith $told = null
    ): Refund {
        $reason = mb_substr(trim($reason), 0, 200);
        $key = hash('sha256', "refund:{$teammate->id}:{$onceKey}");
        if ($reason === '') {
            throw RefundsRefused::noReason();
        }
        try {
            return DB::transaction(function () use ($order, $chosen, $shownTotal, $reason, $conversation, $teammate, $key, $told): Refund {
                $locked = Order::query()->lockForUpdate()->with(['lines', 'payments'])->findOrFail($order->id);
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

                return $this->write($sheet, $sheet->quote, $reason, $conversation, $teammate, $key, $told);
            });
        } catch (UniqueConstraintViolationException) {
            return Refund::query()->where('once_key', $key)->firstOrFail();
        }
    }

    private function write(
        Worksheet $sheet, RefundQuote $quote, string $reason, ?Conversation $conversation, Teammate $teammate,
        string $key, ?ToldWith $told
    ): Refund {
        $refund = new Refund;
        $refund->forceFill([
            'order_id' => $sheet->order->id, 'conversation_id' => $conversation?->id, 'teammate_id' => $teammate->id,
            'state' => RefundState::Requested, 'once_key' => $key, 'reason' => $reason, 'currency' => $sheet->order->currency,
            'chosen' => $sheet->chosen->toArray(), 'explained' => $sheet->explained,
            'delivery_net' => $quote->delivery->net->units->toInt(), 'delivery_tax' => $quote->delivery->tax->units->toInt(),
            'delivery_gross' => $quote->delivery->gross->units->toInt(), 'fee' => $quote->fee->units->toInt() - $sheet->deduction(),
            'deduction' => $sheet->deduction(), 'return_id' => $sheet->return?->id,
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
        foreach ($quote->payments as $payment) {
            (new Payout)->forceFill([
                'refund_id' => $refund->id, 'order_payment_id' => (int) $payment->payment, 'amount' => $payment->amount->units->toInt(),
                'method' => $sheet->chosen->asCredit ? PayoutMethod::Credit : PayoutMethod::Payment, 'bonus' => $bonus,
                'state' => PayoutState::Requested, 'once' => Str::uuid()->toString(), 'next_at' => now(),
            ])->save();
            $bonus = 0;
        }
        $conversation === null ?: $this->journal->record($conversation, new RefundAsked(
            new Named($sheet->order->id, $sheet->order->number), new Named($refund->id, $reason), $sheet->total(), $sheet->order->currency
        ), Actor::teammate($teammate), $reason);
        $sheet->return === null ?: $this->settleReturn->byRefund(
            $sheet->return, $sheet->chosen->asCredit, $sheet->order->money($refund->total), Actor::teammate($teammate)
        );
        SendPayouts::dispatch()->afterCommit();

        return $refund;
    }
}
