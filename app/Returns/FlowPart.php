<?php

declare(strict_types=1);

namespace App\Returns;

/**
 * The parts of the flow of returns: those that came so far, and those that did not go on.
 */
enum FlowPart: string
{
    case Asked = 'asked';
    case Agreed = 'agreed';
    case Sent = 'sent';
    case Inspected = 'inspected';
    case Settled = 'settled';
    case Declined = 'declined';
    case ToDecide = 'to-decide';
    case NotSent = 'not-sent';
    case ToSend = 'to-send';
    case Moving = 'moving';
    case Stuck = 'stuck';
    case ToInspect = 'to-inspect';
    case ToSettle = 'to-settle';

    public function label(): string
    {
        return match ($this) {
            self::Asked => 'Asked',
            self::Agreed => 'Agreed',
            self::Sent => 'On its way',
            self::Inspected => 'Inspected',
            self::Settled => 'Settled',
            self::Declined => 'declined',
            self::ToDecide => 'to decide',
            self::NotSent => 'lapsed or withdrawn',
            self::ToSend => 'to be sent',
            self::Moving => 'still moving',
            self::Stuck => 'stuck',
            self::ToInspect => 'to inspect',
            self::ToSettle => 'to settle',
        };
    }

    /**
     * @return list<self> the columns, from the left
     */
    public static function columns(): array
    {
        return [self::Asked, self::Agreed, self::Sent, self::Inspected, self::Settled];
    }

    /**
     * @return list<self> those that did not go on from a column
     */
    public function leaving(): array
    {
        return match ($this) {
            self::Asked => [self::ToDecide, self::Declined],
            self::Agreed => [self::ToSend, self::NotSent],
            self::Sent => [self::Moving, self::ToInspect, self::Stuck],
            self::Inspected => [self::ToSettle],
            default => [],
        };
    }

    /**
     * Whether it has ended without anything coming back, or threatens to.
     */
    public function isLoss(): bool
    {
        return in_array($this, [self::Declined, self::NotSent, self::Stuck], true);
    }
}
