<?php

declare(strict_types=1);

namespace Cairnfield\Core\Parcels;

/**
 * How far a parcel has come, in the order of its way.
 */
enum ParcelStage: string
{
    case Announced = 'announced';
    case Collected = 'collected';
    case AtDepot = 'at_depot';
    case OutForDelivery = 'out_for_delivery';
    case Delivered = 'delivered';
    case ReturnedToSender = 'returned_to_sender';
    case Lost = 'lost';

    /**
     * After this the carrier has nothing more to say.
     */
    public function isFinal(): bool
    {
        return match ($this) {
            self::Delivered, self::ReturnedToSender, self::Lost => true,
            default => false,
        };
    }
}
