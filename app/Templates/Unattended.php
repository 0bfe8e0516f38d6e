<?php

declare(strict_types=1);

namespace App\Templates;

use App\Answering\AnswerRoute;
use App\Channels\ItemKind;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Customers\Handle;
use App\Orders\Order;
use Cairnfield\Core\Mail\SenderCheck;
use Closure;

/**
 * To whom an answer goes that no person reads before it leaves. What is known of an order, its parcel, its money and its buyer is
 * for the address or account that the order was placed with, where that is who wrote and who is answered: a name and a number in a
 * mail are anybody's. And what somebody typed into a form is not sent on to an address that they typed beside it.
 */
final class Unattended
{
    private ?bool $isBuyer = null;

    /**
     * @param  bool  $isMet  whether a person has written there before: then they are called by the name they give
     * @param  bool  $isTyped  whether it goes to an address that was typed into a form, and no person has written there yet: its owner
     *                         may know nothing of it
     */
    private function __construct(
        private readonly AnswerRoute $route, private readonly ?Message $wrote, private readonly bool $isMet, public readonly bool $isTyped
    ) {}

    /**
     * @param  bool  $isChosen  whether a person has chosen who gets it, if not read it: they are called by the name they give
     */
    public static function by(AnswerRoute $route, Conversation $conversation, bool $isChosen = false): self
    {
        $said = static fn () => Message::query()
            ->whereIn('conversation_id', $conversation->withJoined())
            ->whereNull('partner_thread_id');
        $wrote = $said()->where('direction', Message::IN)->orderByDesc('id')->first();
        $isMet = $isChosen
            || $said()->where('direction', Message::OUT)->where('automatic', false)->whereJsonContains('to', $route->to)->exists();

        return new self($route, $wrote, $isMet, ! $isMet && $wrote?->kind === ItemKind::Form);
    }

    /**
     * @param  Closure(): (Order|null)  $order  the one that placeholders are filled from
     */
    public function maySay(string $name, Conversation $conversation, Closure $order): bool
    {
        return match (strtok($name, '.')) {
            'order', 'parcel', 'refund', 'return', 'exchange' => ($of = $order()) === null || $this->placed($of),
            'customer' => $this->isBuyer($conversation)
                || ($this->isMet && in_array($name, ['customer.name', 'customer.first_name'], true)),
            default => $name !== 'conversation.subject' || ! $this->isTyped,
        };
    }

    public function withholds(string $name, Conversation $conversation): bool
    {
        return ! $this->maySay(
            $name, $conversation, static fn (): ?Order => $conversation->orders()->orderByDesc('placed_at')->first()
        );
    }

    private function placed(Order $order): bool
    {
        if (! $this->answersWhoWrote()) {
            return false;
        }
        $address = mb_strtolower($this->route->to);

        return match (true) {
            $this->route->account->channel->isMail() => mb_strtolower((string) $order->email) === $address,
            $order->marketplace === null || $order->customer_id === null => false,
            default => Handle::query()
                ->where('customer_id', $order->customer_id)
                ->where('kind', $this->route->account->channel->handleKind())
                ->where('value', $address)
                ->exists(),
        };
    }

    /**
     * Whether who is answered has placed an order as themselves.
     */
    private function isBuyer(Conversation $conversation): bool
    {
        return $this->isBuyer ??= $this->answersWhoWrote() && (
            $this->route->account->channel->isMail()
                ? Order::query()
                    ->where('customer_id', $conversation->customer_id)
                    ->where('email', mb_strtolower($this->route->to))
                    ->exists()
                : $this->route->account->channel->isService() && ! $this->route->account->channel->isNetwork()
        );
    }

    private function answersWhoWrote(): bool
    {
        return $this->wrote !== null && $this->wrote->sender_check !== SenderCheck::Failed
            && mb_strtolower($this->wrote->from_address) === mb_strtolower($this->route->to);
    }
}
