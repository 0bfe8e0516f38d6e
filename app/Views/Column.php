<?php

declare(strict_types=1);

namespace App\Views;

/**
 * What a view can show of each conversation, beside who it is from and what it is about.
 */
enum Column: string
{
    case Number = 'number';
    case Category = 'category';
    case Owner = 'owner';
    case Due = 'due';
    case Team = 'team';
    case Priority = 'priority';
    case State = 'state';
    case Outcome = 'outcome';
    case Account = 'account';
    case Language = 'language';
    case Began = 'began';
    case LastMessage = 'last_message';
    case WaitingSince = 'waiting_since';

    public const USUAL = [self::Number, self::Category, self::Owner, self::Due];

    public function label(): string
    {
        return match ($this) {
            self::Number => 'Order or number',
            self::LastMessage => 'Last message',
            self::WaitingSince => 'Waiting since',
            default => ucfirst($this->value),
        };
    }

    /**
     * All of them, those of a view first, in its order: as its form shows them, so that it is saved as it was.
     *
     * @param  list<string>  $shown
     * @return list<self>
     */
    public static function beginningWith(array $shown): array
    {
        $first = array_values(array_filter(array_map(self::tryFrom(...), $shown)));

        $others = array_filter(self::cases(), static fn (self $column): bool => ! in_array($column, $first, true));

        return [...$first, ...array_values($others)];
    }
}
