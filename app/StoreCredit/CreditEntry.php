<?php

declare(strict_types=1);

namespace App\StoreCredit;

use App\Support\Row;
use Carbon\CarbonImmutable;

/**
 * Something that made a store credit more or less.
 *
 * @property int $id
 * @property int $store_credit_id
 * @property string $outside_id
 * @property CreditEntryKind $kind
 * @property int $amount smallest units; below zero where it is used or has lapsed
 * @property string|null $order_number where it was used
 * @property CarbonImmutable $at
 */
final class CreditEntry extends Row
{
    public $timestamps = false;

    protected $table = 'store_credit_entries';

    protected $guarded = ['*'];

    protected function casts(): array
    {
        return ['kind' => CreditEntryKind::class, 'at' => 'immutable_datetime'];
    }
}
