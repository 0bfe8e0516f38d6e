<?php

declare(strict_types=1);

namespace App\Returns;

use App\Orders\Order;
use App\Orders\OrderLine;
use App\Orders\Parcel;
use App\Orders\ParcelScan;
use App\Orders\ShownMoney;
use App\Store\Store;
use Cairnfield\Core\Parcels\ParcelStage;
use Cairnfield\Core\Returns\ReturnWindow;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;

/**
 * What may come back of an order for a reason, until when and on what terms: said before anybody promises anything.
 */
final readonly class OfferedReturn
{
    /**
     * @param  ReturnPolicy|null  $policy  null where it is of a return that keeps its terms
     * @param  int  $worth  of what comes back, in smallest units, before any discount of the order
     * @param  bool  $stays  whether the customer keeps it, being worth so little
     */
    private function __construct(
        public Order $order, public ?ReturnPolicy $policy, public ReturnTerms $terms, public ReturnWindow $window, public int $worth,
        public bool $stays
    ) {}

    /**
     * @param  array<int, int>  $units  by the id of the order's line
     *
     * @throws ReturnRefused
     */
    public static function of(Order $order, ReturnReason $reason, array $units): self
    {
        $order->loadMissing(['lines', 'parcels.scans', 'customer.groups']);
        $lines = $order->lines->filter(static fn (OrderLine $line): bool => ($units[$line->id] ?? 0) > 0);
        $policy = FindPolicy::for($reason, $order, $lines);
        $terms = $policy->agreed();
        $worth = self::worth($lines, $units);

        return new self(
            $order, $policy, $terms, self::windowOf($order, $terms), $worth,
            $worth > 0 && $worth < ($terms->staysUnder[$order->currency] ?? 0)
        );
    }

    /**
     * What a return was asked for on: the terms of that day, and what holds of them still.
     *
     * @return list<string>
     */
    public static function termsOf(CustomerReturn $return): array
    {
        $return->order->loadMissing(['lines', 'parcels.scans']);
        $terms = $return->agreedTerms();

        return (new self($return->order, null, $terms, self::windowOf($return->order, $terms), 0, $return->stays))->sentences();
    }

    public function lastDay(): ?CarbonImmutable
    {
        return $this->window->lastDay === null ? null : CarbonImmutable::createFromTimestampUTC($this->window->lastDay * 86_400);
    }

    /**
     * @return list<string> what holds, in sentences
     */
    public function sentences(): array
    {
        $terms = $this->terms;
        $cost = $terms->labelCost[$this->order->currency] ?? 0;

        return array_values(array_filter([
            $this->until(),
            $this->stays ? 'It is worth so little that the customer keeps it.' : ($terms->customerPays
                ? 'The customer pays the label'.($cost > 0 ? ', '.ShownMoney::of($cost, $this->order->currency) : '')
                    .'; for what was faulty, we do.'
                : 'We pay the label.'),
            $terms->fee === '0' ? '' : "A fee of {$terms->fee} % of the goods is kept.",
            match ($terms->delivery) {
                'all' => 'What its delivery cost is given back.',
                'share' => 'Of its delivery, the share for these goods is given back.',
                default => 'The delivery is not given back.',
            },
            $terms->creditBonus === '0' ? '' : "Taken as store credit, it is {$terms->creditBonus} % more.",
            $terms->needsPhoto ? 'A photo is needed.' : '',
            $this->stays || ! $terms->needsInspection ? '' : 'After a look at it we give '.implode(', ', array_map(
                fn (Grade $grade): string => "{$terms->share($grade)} % ".match ($grade) {
                    Grade::AsNew => 'as new', Grade::Opened => 'when opened', default => 'when damaged',
                }, [Grade::AsNew, Grade::Opened, Grade::Damaged]
            )).'.',
        ]));
    }

    private function until(): string
    {
        $day = $this->lastDay();
        $days = $this->terms->daysIn($this->order->country);
        $longer = $days > $this->terms->days ? ", as the law of {$this->order->country} has it" : '';

        return match (true) {
            $day === null => "Not sent yet: it may come back within {$days} days of its arrival{$longer}.",
            $this->window->allowed => "It may come back until {$day->format('j F Y')}{$longer}.",
            default => "It could come back until {$day->format('j F Y')}{$longer}: that is over.",
        };
    }

    private static function windowOf(Order $order, ReturnTerms $terms): ReturnWindow
    {
        return ReturnWindow::of(
            $terms->counted($order->country), Store::current()->zone(), now()->toDateTimeImmutable(),
            self::reached($order, ParcelStage::Collected)?->toDateTimeImmutable(),
            self::reached($order, ParcelStage::Delivered)?->toDateTimeImmutable()
        );
    }

    private static function reached(Order $order, ParcelStage $stage): ?CarbonImmutable
    {
        $scan = $order->parcels->flatMap(static fn (Parcel $parcel): Collection => $parcel->scans->toBase())
            ->filter(static fn (ParcelScan $scan): bool => $scan->stage === $stage)->sortBy('at')->last();

        return $scan?->at;
    }

    /**
     * @param  Collection<int, OrderLine>  $lines
     * @param  array<int, int>  $units
     */
    private static function worth(Collection $lines, array $units): int
    {
        return (int) $lines->sum(static fn (OrderLine $line): int => intdiv($line->paid() * min($units[$line->id], $line->quantity),
            $line->quantity));
    }
}
