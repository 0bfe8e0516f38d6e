<?php

declare(strict_types=1);

namespace App\Orders;

use Cairnfield\Core\Parcels\ParcelStage;
use DateTimeInterface;

/**
 * Who else wants to know where a parcel was seen: what comes back has one too. Told once of each scan, in its transaction.
 */
interface FollowsParcels
{
    public function seen(string $number, ParcelStage $stage, DateTimeInterface $at): void;
}
