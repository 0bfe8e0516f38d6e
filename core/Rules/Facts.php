<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Text\Folding;
use stdClass;

/**
 * What is known, by field: a string, a number, a bool, null, or a list of strings. Each is folded
 * once, however many conditions ask for it.
 */
final class Facts
{
    /** @var array<string, string> */
    private array $folded = [];

    /** @var array<string, list<string>> */
    private array $foldedItems = [];

    /**
     * @param  array<string, string|int|float|bool|list<string>|null>  $values
     */
    private function __construct(private readonly array $values) {}

    /**
     * @param  array<string, string|int|float|bool|list<string>|null>  $values
     */
    public static function of(array $values): self
    {
        return new self($values);
    }

    /**
     * @throws BadInput when a value is of another type
     */
    public static function read(stdClass $object, string $at = 'facts'): self
    {
        $values = [];
        foreach (get_object_vars($object) as $field => $value) {
            if (is_array($value)) {
                foreach (array_values($value) as $index => $item) {
                    is_string($item) || throw BadInput::expected('a string', "{$at}.{$field}[{$index}]");
                }
                $value = array_values($value);
            } elseif ($value !== null && ! is_scalar($value)) {
                throw BadInput::expected('a string, a number, true or false, null, or a list of strings', "{$at}.{$field}");
            }
            $values[(string) $field] = $value;
        }

        return new self($values);
    }

    /**
     * @return string|int|float|bool|list<string>|null null where it is missing
     */
    public function value(string $field): string|int|float|bool|array|null
    {
        return $this->values[$field] ?? null;
    }

    /**
     * A string fact as Folding leaves it; empty for any other.
     */
    public function folded(string $field): string
    {
        if (isset($this->folded[$field])) {
            return $this->folded[$field];
        }
        $value = $this->values[$field] ?? null;

        return $this->folded[$field] = is_string($value) ? Folding::fold($value) : '';
    }

    /**
     * The items of a list fact as Folding leaves them; none for any other.
     *
     * @return list<string>
     */
    public function foldedItems(string $field): array
    {
        if (isset($this->foldedItems[$field])) {
            return $this->foldedItems[$field];
        }
        $value = $this->values[$field] ?? null;

        return $this->foldedItems[$field] = is_array($value) ? array_map(Folding::fold(...), $value) : [];
    }
}
