<?php

declare(strict_types=1);

namespace App\Rules;

/**
 * Actions as a form sends them, in lines that can become more or fewer.
 */
final class PostedActions
{
    /**
     * @return list<array<string, string>>
     */
    public static function read(mixed $written): array
    {
        $actions = [];
        foreach ((array) $written as $one) {
            $actions[] = array_map(
                static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', is_array($one) ? $one : []
            );
        }

        /** @var list<array<string, string>> */
        return $actions;
    }

    /**
     * @param  list<array<string, string>>  $actions
     * @param  string  $do  `add-action`, or `remove-action:` with the number of its line
     * @return list<array<string, string>> one more or less; the same where it asks for something else
     */
    public static function after(array $actions, string $do): array
    {
        [$what, $index] = [...explode(':', $do, 2), ''];
        if ($what === 'add-action') {
            $actions[] = [];
        }
        if ($what === 'remove-action') {
            unset($actions[(int) $index]);
        }

        return array_values($actions);
    }

    /**
     * @param  list<array<string, string>>  $actions
     * @return list<RuleAction> those in which something is chosen
     *
     * @throws RuleRefused
     */
    public static function chosen(array $actions): array
    {
        return array_map(
            RuleAction::of(...), array_values(array_filter($actions, static fn (array $action): bool => ($action['do'] ?? '') !== ''))
        );
    }
}
