<?php

declare(strict_types=1);

namespace App\Rules;

/**
 * What a rule that runs with time counts from, or to.
 */
enum TimeTriggerSince: string
{
    case Began = 'began';
    case CustomerWrote = 'customer_wrote';
    case Unanswered = 'unanswered';
    case Answered = 'answered';
    case StateChanged = 'state_changed';
    case Unowned = 'unowned';
    case ParcelSeen = 'parcel_seen';
    case UntilDue = 'until_due';
    case SinceDue = 'since_due';

    public function label(): string
    {
        return match ($this) {
            self::Began => 'since it began',
            self::CustomerWrote => 'since the customer wrote last',
            self::Unanswered => 'since the customer wrote, without an answer',
            self::Answered => 'since we answered',
            self::StateChanged => 'since its state changed',
            self::Unowned => 'without an owner',
            self::ParcelSeen => 'without a scan of its parcel',
            self::UntilDue => 'until its promise falls due',
            self::SinceDue => 'since its promise was missed',
        };
    }

    /**
     * The column of conversations; each has an index.
     */
    public function column(): string
    {
        return match ($this) {
            self::Began => 'created_at',
            self::CustomerWrote => 'last_customer_message_at',
            self::Unanswered => 'waiting_since',
            self::Answered => 'last_answered_at',
            self::StateChanged => 'state_changed_at',
            self::Unowned => 'unowned_since',
            self::ParcelSeen => 'parcel_seen_at',
            self::UntilDue, self::SinceDue => 'due_at',
        };
    }
}
