<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\Row;

/**
 * One unit as the bench found it.
 *
 * @property int $id
 * @property int $return_id
 * @property int|null $order_line_id null for what nobody had agreed on
 * @property int $place among the units of its line, 0 for the first
 * @property string $title what it is, where no line of the order says so
 * @property Grade $grade
 * @property bool $to_stock
 */
final class ReturnUnit extends Row
{
    public $timestamps = false;

    protected $table = 'return_units';

    protected $guarded = ['*'];

    protected function casts(): array
    {
        return ['grade' => Grade::class, 'to_stock' => 'boolean'];
    }
}
