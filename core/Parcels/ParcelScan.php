<?php

declare(strict_types=1);

namespace Cairnfield\Core\Parcels;

use DateTimeImmutable;

/**
 * One sighting of a parcel by its carrier.
 */
final readonly class ParcelScan
{
    public function __construct(public ParcelStage $stage, public DateTimeImmutable $at, public string $place = '') {}
}
