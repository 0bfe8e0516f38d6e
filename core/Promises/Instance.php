<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use Cairnfield\Core\Hours\HoursRefused;
use Cairnfield\Core\Queue\Priority;
use DateTimeImmutable;

/**
 * One promise, measured: what was promised, how much of it is used, and until when.
 */
final readonly class Instance
{
    /** How many stones a cairn has: one falls for each of so many parts of the time. */
    public const STONES = 4;

    /**
     * @param  int  $target  seconds of its calendar
     * @param  int  $spent  seconds of its calendar
     * @param  bool|null  $kept  null while that is open, and where it was dropped
     * @param  DateTimeImmutable|null  $dueAt  only while it runs: when `spent` reaches `target`; null where the calendar never opens
     * @param  DateTimeImmutable|null  $warnAt  only while it runs
     * @param  list<Run>  $runs  when its clock ran, in order
     */
    private function __construct(
        public PromiseKind $kind,
        public DateTimeImmutable $startedAt,
        public ?DateTimeImmutable $endedAt,
        public InstanceState $state,
        public Priority $priority,
        public int $target,
        public int $spent,
        public ?bool $kept,
        public ?DateTimeImmutable $dueAt,
        public ?DateTimeImmutable $warnAt,
        public array $runs,
        private Target $by,
        private int $spentBefore,
    ) {}

    /**
     * @internal
     *
     * @return self|null null where nothing is promised for that priority
     */
    public static function measure(Span $span, Target $by, Priority $priority, DateTimeImmutable $now): ?self
    {
        $target = $by->secondsFor($priority);
        if ($target === null) {
            return null;
        }
        $spent = $spentBefore = 0;
        foreach ($span->runs as $run) {
            $spentBefore = $spent;
            $spent += $by->calendar->between($run->from, $run->to ?? $now);
        }
        $at = static fn (int $seconds): ?DateTimeImmutable => $span->state === InstanceState::Running
            ? self::whenSpent($span->runs, $by, $seconds - $spentBefore)
            : null;

        return new self(
            $by->kind, $span->startedAt, $span->endedAt, $span->state, $priority, $target, $spent,
            match (true) {
                $span->state === InstanceState::Dropped => null,
                $span->state === InstanceState::Done => $spent <= $target,
                default => $spent > $target ? false : null,
            },
            $at($target), $at(max(0, $target - $by->warnBefore)), $span->runs, $by, $spentBefore,
        );
    }

    /**
     * The instants at which the first three stones fall, one for each quarter of the time; the last falls when it is missed.
     *
     * @return list<DateTimeImmutable|null> only while it runs, else empty
     */
    public function stonesFallAt(): array
    {
        return $this->state !== InstanceState::Running ? [] : array_map(
            fn (int $quarter): ?DateTimeImmutable => self::whenSpent(
                $this->runs, $this->by, intdiv($this->target * $quarter, self::STONES) - $this->spentBefore
            ),
            range(1, self::STONES - 1)
        );
    }

    /**
     * @param  list<Run>  $runs
     * @param  int  $left  seconds from the start of the present run on
     */
    private static function whenSpent(array $runs, Target $by, int $left): ?DateTimeImmutable
    {
        $from = $runs[array_key_last($runs) ?? 0]->from;
        try {
            return $by->calendar->add($from, max(0, $left));
        } catch (HoursRefused) {
            return null;
        }
    }
}
