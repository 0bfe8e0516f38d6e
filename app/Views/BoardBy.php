<?php

declare(strict_types=1);

namespace App\Views;

/**
 * What the columns of a board are.
 */
enum BoardBy: string
{
    case State = 'state';
    case Category = 'category';
    case Owner = 'owner';
    case Team = 'team';

    public function label(): string
    {
        return $this->value;
    }

    public function column(): string
    {
        return match ($this) {
            self::State => 'state',
            self::Category => 'category_id',
            self::Owner => 'owner_id',
            self::Team => 'team_id',
        };
    }
}
