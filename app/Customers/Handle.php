<?php

declare(strict_types=1);

namespace App\Customers;

use App\Channels\Channel;
use App\Channels\ChannelType;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One address, number or account name of a customer.
 *
 * @property int $id
 * @property int $customer_id
 * @property string $kind
 * @property string $value
 * @property string $shown
 * @property string $why
 * @property CarbonImmutable|null $undeliverable_since when mail to it came back; null while it works, as far as we know
 * @property string|null $undeliverable_why
 * @property Customer $customer
 */
final class Handle extends Row
{
    protected $table = 'handles';

    protected $fillable = ['customer_id', 'kind', 'value', 'shown', 'why'];

    /**
     * What people can be known by.
     *
     * @return array<string, string> labels by kind
     */
    public static function kinds(): array
    {
        $kinds = [];
        foreach (Channel::those(static fn (ChannelType $type): bool => $type->bringsMessages()) as $channel) {
            $kinds[$channel->handleKind()] ??= $channel->label();
        }

        return $kinds;
    }

    public function kindLabel(): string
    {
        return self::kinds()[$this->kind] ?? $this->kind;
    }

    protected function casts(): array
    {
        return ['undeliverable_since' => 'immutable_datetime'];
    }

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }
}
