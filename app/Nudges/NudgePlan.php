<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * Reminders to a customer who does not answer, each after so many working days, and an end.
 *
 * @property int $id
 * @property string $name
 * @property list<array{days: int, template: int}> $steps
 * @property int $end_days working days after the last reminder
 * @property int|null $end_template_id the last word; null to resolve without one
 * @property int $end_outcome_id
 * @property CarbonImmutable|null $retired_at
 */
final class NudgePlan extends Row
{
    protected $table = 'nudge_plans';

    protected $guarded = ['*'];

    /**
     * @return Builder<NudgePlan>
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('name');
    }

    /**
     * How many working days after what was sent before the next comes; the end after the last reminder.
     */
    public function daysUntil(int $sent): int
    {
        return $this->steps[$sent]['days'] ?? $this->end_days;
    }

    /**
     * @return list<int> ids of the templates that customers get
     */
    public function templates(): array
    {
        return array_values(array_unique(array_filter([...array_column($this->steps, 'template'), (int) $this->end_template_id])));
    }

    public function describe(): string
    {
        $days = static fn (int $days): string => $days === 1 ? 'one working day' : "{$days} working days";
        $steps = array_map(static fn (array $step): string => "a reminder after {$days($step['days'])}", $this->steps);

        return ucfirst(implode(', ', [...$steps, 'then resolved after '.$days($this->end_days)]));
    }

    protected function casts(): array
    {
        return ['steps' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
