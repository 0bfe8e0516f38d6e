<?php

declare(strict_types=1);

namespace App\Promises;

use App\Hours\WorkCalendar;
use Cairnfield\Core\Promises\PromiseKind;
use Cairnfield\Core\Promises\Status;
use Cairnfield\Core\Queue\Priority;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * A promise set as it leaves its form, checked.
 */
final readonly class PromiseSetToSave
{
    /** Hours of one promise: two years of clock time. */
    private const MOST_MINUTES = 2 * 366 * 24 * 60;

    /**
     * @param  array<string, mixed>  $condition
     * @param  list<array{kind: string, seconds: array<string, int>, calendar: int|null, warn_before: int, runs_in: list<string>}>  $targets
     */
    public function __construct(public string $name, public array $condition, public array $targets) {}

    /**
     * @param  array<string, mixed>  $condition  as its form stands for it
     *
     * @throws ValidationException
     */
    public static function of(Request $request, array $condition): self
    {
        $kinds = array_column(PromiseKind::cases(), 'value');
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'targets' => ['array:'.implode(',', $kinds)],
            'targets.*.seconds' => ['array:'.implode(',', array_column(Priority::cases(), 'value'))],
            'targets.*.seconds.*' => ['nullable', 'string', 'max:40'],
            'targets.*.calendar' => ['nullable', Rule::in(WorkCalendar::query()->pluck('id')->all())],
            'targets.*.warn_before' => ['nullable', 'string', 'max:40'],
            'targets.*.runs_in' => ['array'],
            'targets.*.runs_in.*' => [Rule::in([Status::Open->value, Status::Waiting->value, Status::Held->value])],
        ], ['targets.*.calendar.in' => 'Those hours are not there any more. Choose others.']);
        $targets = [];
        foreach ($kinds as $kind) {
            $target = self::target($kind, (array) ($given['targets'][$kind] ?? []));
            $target === null ?: $targets[] = $target;
        }
        if ($targets === []) {
            throw ValidationException::withMessages([
                'targets.first_reply.seconds.normal' => 'Promise at least one thing, or switch the set off: what none fits is promised '
                    .'nothing.',
            ]);
        }

        return new self(trim((string) preg_replace('/\s+/u', ' ', $given['name'])), $condition, $targets);
    }

    /**
     * Such as `45 min`, `4 h`, `1 h 30`, `2 d`: a number alone is hours.
     *
     * @return int|null minutes; null where it cannot be read
     */
    public static function minutes(string $written): ?int
    {
        $written = mb_strtolower(trim(str_replace(',', '.', $written)));
        $unit = ['' => 60, 'h' => 60, 'm' => 1, 'd' => 24 * 60];
        if (preg_match('/^(\d{1,6}(?:\.\d{1,2})?)\s*(h|hours?|m|min|minutes?|d|days?)?$/', $written, $part) === 1) {
            return (int) round((float) $part[1] * $unit[substr($part[2] ?? '', 0, 1)]);
        }

        return preg_match('/^(\d{1,5})\s*(?:h|:)\s*([0-5]?\d)\s*(?:m|min)?$/', $written, $part) === 1
            ? (int) $part[1] * 60 + (int) $part[2]
            : null;
    }

    /**
     * As `minutes` reads it.
     */
    public static function written(?int $seconds): string
    {
        $minutes = $seconds === null ? 0 : intdiv($seconds, 60);

        return match (true) {
            $seconds === null => '',
            $minutes < 60 => "{$minutes} min",
            $minutes % 60 === 0 => intdiv($minutes, 60).' h',
            default => intdiv($minutes, 60).' h '.sprintf('%02d', $minutes % 60),
        };
    }

    /**
     * @param  array<string, mixed>  $given
     * @return array{kind: string, seconds: array<string, int>, calendar: int|null, warn_before: int, runs_in: list<string>}|null
     *
     * @throws ValidationException
     */
    private static function target(string $kind, array $given): ?array
    {
        $seconds = [];
        foreach (Priority::cases() as $priority) {
            $written = trim((string) ($given['seconds'][$priority->value] ?? ''));
            if ($written !== '') {
                $seconds[$priority->value] = self::read($written, "targets.{$kind}.seconds.{$priority->value}", 1);
            }
        }
        if ($seconds === []) {
            return null;
        }
        $warn = trim((string) ($given['warn_before'] ?? ''));
        $before = $warn === '' ? 0 : self::read($warn, "targets.{$kind}.warn_before", 0);
        if ($before > 0 && $before >= min($seconds)) {
            throw ValidationException::withMessages(["targets.{$kind}.warn_before" => 'The warning would come before the time has begun: '
                .'it is as long as the shortest promise, '.self::written(min($seconds)).', or longer.']);
        }
        $runsIn = array_values(array_unique((array) ($given['runs_in'] ?? [])));
        if ($kind === PromiseKind::Resolve->value && $runsIn === []) {
            throw ValidationException::withMessages([
                "targets.{$kind}.runs_in" => 'Say when its clock runs: with nothing chosen it would never fall due.',
            ]);
        }

        return [
            'kind' => $kind, 'seconds' => $seconds, 'calendar' => isset($given['calendar']) ? (int) $given['calendar'] : null,
            'warn_before' => $before, 'runs_in' => $kind === PromiseKind::Resolve->value ? $runsIn : [],
        ];
    }

    private static function read(string $written, string $field, int $least): int
    {
        $minutes = self::minutes($written);
        if ($minutes === null || $minutes < $least || $minutes > self::MOST_MINUTES) {
            $shown = mb_strimwidth($written, 0, 20, '…');
            throw ValidationException::withMessages([$field => "Write “{$shown}” as 45 min, 4 h, 1 h 30 or 2 d."]);
        }

        return $minutes * 60;
    }
}
