<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Contracts\Database\Query\Builder as Rows;
use Illuminate\Database\Eloquent\Builder as ModelBuilder;
use Illuminate\Database\Query\Builder;
use InvalidArgumentException;

/**
 * A query without the models that would be made of its rows.
 */
final class PlainQuery
{
    public static function of(Rows $rows): Builder
    {
        return match (true) {
            $rows instanceof ModelBuilder => $rows->toBase(),
            $rows instanceof Builder => $rows,
            default => throw new InvalidArgumentException('A relation is asked by its query.'),
        };
    }
}
