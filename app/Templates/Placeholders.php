<?php

declare(strict_types=1);

namespace App\Templates;

use App\Fields\About;
use App\Fields\OwnField;

/**
 * All placeholders there are, for completion and for checking what is written. `ConversationValues` fills them.
 */
final class Placeholders
{
    private const BUILT_IN = [
        'customer.first_name' => 'the customer’s first name',
        'customer.name' => 'the customer’s whole name',
        'company.name' => 'the customer’s company',
        'customer.email' => 'an address of the customer',
        'customer.orders' => 'how many orders they have placed',
        'order.number' => 'number of the order beside it',
        'order.state' => 'how it stands, such as “not sent yet”',
        'order.sent' => 'yes, once it has left',
        'order.delivered' => 'yes, once it has arrived',
        'order.cancelled' => 'yes, where it was cancelled',
        'order.placed_on' => 'the day it was placed',
        'order.items' => 'what was ordered, one a line',
        'order.total' => 'what it cost, with its currency',
        'order.country' => 'the country it goes to',
        'parcel.number' => 'number of its last parcel',
        'parcel.carrier' => 'who carries it',
        'parcel.state' => 'where it was last seen: the stage',
        'parcel.place' => 'where it was last seen: the place',
        'parcel.seen_on' => 'the day it was last seen',
        'parcel.sent_on' => 'the day it was handed over',
        'parcel.delivered_on' => 'the day it arrived',
        'parcel.days_unseen' => 'days without a scan',
        'refund.amount' => 'what was given back of the order so far',
        'refund.credit_note_link' => 'where the customer fetches the credit note',
        'exchange.payment_link' => 'where the customer pays what an exchange costs more',
        'exchange.to_pay' => 'what an exchange costs more',
        'return.number' => 'number of the return',
        'return.state' => 'how the return stands, such as “on its way”',
        'return.items' => 'what comes back, one a line',
        'return.reason' => 'why it comes back',
        'return.until' => 'the day until which it may come back',
        'return.lapses_on' => 'the day after which it is too late to send it',
        'return.label_link' => 'where the customer fetches the label',
        'return.declined_why' => 'why it was declined',
        'agent.name' => 'who answers',
        'agent.first_name' => 'first name of who answers',
        'store.name' => 'the store',
        'store.address' => 'the address it answers from',
        'store.today' => 'today’s date',
        'store.open' => 'yes, in working hours',
        'store.opens_at' => 'when it opens next',
        'store.form_link' => 'the address of the contact form',
        'rating.link' => 'where the customer says how it went, with stars',
        'conversation.number' => 'number of the conversation',
        'conversation.subject' => 'its subject',
        'conversation.category' => 'its category, as customers call it',
    ];

    private const ABOUT = ['conversation' => 'conversation', 'customer' => 'customer', 'order' => 'order', 'company' => 'company'];

    /** @var array<string, string>|null */
    private ?array $all = null;

    /**
     * @return array<string, string> by name, what it stands for
     */
    public function all(): array
    {
        return $this->all ??= [...self::BUILT_IN, ...$this->own()];
    }

    public function has(string $name): bool
    {
        return isset($this->all()[$name]);
    }

    /**
     * The one that was probably meant.
     */
    public function nearest(string $name): ?string
    {
        $best = null;
        $least = 4;
        foreach (array_keys($this->all()) as $known) {
            $distance = levenshtein($name, $known);
            if ($distance < $least) {
                [$best, $least] = [$known, $distance];
            }
        }

        return $best;
    }

    /**
     * The store's own fields: `conversation.field.serial`.
     */
    public static function ofField(OwnField $field): string
    {
        return self::ABOUT[$field->about->value].'.field.'.mb_strtolower(str_replace('-', '_', $field->word));
    }

    /**
     * @return array<string, string>
     */
    private function own(): array
    {
        $own = [];
        foreach (OwnField::inUse()->get() as $field) {
            $own[self::ofField($field)] = "own field “{$field->name}”".(
                $field->about === About::Conversation ? '' : " of the {$field->about->value}"
            );
        }

        return $own;
    }
}
