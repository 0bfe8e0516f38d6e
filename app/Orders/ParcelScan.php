<?php

declare(strict_types=1);

namespace App\Orders;

use App\Support\Row;
use Cairnfield\Core\Parcels\ParcelStage;
use Carbon\CarbonImmutable;

/**
 * @property int $id
 * @property int $parcel_id
 * @property string $outside_id
 * @property ParcelStage $stage
 * @property string $place
 * @property CarbonImmutable $at
 */
final class ParcelScan extends Row
{
    protected $table = 'parcel_scans';

    public $timestamps = false;

    protected $guarded = ['*'];

    protected function casts(): array
    {
        return ['stage' => ParcelStage::class, 'at' => 'immutable_datetime'];
    }
}
