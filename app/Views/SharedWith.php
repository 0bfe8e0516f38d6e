<?php

declare(strict_types=1);

namespace App\Views;

use App\Team\Teammate;

/**
 * Who sees a saved view.
 */
enum SharedWith: string
{
    case Nobody = 'nobody';
    case Team = 'team';
    case Everybody = 'everybody';

    /**
     * What somebody can choose; what it is already stays.
     *
     * @return list<self>
     */
    public static function choices(Teammate $teammate, ?self $now): array
    {
        return array_values(array_filter(self::cases(), static fn (self $one): bool => $one->isOpenTo($teammate, $now)));
    }

    public function isOpenTo(Teammate $teammate, ?self $now): bool
    {
        return $this !== self::Everybody || $this === $now || $teammate->role->sharesWithEverybody();
    }

    public function label(): string
    {
        return match ($this) {
            self::Nobody => 'only me',
            self::Team => 'a team',
            self::Everybody => 'everybody',
        };
    }
}
