<?php

declare(strict_types=1);

namespace App\Returns;

use App\Channels\ItemKind;
use App\Conversations\Conversation;
use App\Orders\FollowsAttached;
use App\Orders\Order;

/**
 * What a customer asks for on a marketplace is a return that waits for its decision, where it is clear what comes back: an order of one
 * thing, for a reason that the store knows. Everything else is the team's to write down.
 */
final readonly class TakeReturnRequest implements FollowsAttached
{
    /** How marketplaces call what the store may call otherwise. */
    private const ALSO = [
        'broken' => 'Faulty', 'defective' => 'Faulty', 'not as described' => 'Wrong item', 'too late' => 'Late',
        'changed my mind' => 'Changed mind',
        'no longer needed' => 'Changed mind', 'damaged' => 'Damaged on the way',
    ];

    public function __construct(private AskReturn $ask) {}

    public function attached(Conversation $conversation, Order $order, string $by): void
    {
        if ($conversation->kind !== ItemKind::ReturnRequest || $by !== 'marketplace') {
            return;
        }
        $order->loadMissing('lines');
        $line = $order->lines->count() === 1 ? $order->lines->first() : null;
        $reason = $this->reason((string) mb_strrchr($conversation->subject, ':'));
        if ($line === null || $line->quantity !== 1 || $reason === null) {
            return;
        }
        try {
            $this->ask->byCustomer($order, [$line->id => 1], $reason, $conversation);
        } catch (ReturnRefused) {
            // It has come back before, or is part of another return: the team answers that.
        }
    }

    private function reason(string $written): ?ReturnReason
    {
        $name = trim($written, ': ');

        return ReturnReason::inUse()->where('name', self::ALSO[mb_strtolower($name)] ?? $name)->first();
    }
}
