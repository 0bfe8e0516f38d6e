<?php

declare(strict_types=1);

namespace App\Conditions;

/**
 * What can be asked somewhere, by key.
 */
interface Fields
{
    /**
     * @throws UnknownField
     */
    public function get(string $key): Field;

    /**
     * @return array<string, Field> by their keys
     */
    public function all(): array;
}
