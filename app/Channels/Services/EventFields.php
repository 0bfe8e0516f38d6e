<?php

declare(strict_types=1);

namespace App\Channels\Services;

use Carbon\CarbonImmutable;
use Throwable;

/**
 * Reads the fields of an event and refuses what does not fit, naming the place.
 */
final readonly class EventFields
{
    /**
     * @param  array<array-key, mixed>  $values
     */
    private function __construct(private array $values, private string $path) {}

    /**
     * @param  array<array-key, mixed>  $event
     */
    public static function of(array $event): self
    {
        return new self($event, '');
    }

    public function has(string $name): bool
    {
        return isset($this->values[$name]);
    }

    public function object(string $name): self
    {
        $value = $this->values[$name] ?? null;

        return is_array($value) ? new self($value, $this->at($name)) : throw UnreadableEvent::field($this->at($name), 'an object');
    }

    /**
     * @return list<self>
     */
    public function objects(string $name): array
    {
        $value = $this->values[$name] ?? null;
        if (! is_array($value) || ! array_is_list($value)) {
            throw UnreadableEvent::field($this->at($name), 'a list');
        }
        $objects = [];
        foreach ($value as $index => $one) {
            $objects[] = is_array($one)
                ? new self($one, $this->at("{$name}[{$index}]"))
                : throw UnreadableEvent::field($this->at("{$name}[{$index}]"), 'an object');
        }

        return $objects;
    }

    public function text(string $name, int $longest = 1_000_000): string
    {
        $value = $this->values[$name] ?? null;
        if (! is_string($value)) {
            throw UnreadableEvent::field($this->at($name), 'a text');
        }

        return mb_substr(str_replace(["\r\n", "\r", "\0"], ["\n", "\n", ''], mb_scrub($value, 'UTF-8')), 0, $longest);
    }

    public function optionalText(string $name, int $longest = 1_000_000): ?string
    {
        return $this->has($name) ? $this->text($name, $longest) : null;
    }

    /**
     * @return list<string>
     */
    public function texts(string $name): array
    {
        $value = $this->values[$name] ?? null;
        if (! is_array($value) || array_filter($value, is_string(...)) !== $value) {
            throw UnreadableEvent::field($this->at($name), 'a list of texts');
        }

        return array_map(static fn (string $text): string => mb_scrub($text, 'UTF-8'), array_values($value));
    }

    /**
     * An id of the source: letters, digits and common signs, never cut.
     */
    public function id(string $name): string
    {
        $value = $this->values[$name] ?? null;
        $value = is_int($value) ? (string) $value : $value;

        return is_string($value) && preg_match('/^[\x21-\x7e]{1,160}$/D', $value) === 1
            ? $value
            : throw UnreadableEvent::field($this->at($name), 'an id of 1 to 160 signs');
    }

    public function optionalId(string $name): ?string
    {
        return $this->has($name) ? $this->id($name) : null;
    }

    public function integer(string $name, int $least = PHP_INT_MIN, int $most = PHP_INT_MAX): int
    {
        $value = $this->values[$name] ?? null;

        return is_int($value) && $value >= $least && $value <= $most
            ? $value
            : throw UnreadableEvent::field(
                $this->at($name), $least === PHP_INT_MIN ? 'a whole number' : "a whole number from {$least} to {$most}"
            );
    }

    /**
     * A share as a decimal, such as a rate of tax: 0.25.
     */
    public function share(string $name): string
    {
        $value = $this->text($name, 20);

        return preg_match('/^\d{1,3}(?:\.\d{1,12})?$/D', $value) === 1
            ? $value
            : throw UnreadableEvent::field($this->at($name), 'a share as a decimal, like 0.25');
    }

    public function boolean(string $name): bool
    {
        $value = $this->values[$name] ?? null;

        return is_bool($value) ? $value : throw UnreadableEvent::field($this->at($name), 'true or false');
    }

    public function instant(string $name): CarbonImmutable
    {
        $value = $this->values[$name] ?? null;
        if (is_string($value) && preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?(?:Z|[+-]\d\d:\d\d)$/D', $value) === 1) {
            try {
                return CarbonImmutable::parse($value)->utc();
            } catch (Throwable) {
                // Falls through to the refusal.
            }
        }
        throw UnreadableEvent::field($this->at($name), 'an RFC 3339 instant');
    }

    public function optionalInstant(string $name): ?CarbonImmutable
    {
        return $this->has($name) ? $this->instant($name) : null;
    }

    private function at(string $name): string
    {
        return $this->path === '' ? $name : "{$this->path}.{$name}";
    }
}
