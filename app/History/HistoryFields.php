<?php

declare(strict_types=1);

namespace App\History;

use App\Channels\Channel;
use Carbon\CarbonImmutable;

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
     * The channel that is named; null where none is.
     *
     * @throws HistoryRefused where it is none
     */
    public function channel(): ?Channel
    {
        $written = $this->optional('channel');

        return $written === '' ? null : Channel::tryFrom(mb_strtolower($written)) ?? throw HistoryRefused::item(
            "Its “channel” is “{$written}”. There are: ".implode(', ', array_column(Channel::cases(), 'value')).'.'
        );
    }

    /**
     * An address of the customer, where one is named: with an @ in it, it must be one that mail can be sent to.
     *
     * @throws HistoryRefused where it is none
     */
    public function address(string $name): string
    {
        $written = $this->optional($name);
        if (str_contains(substr($written, 1), '@') && filter_var($written, FILTER_VALIDATE_EMAIL, FILTER_FLAG_EMAIL_UNICODE) === false) {
            throw HistoryRefused::item("Its “{$name}” is “{$written}”, which is no address that mail can be sent to.");
        }

        return $written;
    }

    /**
     * As `WrittenTime` reads it.
     *
     * @throws HistoryRefused where it is none, or has not passed
     */
    public function instant(string $name): CarbonImmutable
    {
        $written = $this->text($name);
        $at = WrittenTime::read($written);
        if ($at !== null && $at->year >= 1990 && ! $at->isFuture()) {
            return $at;
        }
        throw HistoryRefused::item(
            "Its “{$name}” is “{$written}”. It must be a time that has passed, like 2024-03-29T07:30:00Z or 29.03.2024 07:30."
        );
    }
}
