<?php

declare(strict_types=1);

namespace App\Orders\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Orders\ParcelLine;
use Cairnfield\Core\Parcels\ParcelStage;

final readonly class ParcelSeen extends Payload
{
    public function __construct(public Named $order, public Named $parcel, public ParcelStage $stage, public string $place) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ParcelSeen;
    }

    public function sentence(Told $told): string
    {
        $stage = mb_strtolower(ParcelLine::label($this->stage));

        return "Parcel {$this->parcel->name}: {$stage}".($this->place === '' ? '' : ", {$this->place}");
    }
}
