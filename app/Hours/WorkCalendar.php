<?php

declare(strict_types=1);

namespace App\Hours;

use App\Support\Row;
use Cairnfield\Core\Hours\Calendar;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * When some of the team work: the care team, the returns bench, wholesale.
 *
 * @property int $id
 * @property string $name
 * @property string $time_zone IANA
 * @property array<string, list<array{string, string}>> $week open spans by day, as the core reads them
 * @property bool $is_main whether what has no hours of its own goes by these
 * @property int $version grows with each change, so that two people do not undo each other's
 * @property \Illuminate\Database\Eloquent\Collection<int, OtherDay> $days
 */
final class WorkCalendar extends Row
{
    protected $table = 'calendars';

    protected $guarded = ['*'];

    /**
     * The days that are other than the week.
     *
     * @return HasMany<OtherDay, $this>
     */
    public function days(): HasMany
    {
        return $this->hasMany(OtherDay::class, 'calendar_id');
    }

    /**
     * In the shape that the core reads.
     *
     * @return array{timezone: string, week: array<string, list<array{string, string}>>, exceptions: list<array{date: string, open: mixed}>}
     */
    public function definition(): array
    {
        return [
            'timezone' => $this->time_zone,
            'week' => $this->week,
            'exceptions' => array_values($this->days->map(static fn (OtherDay $day): array => [
                'date' => $day->date->format('Y-m-d'), 'open' => $day->open,
            ])->all()),
        ];
    }

    public function read(): Calendar
    {
        return Calendars::read($this->definition());
    }

    protected static function booted(): void
    {
        self::saved(static fn () => app(Calendars::class)->forget());
        self::deleted(static fn () => app(Calendars::class)->forget());
    }

    protected function casts(): array
    {
        return ['week' => 'array', 'is_main' => 'boolean', 'version' => 'integer'];
    }
}
