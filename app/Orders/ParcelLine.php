<?php

declare(strict_types=1);

namespace App\Orders;

use App\Support\LocalTime;
use Cairnfield\Core\Parcels\ParcelProgress;
use Cairnfield\Core\Parcels\ParcelStage;
use Carbon\CarbonImmutable;

/**
 * The way of a parcel as it is drawn: its stops with their dates, up to where it was last seen.
 */
final readonly class ParcelLine
{
    /** In units of its drawing, as are the places of its stops. */
    public const WIDTH = 400;

    /** How far the first stop is from the left, and the last from the right. */
    public const EDGE = 14;

    /**
     * @param  list<ParcelStop>  $stops
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
        $stops = [ParcelStop::first('Paid', $order->placed_at, $last === null)];
        $reached = 0;
        foreach ($stages as $index => $stage) {
            $scan = $progress->reached[$stage->value] ?? null;
            $at = $scan === null ? null : CarbonImmutable::instance($scan->at);
            $stops[] = ParcelStop::later(self::label($stage), $at, $stage === $last, $index + 1, count($stages));
            $reached = $at === null ? $reached : $index + 1;
        }

        return new self($stops, $reached, $progress);
    }

    /**
     * The same in words.
     */
    public function words(LocalTime $time): string
    {
        $seen = [];
        foreach ($this->stops as $stop) {
            $stop->at === null ?: $seen[] = $stop->label.' '.$time->local($stop->at)->format('j M');
        }

        return implode(', ', $seen).($this->progress->stopped ? ". No scan for {$this->progress->daysWithoutScan} days" : '');
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
