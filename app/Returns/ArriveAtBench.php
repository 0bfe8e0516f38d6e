<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Orders\Order;
use App\Orders\OrderNumbers;

/**
 * A parcel is here. Scanned twice, or told by the carrier as well, it has arrived once.
 */
final readonly class ArriveAtBench
{
    public function __construct(private MoveReturn $move) {}

    /**
     * @throws ReturnRefused
     */
    public function arrive(CustomerReturn $return, Actor $actor): CustomerReturn
    {
        if (in_array($return->state, [ReturnState::Arrived, ReturnState::Inspected, ReturnState::Settled], true)) {
            return $return;
        }
        $arrived = $this->move->to($return, ReturnState::Arrived, $actor, ['arrived_at' => now(), 'label_next_at' => null]);

        return $arrived->agreedTerms()->needsInspection ? $arrived : $this->passUnseen($arrived, $actor);
    }

    /**
     * What a code stands for: the label of a return, its number, or the order of which just one is expected.
     *
     * @throws ReturnRefused where it stands for none
     */
    public function find(string $code): CustomerReturn
    {
        $code = trim($code);
        $byNumber = CustomerReturn::idOf($code);
        $return = CustomerReturn::query()->where('label_number', $code)->first()
            ?? ($byNumber === null ? null : CustomerReturn::query()->find($byNumber));
        if ($return === null) {
            $key = OrderNumbers::key($code);
            $orders = Order::query()->where(static fn ($any) => $any->where('number_key', $key)->orWhere('marketplace_key', $key))->limit(2)
                ->pluck('id');
            $open = CustomerReturn::query()->whereIn('order_id', $orders)->whereIn('state', ReturnState::open())->limit(2)->get();
            $return = $open->count() === 1 ? $open->first() : null;
        }

        return $return ?? throw ReturnRefused::unknownCode(mb_substr($code, 0, 60));
    }

    /**
     * Where nobody need look at it, all that was agreed counts as it was bought.
     */
    private function passUnseen(CustomerReturn $return, Actor $actor): CustomerReturn
    {
        return $this->move->to($return, ReturnState::Inspected, $actor, ['inspected_at' => now()], 'no look at it is needed');
    }
}
