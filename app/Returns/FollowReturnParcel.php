<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Orders\FollowsParcels;
use Cairnfield\Core\Parcels\ParcelStage;
use Carbon\CarbonImmutable;
use DateTimeInterface;

/**
 * What the carrier tells of a parcel that comes back: once it is seen it is on its way, and when it is delivered it is here. Scans come
 * late and in any order.
 */
final readonly class FollowReturnParcel implements FollowsParcels
{
    public function __construct(private MoveReturn $move, private ArriveAtBench $arrive) {}

    public function seen(string $number, ParcelStage $stage, DateTimeInterface $at): void
    {
        $return = CustomerReturn::query()->where('label_number', $number)->first();
        if ($return === null || $stage === ParcelStage::Announced) {
            return;
        }
        $seen = CarbonImmutable::instance($at)->utc();
        CustomerReturn::query()->whereKey($return->id)->where(
            static fn ($any) => $any->whereNull('seen_at')->orWhere('seen_at', '<', $seen)
        )->update(['seen_at' => $seen]);
        try {
            $return->state === ReturnState::Agreed
                && $this->move->to($return, ReturnState::OnItsWay, Actor::application(), ['sent_at' => $seen]);
            $stage === ParcelStage::Delivered && $this->arrive->arrive($return->refresh(), Actor::application());
        } catch (ReturnRefused) {
            // Somebody at the bench was quicker.
        }
    }
}
