<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\OwnValueField;
use App\Fields\OwnField;
use Cairnfield\Core\Rules\RulesRefused;

/**
 * Which rules that are on need something that is about to go. Each gives their names.
 */
final class RulesUsing
{
    /**
     * @return list<string>
     */
    public static function template(int $template): array
    {
        return self::doing(
            static fn (array $action): bool => (
                ActionKind::tryFrom($action['do'])?->answers() ?? false
            ) && ($action['value'] ?? '') === (string) $template
        );
    }

    /**
     * @return list<string>
     */
    public static function nudgePlan(int $plan): array
    {
        return self::doing(
            static fn (array $action): bool => $action['do'] === ActionKind::Nudge->value && ($action['value'] ?? '') === (string) $plan
        );
    }

    /**
     * @return list<string>
     */
    public static function hook(int $hook): array
    {
        return self::doing(
            static fn (array $action): bool => $action['do'] === ActionKind::CallHook->value && ($action['value'] ?? '') === (string) $hook
        );
    }

    /**
     * Those that ask for a field of the store's own, or set it.
     *
     * @return list<string>
     */
    public static function field(OwnField $field): array
    {
        $key = (new OwnValueField($field))->key();
        $set = self::doing(
            static fn (array $action): bool => $action['do'] === ActionKind::SetField->value && ($action['value'] ?? '') === $field->word
        );

        return array_values(
            array_unique([...self::those(static fn (Rule $rule): bool => in_array($key, self::asked($rule), true)), ...$set])
        );
    }

    /**
     * @return list<string>
     */
    private static function asked(Rule $rule): array
    {
        try {
            return RuleFields::askedBy($rule->asks());
        } catch (RulesRefused) {
            return [];
        }
    }

    /**
     * @param  callable(array<string, string>): bool  $needs
     * @return list<string>
     */
    private static function doing(callable $needs): array
    {
        return self::those(static fn (Rule $rule): bool => array_filter($rule->actions, $needs) !== []);
    }

    /**
     * @param  callable(Rule): bool  $needs
     * @return list<string>
     */
    private static function those(callable $needs): array
    {
        return array_values(
            Rule::inOrder()->where('on', true)->get()->filter($needs)->map(static fn (Rule $rule): string => $rule->name)->all()
        );
    }
}
