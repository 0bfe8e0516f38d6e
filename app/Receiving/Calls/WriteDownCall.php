<?php

declare(strict_types=1);

namespace App\Receiving\Calls;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\ItemKind;
use App\Channels\ItemSubject;
use App\Channels\OutsideItem;
use App\Channels\ReceivedMessage;
use App\Channels\SenderHandle;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Customers\Handle;
use App\Customers\TelephoneNumber;
use App\Orders\FindOrders;
use App\Receiving\ReceiveMessage;
use App\Store\Store;
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
     * @param  Customer|null  $chosen  whom the teammate has recognised
     */
    public function write(Teammate $teammate, string $who, string $notes, string $onceKey, ?Customer $chosen = null): Conversation
    {
        $account = $this->account();
        $who = trim($who);
        $notes = trim(str_replace(["\r\n", "\r"], "\n", $notes));
        $outcome = $this->receive->receive($account, ReceivedMessage::item(
            Channel::Telephone,
            $this->sender($who, $notes, $chosen),
            new OutsideItem(hash('sha256', "call:{$teammate->id}:{$onceKey}"), ItemKind::Call, false, null),
            $notes === '' ? "Call: {$who}" : ItemSubject::of($notes),
            trim("{$who}\n\n{$notes}"),
            now()->toDateTimeImmutable(),
        ));
        $account->heard();
        $conversation = Conversation::query()->findOrFail($outcome->conversation);
        if ($outcome->isNew && $conversation->owner_id === null) {
            $this->assign->assign($conversation, $teammate, Actor::teammate($teammate), 'wrote the call down');
        }

        return $conversation;
    }

    /**
     * Who it is: whom the teammate has chosen, else by number, address or order. Never by name alone:
     * two people may have one.
     */
    private function sender(string $who, string $notes, ?Customer $chosen): SenderHandle
    {
        if ($chosen !== null) {
            return $this->handleOf($chosen) ?? SenderHandle::telephone('', '', $chosen->name);
        }
        $number = preg_match('/^[+\d][\d\s()\/.-]{5,}$/', $who) === 1 ? TelephoneNumber::read($who) : null;
        if ($number !== null) {
            return SenderHandle::telephone($number->e164, $number->shown);
        }
        if (filter_var($who, FILTER_VALIDATE_EMAIL) !== false) {
            return SenderHandle::email($who);
        }
        $customer = $this->customerByOrder("{$who}\n{$notes}");

        return ($customer === null ? null : $this->handleOf($customer)) ?? SenderHandle::telephone('', '', $who);
    }

    private function handleOf(Customer $customer): ?SenderHandle
    {
        $handle = $customer->handles()->orderBy('id')->first();

        return $handle instanceof Handle ? SenderHandle::of($handle->kind, $handle->value, $handle->shown, $customer->name) : null;
    }

    /**
     * At the counter and on the telephone the caller is spoken with: the number is enough.
     */
    private function customerByOrder(string $text): ?Customer
    {
        return $this->findOrders->for($text, null)->orders->first(static fn ($order): bool => $order->customer_id !== null)?->customer;
    }

    /**
     * The account of the telephone; made when the first call is written down.
     */
    private function account(): Account
    {
        return Account::query()->firstOrCreate(
            ['channel' => Channel::Telephone, 'address' => 'telephone'],
            [
                'sender_name' => Store::current()->name, 'state' => AccountState::Active, 'settings' => [],
                'secrets' => [], 'arrivals' => ['join_hours' => 0],
            ],
        );
    }
}
