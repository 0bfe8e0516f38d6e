<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\BlockList;
use App\Channels\ReceivedMessage;
use App\Conversations\Conversation;
use App\Orders\Order;
use Cairnfield\Core\Text\JunkSignals;

/**
 * Whether what begins a conversation is junk, and why. Somebody who has written to us before, and
 * was not junk then, is only ever junk by the block list.
 */
final readonly class JudgeJunk
{
    public function __construct(private BlockList $blockList) {}

    /**
     * @return list<string> the reasons; none where it is not
     */
    public function reasons(Arrival $arrival, ?int $customerId): array
    {
        $received = $arrival->received;
        $blocked = $this->blockList->blocking($received->sender);
        if ($blocked !== null) {
            return ["{$blocked} is on the block list"];
        }
        if ($received->junkReasons !== [] || ! $this->mayBeStrangers($received)) {
            return $received->junkReasons;
        }
        if ($received->replyTokenNumber !== null || $received->references !== []) {
            return [];
        }
        $signals = JunkSignals::of(
            $arrival->subject, $arrival->text, $arrival->senderName, $received->sender->shown, (string) $received->html
        );

        // Looked up last: hardly anything gets as far as this.
        return $signals->areEnough() && ! $this->isKnown($customerId) ? $signals->reasons : [];
    }

    /**
     * Where anybody can write; marketplaces look after their own, and calls are written down by us.
     */
    private function mayBeStrangers(ReceivedMessage $received): bool
    {
        return $received->channel->type()->isOpenToStrangers();
    }

    private function isKnown(?int $customerId): bool
    {
        return $customerId !== null && (
            Conversation::query()->where('customer_id', $customerId)->where('junk', false)->exists()
            || Order::query()->where('customer_id', $customerId)->exists()
        );
    }
}
