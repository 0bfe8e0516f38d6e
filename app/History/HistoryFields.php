<?php

declare(strict_types=1);

namespace App\History;

use Carbon\CarbonImmutable;
use Throwable;

/**
 * Reads the values of a conversation in a file, and says what does not fit.
 */
final readonly class HistoryFields
{
    /**
     * @param  array<array-key, mixed>  $values
     */
    private function __construct(private array $values) {}

    /**
     * @param  array<array-key, mixed>  $values
     */
    public static function of(array $values): self
    {
        return new self($values);
    }

    public function text(string $name, bool $needed = true): string
    {
        $value = $this->values[$name] ?? '';
        $value = is_int($value) ? (string) $value : $value;
        if (! is_string($value) || ($needed && trim($value) === '')) {
            throw HistoryRefused::item("Its “{$name}” is missing or is no text.");
        }

        return mb_scrub($value, 'UTF-8');
    }

    public function optional(string $name): string
    {
        $value = $this->values[$name] ?? '';

        return is_string($value) || is_int($value) ? trim(mb_scrub((string) $value, 'UTF-8')) : '';
    }

    public function object(string $name): self
    {
        $value = $this->values[$name] ?? [];

        return is_array($value) ? new self($value) : throw HistoryRefused::item("Its “{$name}” is no object.");
    }

    /**
     * @return list<array<array-key, mixed>>
     */
    public function objects(string $name): array
    {
        $value = $this->values[$name] ?? [];
        if (! is_array($value) || ! array_is_list($value)) {
            throw HistoryRefused::item("Its “{$name}” is no list.");
        }

        return array_map(
            static fn (mixed $one): array => is_array($one)
                ? $one
                : throw HistoryRefused::item("Its “{$name}” holds something that is no object."),
            $value
        );
    }

    /**
     * A time with its zone (RFC 3339), or a date and time without one, which is taken as UTC.
     */
    public function instant(string $name): CarbonImmutable
    {
        $written = $this->text($name);
        if (preg_match('/^\d{4}-\d\d-\d\d[T ]\d\d:\d\d(?::\d\d(?:\.\d+)?)?(?:Z|[+-]\d\d:?\d\d)?$/D', $written) === 1) {
            try {
                $at = CarbonImmutable::parse($written, 'UTC')->utc();
                if ($at->year >= 1990 && ! $at->isFuture()) {
                    return $at;
                }
            } catch (Throwable) {
                // Falls through to the refusal.
            }
        }
        throw HistoryRefused::item("Its “{$name}” is “{$written}”. It must be a time that has passed, like 2024-03-29T07:30:00Z.");
    }
}
