<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\Account;
use App\Channels\OutsideItem;
use App\Channels\ReceiptOutcome;
use App\Channels\ReceivedMessage;
use App\Channels\Services\TakesItems;
use App\Conversations\ChannelItem;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * Takes one item of a network or marketplace in: lists it, makes a message of it where it is to be
 * one, and marks what was changed or removed at its source. Each item is there once, whatever is
 * repeated, late or out of order: its revision tells what is newer.
 */
final readonly class TakeItem implements TakesItems
{
    public function __construct(
        private PrepareArrival $prepare,
        private ReceiveMessage $receive,
        private MarkChangedAtSource $markChanged,
    ) {}

    public function takeItem(Account $account, ReceivedMessage $received): string
    {
        $arrival = $this->prepare->of($received);
        try {
            return DB::transaction(fn (): string => $this->store($account, $arrival), 5);
        } catch (UniqueConstraintViolationException) {
            // Another worker listed the same item at the same moment; now it is there to be compared with.
            return DB::transaction(fn (): string => $this->store($account, $arrival), 5);
        }
    }

    /**
     * Makes a conversation by hand of an item that was only listed.
     */
    public function makeConversation(ChannelItem $item): ReceiptOutcome
    {
        return DB::transaction(function () use ($item): ReceiptOutcome {
            $locked = ChannelItem::query()->lockForUpdate()->with('account')->findOrFail($item->id);
            $outcome = $this->receive->receivePrepared($locked->account, $this->prepare->of($locked->toReceived()));
            $this->connect($locked, $outcome);

            return $outcome;
        });
    }

    private function store(Account $account, Arrival $arrival): string
    {
        $received = $arrival->received;
        $outside = $received->item ?? throw new LogicException('An item of a service says where it stands.');
        $item = ChannelItem::query()
            ->where('channel', $received->channel)
            ->where('outside_id', $outside->outsideId)
            ->lockForUpdate()
            ->first();
        if ($item !== null) {
            return $this->compare($item, $arrival);
        }
        $item = $this->listed($account, $arrival, $outside);
        if (
            $outside->public && ! $account->arrivals()->makeConversationOf(
                $arrival->text, $outside->answersOurs || $outside->kind->isAlwaysAnswered()
            )
        ) {
            return 'listed';
        }
        $this->connect($item, $this->receive->receivePrepared($account, $arrival));
        $this->markChanged->removed($item);

        return 'new';
    }

    private function listed(Account $account, Arrival $arrival, OutsideItem $outside): ChannelItem
    {
        $received = $arrival->received;
        $item = new ChannelItem;
        $item->forceFill([
            'account_id' => $account->id,
            'channel' => $received->channel,
            'outside_id' => $outside->outsideId,
            'kind' => $outside->kind,
            'public' => $outside->public,
            'thread' => $outside->thread,
            'author_kind' => $received->sender->kind,
            'author' => $received->sender->value,
            'author_shown' => $received->sender->shown,
            'author_name' => mb_substr($arrival->senderName, 0, 200),
            'text' => $arrival->text,
            'earlier_texts' => [],
            'revision' => $outside->revision,
            'posted_at' => $received->sentAt ?? now(),
            'removed_at' => $outside->removed ? now() : null,
        ])->save();

        return $item;
    }

    /**
     * An item that is known: nothing, or a change at its source.
     */
    private function compare(ChannelItem $item, Arrival $arrival): string
    {
        $outside = $arrival->received->item;
        if ($outside === null || ($outside->revision <= $item->revision && ! ($outside->removed && $item->removed_at === null))) {
            return 'again';
        }
        $isNewer = $outside->revision > $item->revision;
        $earlier = $item->text;
        $item->forceFill([
            'revision' => max($outside->revision, $item->revision),
            'removed_at' => $outside->removed ? ($item->removed_at ?? now()) : $item->removed_at,
        ]);
        if ($isNewer && $arrival->text !== $earlier && ! ($outside->removed && trim($arrival->text) === '')) {
            $item->forceFill(['text' => $arrival->text, 'earlier_texts' => [...$item->earlier_texts, $earlier]]);
        }
        $item->save();
        $this->markChanged->edited($item);
        $this->markChanged->removed($item);

        return 'changed';
    }

    private function connect(ChannelItem $item, ReceiptOutcome $outcome): void
    {
        $item->forceFill(['message_id' => $outcome->message, 'conversation_id' => $outcome->conversation])->save();
    }
}
