<?php

declare(strict_types=1);

namespace App\Fields;

use App\Support\Refused;

/**
 * What does not fit into a field of the store's own, said to the person who wrote it.
 */
final class FieldRefused extends Refused
{
    public static function tooLong(string $field, int $longest): self
    {
        return new self('too_long', "“{$field}” takes at most {$longest} characters.");
    }

    public static function noNumber(string $field, string $written): self
    {
        return new self('no_number', "“{$field}” takes a number such as 12 or 12.5, not “{$written}”.");
    }

    public static function noDate(string $field, string $written): self
    {
        return new self('no_date', "“{$field}” takes a date such as 2026-11-30, not “{$written}”.");
    }

    /**
     * @param  list<string>  $choices
     */
    public static function noChoice(string $field, string $written, array $choices): self
    {
        return new self('no_choice', "“{$field}” takes one of ".implode(', ', $choices).", not “{$written}”.");
    }

    public static function retired(string $field): self
    {
        return new self('retired', "“{$field}” is retired: what was written stays to be read, and nothing new is written.");
    }
}
