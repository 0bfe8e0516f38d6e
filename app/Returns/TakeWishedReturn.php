<?php

declare(strict_types=1);

namespace App\Returns;

use App\Channels\WishedReturn;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Orders\FindOrders;
use App\Orders\Order;
use App\Orders\OrderLine;
use App\Orders\WhoseOrder;
use App\Receiving\TakesWishedReturns;
use Cairnfield\Core\Returns\WishedGoods;

/**
 * What is wished in a form becomes a return that waits for its decision, where the order is known to be theirs and it is clear what comes
 * back. Otherwise the message says to the team why it did not: the customer is told nothing of what there is under that number.
 */
final readonly class TakeWishedReturn implements TakesWishedReturns
{
    private const NAMED = 3;

    public function __construct(private FindOrders $findOrders, private AskReturn $ask) {}

    public function take(WishedReturn $wish, Conversation $conversation, Message $message): void
    {
        $why = $this->whyNot($wish, $conversation, $message);
        $why === null ?: $message->forceFill(['marks' => [
            ...$message->marks, "They ask to send something back. It is not written down as a return: {$why}",
        ]])->save();
    }

    /**
     * Takes it; or says why it cannot be taken.
     */
    private function whyNot(WishedReturn $wish, Conversation $conversation, Message $message): ?string
    {
        $order = $this->order($wish, $conversation);
        $reason = ReturnReason::inUse()->find($wish->reasonId);
        if ($order === null || $reason === null) {
            return $order === null ? 'that order is not known to be theirs.' : 'the reason that they chose is not used any more.';
        }
        $goods = WishedGoods::read($wish->goods, $order->lines->mapWithKeys(static fn (OrderLine $line): array => [
            $line->id => ['sku' => $line->sku, 'title' => $line->title, 'quantity' => $line->quantity],
        ])->all());
        if ($goods->unclear !== []) {
            return 'it is not clear what of the order is meant by “'.implode('”, “', array_slice($goods->unclear, 0, self::NAMED)).'”.';
        }
        try {
            $this->ask->byCustomer($order, $goods->units, $reason, $conversation, $message);
        } catch (ReturnRefused $refused) {
            return $refused->getMessage();
        }

        return null;
    }

    private function order(WishedReturn $wish, Conversation $conversation): ?Order
    {
        $typed = $this->findOrders->for('', null, $wish->orderNumber)->orders->first();
        $beside = $typed === null ? null : $conversation->orders()->with('lines')->find($typed->id);

        return $beside !== null && WhoseOrder::isTheirs($beside, $conversation) ? $beside : null;
    }
}
