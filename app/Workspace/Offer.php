<?php

declare(strict_types=1);

namespace App\Workspace;

use Illuminate\Contracts\Database\Query\Builder;

/**
 * Something that can be chosen in a menu of the page.
 */
final readonly class Offer
{
    /**
     * @param  Builder  $rows  those that there are
     * @param  string  $order  in which they stand, as SQL of ours
     * @param  string  $name  the column that they are known by
     * @param  string|null  $also  what else its menu needs to know of each, as SQL of ours
     */
    public function __construct(public Builder $rows, public string $order, public string $name = 'name', public ?string $also = null) {}
}
