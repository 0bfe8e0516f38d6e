<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\LocalTime;
use Carbon\CarbonImmutable;

/**
 * The whole way of a return as it is drawn: its stops with their days, up to where it stands.
 */
final readonly class WayOfReturn
{
    public const WIDTH = 400;

    private const EDGE = 22;

    /**
     * @param  list<array{string, CarbonImmutable|null, int}>  $stops  name, when it was reached, place from the left
     * @param  int  $reached  the place in the list of the last that was
     * @param  string|null  $ended  how it ended, where it did not go the whole way
     */
    private function __construct(public array $stops, public int $reached, public ?string $ended, public bool $isStuck) {}

    public static function of(CustomerReturn $return): self
    {
        $way = $return->stays
            ? [['Asked', $return->asked_at], ['Agreed', $return->agreed_at], ['Settled', $return->settled_at]]
            : [
                ['Asked', $return->asked_at], ['Agreed', $return->agreed_at], ['Sent', $return->sent_at], ['Arrived', $return->arrived_at],
                ['Inspected', $return->inspected_at], ['Settled', $return->settled_at],
            ];
        $reached = 0;
        $stops = [];
        foreach ($way as $index => [$name, $at]) {
            $reached = $at === null ? $reached : $index;
            $stops[] = [$name, $at, (int) round(self::EDGE + $index * (self::WIDTH - 2 * self::EDGE) / (count($way) - 1))];
        }
        $ended = in_array($return->state, [ReturnState::Declined, ReturnState::Withdrawn, ReturnState::Lapsed], true)
            ? $return->state->label()
            : null;

        return new self($stops, $reached, $ended, $return->isStuck());
    }

    public function words(LocalTime $time): string
    {
        $said = [];
        foreach ($this->stops as [$name, $at]) {
            $at === null ?: $said[] = "{$name} {$time->local($at)->format('j M')}";
        }

        return implode(', ', $said).($this->ended === null ? '' : "; {$this->ended}").($this->isStuck ? '; not seen for long' : '');
    }
}
