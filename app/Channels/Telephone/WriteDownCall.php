<?php

declare(strict_types=1);

namespace App\Channels\Telephone;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\ChannelItem;
use App\Channels\ItemKind;
use App\Channels\OutsideItem;
use App\Channels\ReceivedMessage;
use App\Channels\SenderHandle;
use App\Customers\Customer;
use App\Customers\Handle;
use App\Customers\TelephoneNumber;
use App\Inbox\Actor;
use App\Inbox\AssignConversation;
use App\Inbox\Conversation;
use App\Inbox\ReceiveMessage;
use App\Orders\FindOrders;
use App\Team\Teammate;

/**
 * Makes a conversation of a call or a visit while the customer is still talking: of a name, a
 * telephone number or an order number, and notes. Who wrote it down is its owner.
 */
final readonly class WriteDownCall
{
    public function __construct(
        private ReceiveMessage $receive,
        private FindOrders $findOrders,
        private AssignConversation $assign,
    ) {}

    /**
     * @param  string  $who  a name, a telephone number, an address or an order number
     * @param  string  $onceKey  of the form it was written in: sending twice does it once
     */
    public function write(Teammate $teammate, string $who, string $notes, string $onceKey): Conversation
    {
        $account = $this->account();
        $who = trim($who);
        $notes = trim(str_replace(["\r\n", "\r"], "\n", $notes));
        $outcome = $this->receive->receive($account, ReceivedMessage::item(
            Channel::Telephone,
            $this->sender($who, $notes),
            new OutsideItem(hash('sha256', "call:{$teammate->id}:{$onceKey}"), ItemKind::Call, false, null),
            $notes === '' ? "Call: {$who}" : ChannelItem::subject($notes),
            trim("{$who}\n\n{$notes}"),
            now()->toDateTimeImmutable(),
        ));
        $conversation = $outcome->message->conversation()->firstOrFail();
        if ($outcome->isNew && $conversation->owner_id === null) {
            $this->assign->assign($conversation, $teammate, Actor::teammate($teammate), 'wrote the call down');
        }

        return $conversation;
    }

    /**
     * Who it is: by what was said, as far as that names somebody who is known.
     */
    private function sender(string $who, string $notes): SenderHandle
    {
        $number = preg_match('/^[+\d][\d\s()\/.-]{5,}$/', $who) === 1 ? TelephoneNumber::read($who) : null;
        if ($number !== null) {
            return SenderHandle::telephone($number->e164, $number->shown);
        }
        if (filter_var($who, FILTER_VALIDATE_EMAIL) !== false) {
            return SenderHandle::email($who);
        }
        $customer = $this->customerByOrder("{$who}\n{$notes}") ?? $this->onlyOneOfThatName($who);
        $handle = $customer?->handles()->orderBy('id')->first();

        return $handle instanceof Handle ? SenderHandle::of($handle->kind, $handle->value, $handle->shown, $customer->name) : SenderHandle::telephone('', '', $who);
    }

    /**
     * At the counter and on the telephone the caller is spoken with: the number is enough.
     */
    private function customerByOrder(string $text): ?Customer
    {
        return $this->findOrders->for($text, null)->orders->first(static fn ($order): bool => $order->customer_id !== null)?->customer;
    }

    /**
     * A full name that one customer alone has.
     */
    private function onlyOneOfThatName(string $name): ?Customer
    {
        $found = ! str_contains($name, ' ') ? collect() : Customer::query()->where('name', $name)->whereNull('merged_into_id')->limit(2)->get();

        return $found->count() === 1 ? $found->first() : null;
    }

    /**
     * The account of the telephone; made when the first call is written down.
     */
    private function account(): Account
    {
        return Account::query()->firstOrCreate(
            ['channel' => Channel::Telephone, 'address' => 'telephone'],
            ['sender_name' => (string) config('cairnfield.store.name'), 'state' => AccountState::Active, 'settings' => [], 'secrets' => [], 'arrivals' => ['join_hours' => 0]],
        );
    }
}
