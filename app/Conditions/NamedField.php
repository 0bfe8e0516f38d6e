<?php

declare(strict_types=1);

namespace App\Conditions;

/**
 * A field whose key and label it is given.
 */
trait NamedField
{
    public function key(): string
    {
        return $this->key;
    }

    public function label(): string
    {
        return $this->label;
    }
}
