<?php

declare(strict_types=1);

namespace App\Orders;

use Cairnfield\Core\Parcels\ParcelProgress;
use Cairnfield\Core\Parcels\ParcelStage;
use Carbon\CarbonImmutable;

/**
 * The way of a parcel as it is drawn: its stops with their dates, up to where it was last seen.
 */
final readonly class ParcelLine
{
    /**
     * @param  list<array{label: string, at: CarbonImmutable|null, last: bool}>  $stops
     */
    private function __construct(public array $stops, public int $reached, public ParcelProgress $progress) {}

    public static function of(Order $order, Parcel $parcel): self
    {
        $progress = $parcel->progress();
        $last = $progress->last?->stage;
        $stages = match ($last) {
            ParcelStage::ReturnedToSender, ParcelStage::Lost => [ParcelStage::Collected, ParcelStage::AtDepot, $last],
            default => [ParcelStage::Collected, ParcelStage::AtDepot, ParcelStage::OutForDelivery, ParcelStage::Delivered],
        };
        $stops = [['label' => 'Paid', 'at' => $order->placed_at, 'last' => $last === null]];
        foreach ($stages as $stage) {
            $scan = $progress->reached[$stage->value] ?? null;
            $stops[] = [
                'label' => self::label($stage), 'at' => $scan === null ? null : CarbonImmutable::instance($scan->at),
                'last' => $stage === $last,
            ];
        }
        $reached = 0;
        foreach ($stops as $index => $stop) {
            $reached = $stop['at'] !== null ? $index : $reached;
        }

        return new self($stops, $reached, $progress);
    }

    public static function label(ParcelStage $stage): string
    {
        return match ($stage) {
            ParcelStage::Announced => 'Announced',
            ParcelStage::Collected => 'Sent',
            ParcelStage::AtDepot => 'At depot',
            ParcelStage::OutForDelivery => 'On the van',
            ParcelStage::Delivered => 'Delivered',
            ParcelStage::ReturnedToSender => 'Going back',
            ParcelStage::Lost => 'Lost',
        };
    }
}
