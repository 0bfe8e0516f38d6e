<?php

declare(strict_types=1);

namespace App\Orders;

use App\Store\Store;
use App\Support\Row;
use Cairnfield\Core\Parcels\ParcelProgress;
use Cairnfield\Core\Parcels\ParcelScan as Scan;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A parcel, as its carrier has seen it.
 *
 * @property int $id
 * @property string $number
 * @property int|null $order_id
 * @property string $carrier
 * @property CarbonImmutable $fetched_at
 * @property CarbonImmutable|null $created_at
 * @property Collection<int, ParcelScan> $scans
 * @property Order|null $order
 */
final class Parcel extends Row
{
    protected $table = 'parcels';

    protected $guarded = ['*'];

    /**
     * How it stands now, counted by the calendar of the store.
     */
    public function progress(): ParcelProgress
    {
        return ParcelProgress::of(
            now()->toDateTimeImmutable(),
            Store::current()->zone(),
            null,
            ...$this->scans->map(
                static fn (ParcelScan $scan): Scan => new Scan($scan->stage, $scan->at->toDateTimeImmutable(), $scan->place)
            )
                ->values()
                ->all(),
        );
    }

    /**
     * @return HasMany<ParcelScan, $this>
     */
    public function scans(): HasMany
    {
        $scans = $this->hasMany(ParcelScan::class);
        $scans->orderBy('at')->orderBy('id');

        return $scans;
    }

    /**
     * @return BelongsTo<Order, $this>
     */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    protected function casts(): array
    {
        return ['fetched_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime'];
    }
}
