<?php

declare(strict_types=1);

namespace App\Hours;

use App\Support\Row;
use Carbon\CarbonImmutable;

/**
 * A date that is other than the week: a holiday, or a day with hours of its own.
 *
 * @property int $calendar_id
 * @property CarbonImmutable $date
 * @property list<array{string, string}> $open empty where it is closed
 * @property string $name such as “Christmas Day”
 * @property string $source the file that it came in with; empty where it was entered by hand
 */
final class OtherDay extends Row
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'calendar_days';

    protected $guarded = ['*'];

    protected static function booted(): void
    {
        self::saved(static fn () => app(Calendars::class)->forget());
    }

    protected function casts(): array
    {
        return ['date' => 'immutable_date:Y-m-d', 'open' => 'array'];
    }
}
