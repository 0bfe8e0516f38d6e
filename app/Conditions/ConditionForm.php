<?php

declare(strict_types=1);

namespace App\Conditions;

use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Operator;
use Cairnfield\Core\Rules\RulesRefused;

/**
 * A condition as it is written in a form: groups of which all, any or none must hold, with lines that
 * compare one field. A line that is not finished yet stays in the form and is left out of the condition.
 *
 * @phpstan-type Line array{field: string, op: string, value: list<string>}
 */
final readonly class ConditionForm
{
    private const DEEPEST = 6;

    public function __construct(private Fields $fields) {}

    /**
     * The form of a stored condition.
     *
     * @param  array<string, mixed>  $node
     * @return array<string, mixed> a group: `head` and `parts`
     */
    public function of(array $node): array
    {
        $part = $this->part($node);

        return isset($part['head']) ? $part : ['head' => 'all', 'parts' => [$part]];
    }

    /**
     * What was posted, made sound.
     *
     * @return array<string, mixed>
     */
    public function posted(mixed $form, int $depth = 1): array
    {
        $form = is_array($form) ? $form : [];
        $parts = [];
        foreach (array_values(is_array($form['parts'] ?? null) ? $form['parts'] : []) as $part) {
            $parts[] = is_array($part) && isset($part['head']) && $depth < self::DEEPEST
                ? $this->posted($part, $depth + 1)
                : $this->line($part);
        }

        return ['head' => in_array($form['head'] ?? '', ['any', 'none'], true) ? $form['head'] : 'all', 'parts' => $parts];
    }

    /**
     * Does what a button of the form says: `add`, `group` or `remove`, with the place, such as `add:0.2`.
     *
     * @param  array<string, mixed>  $group
     * @return array<string, mixed>
     */
    public function after(array $group, string $do): array
    {
        [$what, $place] = [...explode(':', $do, 2), ''];
        $path = array_map(intval(...), array_values(array_filter(explode('.', $place), ctype_digit(...))));

        return $this->change($group, $path, $what);
    }

    /**
     * The condition that the form stands for.
     *
     * @param  array<string, mixed>  $group
     * @return array<string, mixed>
     *
     * @throws RulesRefused|UnknownField
     */
    public function condition(array $group): array
    {
        $condition = $this->node($group);
        Condition::read(json_decode((string) json_encode($condition)));

        return $condition;
    }

    public function isDate(string $key): bool
    {
        $field = $this->fields->all()[$key] ?? null;

        return $field instanceof OwnValueField && $field->isDate();
    }

    /**
     * @param  array<string, mixed>  $node
     * @return array<string, mixed>
     */
    private function part(array $node): array
    {
        return match (true) {
            isset($node['all']) => ['head' => 'all', 'parts' => array_map($this->part(...), (array) $node['all'])],
            isset($node['any']) => ['head' => 'any', 'parts' => array_map($this->part(...), (array) $node['any'])],
            isset($node['not']['any']) => ['head' => 'none', 'parts' => array_map($this->part(...), (array) $node['not']['any'])],
            isset($node['not']) => ['head' => 'none', 'parts' => [$this->part((array) $node['not'])]],
            default => [
                'field' => (string) ($node['field'] ?? ''),
                'op' => (string) ($node['op'] ?? ''),
                'value' => $this->written((string) ($node['field'] ?? ''), $node['value'] ?? null),
            ],
        };
    }

    /**
     * @return list<string>
     */
    private function written(string $key, mixed $value): array
    {
        return array_values(array_map(fn (mixed $one): string => match (true) {
            is_bool($one) => $one ? 'yes' : 'no',
            is_int($one) && $this->isDate($key) => (string) preg_replace('/^(\d{4})(\d\d)(\d\d)$/', '$1-$2-$3', (string) $one),
            default => is_scalar($one) ? (string) $one : '',
        }, $value === null ? [] : (array) $value));
    }

    /**
     * @return Line
     */
    private function line(mixed $part): array
    {
        $part = is_array($part) ? $part : [];
        $key = is_string($part['field'] ?? null) ? $part['field'] : '';
        $field = $this->fields->all()[$key] ?? null;
        $operators = array_map(static fn (Operator $operator): string => $operator->value, $field?->operators() ?? []);
        $operator = is_string($part['op'] ?? null) ? $part['op'] : '';
        $values = array_values(
            array_filter(
                array_map(static fn (mixed $value): string => is_string($value) ? trim($value) : '', (array) ($part['value'] ?? [])),
                static fn (string $value): bool => $value !== ''
            )
        );

        return [
            'field' => $key, 'op' => in_array($operator, $operators, true) ? $operator : $operators[0] ?? $operator,
            'value' => $values,
        ];
    }

    /**
     * @param  array<string, mixed>  $group
     * @param  list<int>  $path
     * @return array<string, mixed>
     */
    private function change(array $group, array $path, string $what): array
    {
        $parts = array_values((array) $group['parts']);
        $first = $path[0] ?? null;
        if ($first !== null && isset($parts[$first]) && ($what !== 'remove' || count($path) > 1)) {
            $parts[$first] = isset($parts[$first]['head']) ? $this->change($parts[$first], array_slice($path, 1), $what) : $parts[$first];
        } elseif ($first !== null && $what === 'remove') {
            unset($parts[$first]);
        } elseif ($first === null && $what === 'add') {
            $parts[] = $this->line([]);
        } elseif ($first === null && $what === 'group') {
            $parts[] = ['head' => 'any', 'parts' => [$this->line([])]];
        }

        return ['head' => $group['head'], 'parts' => array_values($parts)];
    }

    /**
     * @param  array<string, mixed>  $group
     * @return array<string, mixed>
     */
    private function node(array $group): array
    {
        $nodes = [];
        foreach ((array) $group['parts'] as $part) {
            $node = isset($part['head']) ? $this->group($part) : $this->leaf($part);
            if ($node !== null) {
                $nodes[] = $node;
            }
        }

        return match ($group['head']) {
            'any' => ['any' => $nodes],
            'none' => ['not' => ['any' => $nodes]],
            default => ['all' => $nodes],
        };
    }

    /**
     * A group within another.
     *
     * @param  array<string, mixed>  $group
     * @return array<string, mixed>
     *
     * @throws RulesRefused where nothing is asked in it: of nothing nothing holds, and nobody would see why
     */
    private function group(array $group): array
    {
        $node = $this->node($group);
        $parts = $node['all'] ?? $node['any'] ?? $node['not']['any'];

        return $parts !== []
            ? $node
            : throw RulesRefused::badCondition('A group of the condition is empty. Ask something in it, or take it away.', 'condition');
    }

    /**
     * @param  Line  $line
     * @return array<string, mixed>|null null where it was not begun
     *
     * @throws RulesRefused|UnknownField where it is not finished: left out, a condition would hold for more than was meant
     */
    private function leaf(array $line): ?array
    {
        if ($line['field'] === '') {
            return $line['value'] === []
                ? null
                : throw RulesRefused::badCondition('Choose what a line of the condition asks for, or take it away.', 'condition');
        }
        $field = $this->fields->get($line['field']);
        $operator = Operator::tryFrom($line['op']) ?? throw $this->unfinished($field);
        if (! $operator->needsValue()) {
            return ['field' => $line['field'], 'op' => $operator->value];
        }
        $value = $this->value($field, $operator, $line['value']) ?? throw $this->unfinished($field);

        return ['field' => $line['field'], 'op' => $operator->value, 'value' => $value];
    }

    private function unfinished(Field $field): RulesRefused
    {
        return RulesRefused::badCondition("Say what “{$field->label()}” is to be, or take its line away.", 'condition');
    }

    /**
     * @param  list<string>  $written
     * @return string|int|float|bool|list<string>|null null where nothing was written that it takes
     */
    private function value(Field $field, Operator $operator, array $written): string|int|float|bool|array|null
    {
        if ($written === []) {
            return null;
        }
        // Also what only rules can ask, such as whether a file came along.
        $isYesNo = $operator === Operator::Is && array_map(strval(...), array_keys($field->choices())) === ['yes', 'no'];
        $isNumber = in_array(Operator::MoreThan, $field->operators(), true);

        return match (true) {
            $isYesNo => $written[0] === 'yes',
            $isNumber => $this->number(
                $this->isDate($field->key()) ? str_replace('-', '', $written[0]) : str_replace(',', '.', $written[0])
            ),
            $field->choices() !== [] => $written,
            $operator->takes($written) => array_values(
                array_filter(array_map(trim(...), explode(',', implode(',', $written))), static fn (string $word): bool => $word !== '')
            ) ?: null,
            default => $written[0],
        };
    }

    private function number(string $written): int|float|null
    {
        return is_numeric($written) ? 0 + $written : null;
    }
}
