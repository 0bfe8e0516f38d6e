<?php

declare(strict_types=1);

namespace Cairnfield\Core\Input;

use Cairnfield\Core\Hours\Instant;
use DateTimeImmutable;
use stdClass;

/**
 * Reads the fields of a decoded JSON object and refuses what does not fit, naming the place.
 *
 * A field that may be left out may also be null; every reader below treats the two alike.
 */
final readonly class Fields
{
    private function __construct(private stdClass $object, private string $path) {}

    public static function of(stdClass $object, string $path = ''): self
    {
        return new self($object, $path);
    }

    public function at(string $name): string
    {
        return $this->path === '' ? $name : "{$this->path}.{$name}";
    }

    public function has(string $name): bool
    {
        return isset($this->object->{$name});
    }

    /**
     * @throws BadInput when the field is missing
     */
    public function value(string $name): mixed
    {
        return $this->object->{$name} ?? throw BadInput::missing($this->at($name));
    }

    /**
     * @throws BadInput when the field is missing or no string
     */
    public function string(string $name): string
    {
        $value = $this->value($name);

        return is_string($value) ? $value : throw BadInput::expected('a string', $this->at($name));
    }

    /**
     * @throws BadInput when the field is missing or no whole number
     */
    public function integer(string $name): int
    {
        $value = $this->value($name);

        return is_int($value) ? $value : throw BadInput::expected('a whole number', $this->at($name));
    }

    /**
     * An RFC 3339 date and time in whole seconds, with any offset.
     *
     * @throws BadInput when the field is missing or not such an instant
     */
    public function instant(string $name): DateTimeImmutable
    {
        return Instant::read($this->string($name))
            ?? throw BadInput::expected('an RFC 3339 instant in whole seconds', $this->at($name));
    }

    /**
     * @return list<string>
     *
     * @throws BadInput when the field is missing, no list, or holds anything but strings
     */
    public function strings(string $name): array
    {
        $value = $this->value($name);
        if (! is_array($value)) {
            throw BadInput::expected('a list of strings', $this->at($name));
        }
        $strings = [];
        foreach (array_values($value) as $index => $item) {
            $strings[] = is_string($item) ? $item : throw BadInput::expected('a string', $this->at("{$name}[{$index}]"));
        }

        return $strings;
    }

    /**
     * @throws BadInput when the field is missing or neither true nor false
     */
    public function boolean(string $name): bool
    {
        $value = $this->value($name);

        return is_bool($value) ? $value : throw BadInput::expected('true or false', $this->at($name));
    }

    /**
     * @throws BadInput when the field is missing or no object
     */
    public function object(string $name): stdClass
    {
        $value = $this->value($name);

        return $value instanceof stdClass ? $value : throw BadInput::expected('an object', $this->at($name));
    }

    /**
     * @return list<self>
     *
     * @throws BadInput when the field is missing, no list, or holds anything but objects
     */
    public function objects(string $name): array
    {
        $value = $this->value($name);
        if (! is_array($value)) {
            throw BadInput::expected('a list of objects', $this->at($name));
        }
        $objects = [];
        foreach (array_values($value) as $index => $item) {
            $at = $this->at("{$name}[{$index}]");
            $objects[] = $item instanceof stdClass ? new self($item, $at) : throw BadInput::expected('an object', $at);
        }

        return $objects;
    }

    /**
     * The object itself, for what is passed on as it came.
     */
    public function raw(): stdClass
    {
        return $this->object;
    }
}
