<?php

declare(strict_types=1);

namespace App\Channels\WrenParcel;

use App\Channels\Services\MakesLabels;
use App\Channels\Services\ServiceType;
use App\Orders\TakeCarrierEvent;

/**
 * The carrier: where parcels were seen, and labels for what comes back.
 */
final readonly class WrenParcel extends ServiceType implements MakesLabels
{
    public function label(): string
    {
        return 'Wren Parcel';
    }

    public function description(): string
    {
        return 'The carrier: where parcels were seen';
    }

    public function icon(): string
    {
        return 'parcel';
    }

    public function bringsMessages(): bool
    {
        return false;
    }

    public function signs(): string
    {
        return 'Wren';
    }

    public function takesEvents(): string
    {
        return TakeCarrierEvent::class;
    }
}
