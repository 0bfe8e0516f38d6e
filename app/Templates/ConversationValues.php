<?php

declare(strict_types=1);

namespace App\Templates;

use App\Channels\WebForm\Form;
use App\Conversations\Conversation;
use App\CreditNotes\CreditNote;
use App\Customers\Handle;
use App\Exchanges\Exchange;
use App\Fields\About;
use App\Fields\OwnFields;
use App\Hours\StoreHours;
use App\Orders\Order;
use App\Orders\OrderLine;
use App\Orders\Parcel;
use App\Orders\ParcelLine;
use App\Ratings\RatingLink;
use App\Refunds\Refund;
use App\Returns\CustomerReturn;
use App\Returns\ReturnLine;
use App\Store\Store;
use App\Team\Teammate;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Parcels\ParcelProgress;
use Cairnfield\Core\Parcels\ParcelStage;
use Cairnfield\Core\Templates\Day;
use Cairnfield\Core\Templates\Values;
use Cairnfield\Core\Templates\Withheld;
use DateTimeImmutable;
use DateTimeInterface;
use Locale;

/**
 * What placeholders are filled with in one conversation, looked up when it is asked for. The order is the one
 * beside it that was placed last; the parcel its last one.
 */
final class ConversationValues implements Values
{
    private Order|false|null $order = false;

    private CustomerReturn|false|null $return = false;

    private ?ParcelProgress $progress = null;

    /** @var array<string, string>|null own fields by placeholder */
    private ?array $own = null;

    public function __construct(
        private readonly Conversation $conversation,
        private readonly ?Teammate $agent,
        private readonly string $language,
        private readonly StoreHours $hours,
        private readonly OwnFields $fields,
        private readonly ?Unattended $unattended = null,
    ) {}

    public function value(string $name): string|int|bool|Money|Day|DateTimeImmutable|Withheld|null
    {
        $value = $this->known($name);

        return $value === null || $this->unattended === null || $this->unattended->maySay($name, $this->conversation, $this->order(...))
            ? $value
            : (is_bool($value) || is_int($value) ? Withheld::Fact : Withheld::Text);
    }

    private function known(string $name): string|int|bool|Money|Day|DateTimeImmutable|null
    {
        $conversation = $this->conversation;

        return match ($name) {
            'customer.first_name' => self::first($this->customerName()),
            'company.name' => $this->conversation->customer->company?->name,
            'customer.name' => $this->customerName(),
            'customer.email' => $conversation->customer
                ->handles
                ->first(static fn (Handle $handle): bool => str_contains($handle->shown, '@') && ! str_starts_with($handle->shown, '@'))
                ?->shown,
            'customer.orders' => $conversation->customer->orders()->count(),
            'agent.name' => $this->agent?->name,
            'agent.first_name' => $this->agent?->firstName(),
            'store.name' => Store::current()->name,
            'store.address' => $conversation->account->address,
            'store.today' => $this->day(now()),
            'store.open' => $this->hours->isOpen(now()),
            'store.opens_at' => $this->hours->opensAt(now())?->toDateTimeImmutable(),
            'store.form_link' => Form::link(),
            'rating.link' => RatingLink::of($conversation),
            'conversation.number' => $conversation->number(),
            'conversation.subject' => $conversation->subject,
            'conversation.category' => $conversation->category === null
                ? null
                : ($conversation->category->customer_name ?: $conversation->category->name),
            default => match (strtok($name, '.')) {
                'order', 'refund' => str_contains($name, '.field.') ? $this->own($name) : $this->ofOrder($name),
                'parcel' => $this->ofParcel($name),
                'return' => $this->ofReturn($name),
                'exchange' => $this->ofExchange($name),
                default => str_contains($name, '.field.') ? $this->own($name) : null,
            },
        };
    }

    private function ofOrder(string $name): string|bool|Money|Day|null
    {
        $order = $this->order();
        if ($order === null) {
            return null;
        }

        return match ($name) {
            'order.number' => $order->marketplace_number ?? $order->number,
            'order.state' => $order->standing(),
            'order.sent' => $order->parcels->isNotEmpty() || $order->status === 'sent',
            'order.delivered' => $this->progress()?->last?->stage === ParcelStage::Delivered,
            'order.cancelled' => $order->status === 'cancelled',
            'order.placed_on' => $this->day($order->placed_at),
            'order.items' => $order->lines->map(static fn (OrderLine $line): string => "{$line->quantity} × {$line->title}")->implode("\n"),
            'order.total' => $this->money($order, $order->total),
            'order.country' => Locale::getDisplayRegion("und-{$order->country}", $this->language),
            'refund.amount' => $order->refunded() === 0 ? null : $this->money($order, $order->refunded()),
            'refund.credit_note_link' => $this->creditNoteLink($order),
            default => null,
        };
    }

    private function ofParcel(string $name): string|int|Day|null
    {
        $progress = $this->progress();
        $parcel = $this->parcel();
        if ($parcel === null || $progress === null) {
            return null;
        }
        $reached = static fn (ParcelStage $stage): ?DateTimeImmutable => ($progress->reached[$stage->value] ?? null)?->at;

        return match ($name) {
            'parcel.number' => $parcel->number,
            'parcel.carrier' => $parcel->carrier,
            'parcel.state' => $progress->last === null ? null : mb_strtolower(ParcelLine::label($progress->last->stage)),
            'parcel.place' => $progress->last?->place,
            'parcel.seen_on' => $this->day($progress->last?->at),
            'parcel.sent_on' => $this->day($reached(ParcelStage::Collected)),
            'parcel.delivered_on' => $this->day($reached(ParcelStage::Delivered)),
            'parcel.days_unseen' => $progress->daysWithoutScan,
            default => null,
        };
    }

    /**
     * Of the last that was issued for the order.
     */
    private function creditNoteLink(Order $order): ?string
    {
        return CreditNote::query()->where('takes_back', false)->whereNotNull('file')
            ->whereIn('refund_id', Refund::query()->where('order_id', $order->id)->select('id'))->orderByDesc('number')->first()?->link();
    }

    /**
     * Of the last return of the conversation.
     */
    private function ofReturn(string $name): string|Day|null
    {
        $return = $this->return();
        if ($return === null) {
            return null;
        }

        return match ($name) {
            'return.number' => $return->number(),
            'return.state' => $return->state->label(),
            'return.items' => $return->lines->map(static fn (ReturnLine $line): string => "{$line->quantity} × {$line->orderLine->title}")
                ->implode("\n"),
            'return.reason' => mb_strtolower($return->reason->name),
            'return.until' => $this->day($return->last_day),
            'return.lapses_on' => $this->day($return->lapse_at),
            'return.label_link' => $return->labelLink(),
            'return.declined_why' => $return->why === '' ? null : $return->why,
            default => null,
        };
    }

    private function ofExchange(string $name): string|Money|null
    {
        $last = Exchange::query()->whereIn('conversation_id', $this->conversation->withJoined())->where('to_pay', '>', 0)
            ->orderByDesc('id')->first();

        return match (true) {
            $last === null => null,
            $name === 'exchange.payment_link' => $last->payment_link,
            $name === 'exchange.to_pay' => Money::ofUnits(BigInteger::of($last->to_pay), Currency::of($last->currency)),
            default => null,
        };
    }

    private function return(): ?CustomerReturn
    {
        if ($this->return === false) {
            $this->return = CustomerReturn::query()->whereIn('conversation_id', $this->conversation->withJoined())
                ->with(['lines.orderLine', 'reason'])->orderByDesc('id')->first();
        }

        return $this->return;
    }

    /**
     * The store's own fields: of the conversation, its customer, the customer's company, or the order.
     */
    private function own(string $name): ?string
    {
        if ($this->own === null) {
            $this->own = [];
            foreach ([
                [About::Conversation, $this->conversation->id], [About::Customer, $this->conversation->customer_id],
                [About::Company, $this->conversation->customer->company_id], [About::Order, $this->order()?->id],
            ] as [$about, $id]) {
                foreach ($id === null ? [] : $this->fields->of($about, $id) as ['field' => $field, 'values' => $values]) {
                    $this->own[Placeholders::ofField($field)] = implode(', ', $values);
                }
            }
        }

        return $this->own[$name] ?? null;
    }

    /**
     * Nobody is called by their address or by the name of their account.
     */
    private function customerName(): ?string
    {
        $name = trim($this->conversation->customer->name);

        return $name === '' || preg_match('/[@\d_]/u', $name) === 1 ? null : $name;
    }

    private function order(): ?Order
    {
        if ($this->order === false) {
            $this->order = $this->conversation->orders()->with(['lines', 'payments', 'parcels.scans'])->orderByDesc('placed_at')->first();
        }

        return $this->order;
    }

    private function parcel(): ?Parcel
    {
        return $this->order()?->parcels->last();
    }

    private function progress(): ?ParcelProgress
    {
        return $this->progress ??= $this->parcel()?->progress();
    }

    private function money(Order $order, int $units): Money
    {
        return Money::ofUnits(BigInteger::of($units), Currency::of($order->currency));
    }

    private function day(?DateTimeInterface $moment): ?Day
    {
        return $moment === null ? null : Day::at($moment, Store::current()->zone());
    }

    private static function first(?string $name): ?string
    {
        return $name === null ? null : explode(' ', $name)[0];
    }
}
