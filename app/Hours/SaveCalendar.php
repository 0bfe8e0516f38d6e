<?php

declare(strict_types=1);

namespace App\Hours;

use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Changes the hours of a calendar. What is promised by them goes by them from now on.
 */
final readonly class SaveCalendar
{
    /** Of days that are other than the week, in one calendar: holidays of many years. */
    public const MOST_DAYS = 2000;

    public function __construct(private Calendars $calendars, private CountsInHours $counted) {}

    /**
     * @param  int|null  $seen  the version that was changed; null where whoever wrote saw none
     * @param  array{name: string, time_zone: string, week: array<string, list<array{string, string}>>}  $values
     *
     * @throws HoursNotSaved
     */
    public function save(?WorkCalendar $calendar, array $values, ?int $seen): WorkCalendar
    {
        return $this->change($calendar, static function (WorkCalendar $locked) use ($values, $seen): void {
            if ($locked->exists && $seen !== null && $locked->version !== $seen) {
                throw HoursNotSaved::changedMeanwhile($locked->name);
            }
            $hasHoursElsewhere = $locked->exists && $locked->days->contains(static fn (OtherDay $day): bool => $day->open !== []);
            if ($values['week'] === [] && ! $hasHoursElsewhere) {
                throw HoursNotSaved::neverOpens();
            }
            $locked->forceFill($values);
        });
    }

    /**
     * A day that is other than the week; what stood there before is replaced.
     *
     * @param  list<array{string, string}>  $open
     *
     * @throws HoursNotSaved
     */
    public function putDay(WorkCalendar $calendar, CarbonImmutable $date, array $open, string $name): void
    {
        $this->change($calendar, function (WorkCalendar $locked) use ($date, $open, $name): void {
            $this->refuseTooMany($locked, 1);
            $this->putDays($locked, [$this->row($locked, $date, $open, $name, '')]);
        });
    }

    /**
     * Holidays of a file. What was entered by hand for a day stays.
     *
     * @return int how many are new
     *
     * @throws HoursNotSaved
     */
    public function import(WorkCalendar $calendar, HolidayFile $file): int
    {
        $added = 0;
        $this->change($calendar, function (WorkCalendar $locked) use ($file, &$added): void {
            $there = $locked->days->keyBy(static fn (OtherDay $day): string => $day->date->format('Y-m-d'));
            $new = array_diff_key($file->holidays, $there->all());
            $this->refuseTooMany($locked, count($new));
            $rows = [];
            foreach ($new as $date => $name) {
                $rows[] = $this->row($locked, CarbonImmutable::parse($date), [], $name, $file->name);
            }
            $this->putDays($locked, $rows);
            $added = count($new);
        });

        return $added;
    }

    /**
     * @param  list<string>  $dates
     */
    public function removeDays(WorkCalendar $calendar, array $dates): void
    {
        $this->change($calendar, static function (WorkCalendar $locked) use ($dates): void {
            $days = static fn (): Builder => DB::table('calendar_days')->where('calendar_id', $locked->id);
            $days()->whereIn('date', $dates)->delete();
            if ($locked->week === [] && $days()->where('open', '!=', '[]')->doesntExist()) {
                throw HoursNotSaved::neverOpens();
            }
        });
    }

    /**
     * By which everything goes that has no hours of its own.
     */
    public function makeMain(WorkCalendar $calendar): void
    {
        $this->change($calendar, static function (WorkCalendar $locked): void {
            WorkCalendar::query()->whereKeyNot($locked->id)->update(['is_main' => false]);
            $locked->forceFill(['is_main' => true]);
        });
    }

    /**
     * @throws HoursNotSaved
     */
    public function remove(WorkCalendar $calendar): void
    {
        DB::transaction(function () use ($calendar): void {
            $locked = WorkCalendar::query()->lockForUpdate()->findOrFail($calendar->id);
            if ($locked->is_main) {
                throw HoursNotSaved::isMain($locked->name);
            }
            $by = $this->counted->namesIn($locked->id);
            if ($by !== []) {
                throw HoursNotSaved::isUsed($locked->name, $by);
            }
            $locked->delete();
        });
        $this->calendars->forget();
    }

    /**
     * @param  callable(WorkCalendar): void  $how
     */
    private function change(?WorkCalendar $calendar, callable $how): WorkCalendar
    {
        return DB::transaction(function () use ($calendar, $how): WorkCalendar {
            $locked = $calendar === null
                ? new WorkCalendar
                : WorkCalendar::query()->with('days')->lockForUpdate()->findOrFail($calendar->id);
            $how($locked);
            $locked->forceFill(['version' => ($locked->exists ? $locked->version : 0) + 1])->save();
            $this->calendars->forget();
            $this->counted->changed($locked->id, $locked->name);

            return $locked;
        });
    }

    private function refuseTooMany(WorkCalendar $calendar, int $more): void
    {
        if ($calendar->days->count() + $more > self::MOST_DAYS) {
            throw HoursNotSaved::tooManyDays(self::MOST_DAYS);
        }
    }

    /**
     * @param  list<array{string, string}>  $open
     * @return array<string, mixed>
     */
    private function row(WorkCalendar $calendar, CarbonImmutable $date, array $open, string $name, string $source): array
    {
        return [
            'calendar_id' => $calendar->id, 'date' => $date->format('Y-m-d'), 'open' => json_encode($open, JSON_THROW_ON_ERROR),
            'name' => mb_substr($name, 0, 120), 'source' => mb_substr($source, 0, 120),
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     */
    private function putDays(WorkCalendar $calendar, array $rows): void
    {
        foreach (array_chunk($rows, 500) as $some) {
            DB::table('calendar_days')->upsert($some, ['calendar_id', 'date'], ['open', 'name', 'source']);
        }
        $calendar->unsetRelation('days');
    }
}
