<?php

declare(strict_types=1);

namespace App\Returns;

/**
 * Where a return stands.
 */
enum ReturnState: string
{
    case Asked = 'asked';
    case Agreed = 'agreed';
    case OnItsWay = 'on_its_way';
    case Arrived = 'arrived';
    case Inspected = 'inspected';
    case Settled = 'settled';
    case Declined = 'declined';
    case Withdrawn = 'withdrawn';
    case Lapsed = 'lapsed';

    public function label(): string
    {
        return match ($this) {
            self::Asked => 'asked for',
            self::Agreed => 'agreed',
            self::OnItsWay => 'on its way',
            self::Arrived => 'arrived',
            self::Inspected => 'inspected',
            self::Settled => 'settled',
            self::Declined => 'declined',
            self::Withdrawn => 'withdrawn',
            self::Lapsed => 'lapsed',
        };
    }

    /**
     * Whether it can go there from here.
     */
    public function becomes(self $next): bool
    {
        return in_array($next, match ($this) {
            self::Asked => [self::Agreed, self::Declined, self::Withdrawn, self::Arrived, self::Inspected],
            self::Agreed => [self::OnItsWay, self::Arrived, self::Inspected, self::Withdrawn, self::Lapsed, self::Declined],
            self::OnItsWay => [self::Arrived, self::Inspected, self::Withdrawn],
            self::Arrived => [self::Inspected],
            self::Inspected => [self::Settled],
            // Where the refund that settled it is withdrawn.
            self::Settled => [self::Inspected],
            // What was sent all the same is there.
            self::Declined, self::Withdrawn, self::Lapsed => [self::Arrived],
        }, true);
    }

    public function isOver(): bool
    {
        return in_array($this, [self::Settled, self::Declined, self::Withdrawn, self::Lapsed], true);
    }

    /**
     * Whether its parcel may still come.
     */
    public function isExpected(): bool
    {
        return $this === self::Agreed || $this === self::OnItsWay;
    }

    /**
     * @return list<self> those whose units are taken: nobody can ask for them once more
     */
    public static function open(): array
    {
        return [self::Asked, self::Agreed, self::OnItsWay, self::Arrived, self::Inspected];
    }
}
