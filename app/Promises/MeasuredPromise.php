<?php

declare(strict_types=1);

namespace App\Promises;

use Cairnfield\Core\Promises\Deadline;
use Cairnfield\Core\Promises\Instance;
use Cairnfield\Core\Promises\InstanceState;
use Cairnfield\Core\Promises\Run;
use DateTimeImmutable;
use DateTimeInterface;

/**
 * One promise as it comes out of the reckoning, and as its row is to be.
 */
final readonly class MeasuredPromise
{
    /**
     * @param  list<DateTimeImmutable|null>  $stonesFallAt  the first three, while it runs
     * @param  list<Run>  $runs  of its clock
     */
    private function __construct(
        public PromisedKind $kind,
        public DateTimeImmutable $startedAt,
        public ?DateTimeImmutable $endedAt,
        public InstanceState $state,
        public string $priority,
        public int $target,
        public int $spent,
        public ?bool $kept,
        public ?DateTimeImmutable $dueAt,
        public ?DateTimeImmutable $warnAt,
        public ?int $set,
        public ?int $version,
        public array $stonesFallAt,
        public array $runs,
    ) {}

    public static function ofInstance(Instance $instance, PromiseSetVersion $by): self
    {
        return new self(
            PromisedKind::of($instance->kind), $instance->startedAt, $instance->endedAt, $instance->state, $instance->priority->value,
            $instance->target, $instance->spent, $instance->kept, $instance->dueAt, $instance->warnAt, $by->promise_set_id, $by->version,
            $instance->stonesFallAt(), $instance->runs,
        );
    }

    public static function ofDeadline(Deadline $deadline, string $priority, DateTimeImmutable $now): self
    {
        $seconds = static fn (DateTimeImmutable $until): int => max(0, $until->getTimestamp() - $deadline->startedAt->getTimestamp());
        $target = $seconds($deadline->dueAt);
        $isRunning = $deadline->state === InstanceState::Running;

        return new self(
            PromisedKind::Marketplace, $deadline->startedAt, $deadline->endedAt, $deadline->state, $priority, $target,
            $seconds($deadline->endedAt ?? $now), $deadline->kept, $isRunning ? $deadline->dueAt : null,
            $isRunning ? $deadline->dueAt->modify('-'.min(3600, intdiv($target, 2)).' seconds') : null, null, null,
            $isRunning ? self::quarters($deadline->startedAt, $deadline->dueAt) : [], [new Run($deadline->startedAt, $deadline->endedAt)],
        );
    }

    /**
     * In clock time.
     *
     * @return list<DateTimeImmutable>
     */
    public static function quarters(DateTimeInterface $from, DateTimeInterface $to): array
    {
        $length = max(0, $to->getTimestamp() - $from->getTimestamp());

        return array_map(
            static fn (int $quarter): DateTimeImmutable => new DateTimeImmutable(
                '@'.($from->getTimestamp() + intdiv($length * $quarter, 4))
            ),
            [1, 2, 3]
        );
    }

    /**
     * @return array<string, mixed> the row, but for what is known of it beside the reckoning
     */
    public function row(): array
    {
        $at = static fn (?DateTimeImmutable $instant): ?string => $instant?->format('Y-m-d H:i:s');

        return [
            'promise_set_id' => $this->set, 'version' => $this->version, 'ended_at' => $at($this->endedAt), 'state' => $this->state->value,
            'priority' => $this->priority, 'target' => $this->target, 'spent' => $this->spent,
            'kept' => $this->kept === null ? null : (int) $this->kept, 'due_at' => $at($this->dueAt), 'warn_at' => $at($this->warnAt),
        ];
    }

    /**
     * What can be compared with what is stored: `spent` and `kept` of what still runs grow by themselves.
     *
     * @return array<string, mixed>
     */
    public function lasting(): array
    {
        return $this->state->isOver() ? $this->row() : array_diff_key($this->row(), ['spent' => 0, 'kept' => 0]);
    }
}
