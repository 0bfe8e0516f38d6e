<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Refunds\Refund;
use App\Refunds\RefundState;

/**
 * Ends a return: by the money that goes back for it, or by what does not. Where that money is withdrawn, it is to be settled anew.
 */
final readonly class SettleReturn
{
    public function __construct(private MoveReturn $move) {}

    /**
     * In the transaction in which the refund is written.
     *
     * @throws ReturnRefused
     */
    public function byRefund(CustomerReturn $return, SettledAs $as, string $amount, Actor $actor): void
    {
        $how = match ($as) {
            SettledAs::Credit => "{$amount} as store credit",
            SettledAs::Exchange => 'exchanged',
            default => "{$amount} go back",
        };
        $this->move->to($return, ReturnState::Settled, $actor, self::as($as), $how);
    }

    /**
     * Nothing goes back: it is sent to the customer again, or was worth nothing.
     *
     * @throws ReturnRefused
     */
    public function without(CustomerReturn $return, SettledAs $as, Actor $actor): CustomerReturn
    {
        return $this->move->to($return, ReturnState::Settled, $actor, self::as($as), $as->label());
    }

    /**
     * In the transaction in which its refund is withdrawn.
     */
    public function reopen(Refund $refund, Actor $actor): void
    {
        $return = $refund->return_id === null ? null : CustomerReturn::query()->find($refund->return_id);
        if ($return === null || $return->state !== ReturnState::Settled
            || ! in_array($return->settled_as, [SettledAs::Refund, SettledAs::Credit], true)) {
            return;
        }
        $stands = $return->refunds()->whereKeyNot($refund->id)->where('state', '!=', RefundState::Withdrawn)->exists();
        $stands ?: $this->move->to($return, ReturnState::Inspected, $actor,
            ['settled_as' => null, 'settled_at' => null, 'stock_next_at' => null]);
    }

    /**
     * @return array<string, mixed>
     */
    private static function as(SettledAs $as): array
    {
        return ['settled_as' => $as, 'settled_at' => now(), 'stock_next_at' => $as === SettledAs::SentBack ? null : now()];
    }
}
