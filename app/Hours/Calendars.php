<?php

declare(strict_types=1);

namespace App\Hours;

use App\Store\Store;
use Cairnfield\Core\Hours\Calendar;
use Illuminate\Database\Eloquent\Collection;

/**
 * All calendars as they are now, read once for a page or a job.
 */
final class Calendars
{
    /** @var Collection<int, WorkCalendar>|null */
    private ?Collection $all = null;

    /** @var array<string, Calendar> by what they say: workers go on for long, and read the same again */
    private static array $read = [];

    /**
     * @return Collection<int, WorkCalendar> by their numbers, the main one first
     */
    public function all(): Collection
    {
        return $this->all ??= WorkCalendar::query()->with('days')->orderByDesc('is_main')->orderBy('name')->get()->keyBy('id');
    }

    /**
     * By which everything goes that has no hours of its own.
     */
    public function main(): WorkCalendar
    {
        return $this->all()->first() ?? $this->usual();
    }

    /**
     * Where nobody has said any hours yet.
     */
    private function usual(): WorkCalendar
    {
        $calendar = (new WorkCalendar)->forceFill([
            'name' => 'Store', 'time_zone' => Store::current()->timeZone, 'is_main' => true,
            'week' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], [['09:00', '17:00']]),
        ]);
        $calendar->setRelation('days', new Collection);

        return $calendar;
    }

    public function forget(): void
    {
        $this->all = null;
    }

    /**
     * @param  array<string, mixed>  $definition  as `WorkCalendar::definition` makes it, or `{"always": true}`
     */
    public static function read(array $definition): Calendar
    {
        $written = (string) json_encode([...$definition, ...(isset($definition['week']) ? ['week' => (object) $definition['week']] : [])]);

        return self::$read[hash('xxh128', $written)] ??= Calendar::read(json_decode($written));
    }
}
