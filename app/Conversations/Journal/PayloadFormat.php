<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

use BackedEnum;
use Carbon\CarbonImmutable;
use ReflectionClass;
use ReflectionNamedType;
use UnexpectedValueException;

/**
 * How a payload is stored: what its constructor takes, by name. Times are ISO 8601 in UTC, cases of enums their value, what is
 * named `{"id", "name"}`; lists are of texts or of what is named. What is nothing, no, or empty is left out.
 */
final class PayloadFormat
{
    /** @var array<class-string<Payload>, list<array{string, string, bool}>> name, type, whether it may be nothing */
    private static array $shapes = [];

    /**
     * @return array<string, mixed>
     */
    public static function write(Payload $payload): array
    {
        $data = [];
        foreach (get_object_vars($payload) as $name => $value) {
            $written = self::plain($value);
            if ($written !== null && $written !== [] && $written !== '' && $written !== false) {
                $data[$name] = $written;
            }
        }

        return $data;
    }

    /**
     * @template T of Payload
     *
     * @param  class-string<T>  $class
     * @param  array<string, mixed>  $data
     * @return T
     *
     * @throws UnexpectedValueException when something is missing that it cannot be without
     */
    public static function read(string $class, array $data): Payload
    {
        $values = [];
        foreach (self::shape($class) as [$name, $type, $mayBeNothing]) {
            $written = $data[$name] ?? null;
            $values[$name] = match (true) {
                $written === null && $mayBeNothing => null,
                $type === 'array' => array_map(
                    static fn (mixed $one): mixed => is_array($one) ? self::named($one) : $one, (array) $written
                ),
                $type === 'bool' => (bool) $written,
                $type === 'int' => (int) $written,
                $type === 'string' => (string) $written,
                $type === Named::class => self::named((array) $written),
                $type === CarbonImmutable::class => CarbonImmutable::parse((string) ($written ?? self::missing($class, $name))),
                default => self::enum($class, $type, $name, $written),
            };
        }

        return new $class(...$values);
    }

    private static function plain(mixed $value): mixed
    {
        return match (true) {
            $value instanceof BackedEnum => $value->value,
            $value instanceof CarbonImmutable => $value->toIso8601ZuluString(),
            $value instanceof Named => $value->id === null ? ['name' => $value->name] : ['id' => $value->id, 'name' => $value->name],
            is_array($value) => array_map(self::plain(...), $value),
            default => $value,
        };
    }

    /**
     * @param  array<mixed>  $written
     */
    private static function named(array $written): Named
    {
        return new Named(isset($written['id']) ? (int) $written['id'] : null, (string) ($written['name'] ?? ''));
    }

    /**
     * @param  class-string  $class
     */
    private static function enum(string $class, string $type, string $name, mixed $written): BackedEnum
    {
        $case = is_a($type, BackedEnum::class, true) && (is_string($written) || is_int($written)) ? $type::tryFrom($written) : null;

        return $case ?? self::missing($class, $name);
    }

    /**
     * @param  class-string  $class
     */
    private static function missing(string $class, string $name): never
    {
        throw new UnexpectedValueException("An entry of the journal cannot be read: “{$name}” of {$class} is missing or unknown.");
    }

    /**
     * @param  class-string<Payload>  $class
     * @return list<array{string, string, bool}>
     */
    private static function shape(string $class): array
    {
        if (! isset(self::$shapes[$class])) {
            self::$shapes[$class] = [];
            foreach ((new ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
                $type = $parameter->getType();
                assert($type instanceof ReflectionNamedType);
                self::$shapes[$class][] = [$parameter->getName(), $type->getName(), $type->allowsNull()];
            }
        }

        return self::$shapes[$class];
    }
}
