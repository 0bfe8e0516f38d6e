<?php

declare(strict_types=1);

use App\Conditions\ConditionForm;
use App\Conditions\ConversationFields;
use App\Sorting\Category;
use Cairnfield\Core\Rules\RulesRefused;

beforeEach(function (): void {
    $this->form = new ConditionForm(app(ConversationFields::class));
});

/**
 * @param  array<mixed>  ...$parts
 * @return array<string, mixed>
 */
function group(string $head, array ...$parts): array
{
    return ['head' => $head, 'parts' => $parts];
}

/**
 * @return array<string, mixed>
 */
function line(string $field = '', string $op = '', string ...$value): array
{
    return ['field' => $field, 'op' => $op, 'value' => array_values($value)];
}

it('shows a stored condition and makes the same of it again', function (array $condition): void {
    expect($this->form->condition($this->form->posted($this->form->of($condition))))->toEqual($condition);
})->with([
    'nothing asked' => [['all' => []]],
    'one line' => [['all' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => ['reel', 'größer']]]]],
    'any' => [['any' => [['field' => 'state', 'op' => 'in', 'value' => ['open']], ['field' => 'owner', 'op' => 'is_empty']]]],
    'none' => [['not' => ['any' => [['field' => 'public', 'op' => 'is', 'value' => false]]]]],
    'groups in groups' => [
        [
            'all' => [
                [
                    'any' => [
                        ['not' => ['any' => [['field' => 'stars', 'op' => 'at_most', 'value' => 2]]]],
                        ['field' => 'language', 'op' => 'in', 'value' => ['lv']],
                    ],
                ],
            ],
        ],
    ],
]);

it('reads a line that stands alone as a group of one', function (): void {
    expect($this->form->of(['field' => 'owner', 'op' => 'is_empty']))->toBe(group('all', line('owner', 'is_empty')));
});

it('adds and takes away lines and groups at their place, and nothing elsewhere', function (string $do, array $after): void {
    $group = group('all', line('subject', 'has_any_word', 'reel'), group('any', line('state', 'in', 'open'), line('owner', 'is_empty')));
    expect($this->form->after($group, $do))->toBe($after);
})->with([
    'a line at the end' => [
        'add:',
        group('all', line('subject', 'has_any_word', 'reel'), group('any', line('state', 'in', 'open'), line('owner', 'is_empty')), line()),
    ],
    'a line in a group' => [
        'add:1',
        group('all', line('subject', 'has_any_word', 'reel'), group('any', line('state', 'in', 'open'), line('owner', 'is_empty'), line())),
    ],
    'a group' => [
        'group:',
        group(
            'all', line('subject', 'has_any_word', 'reel'), group('any', line('state', 'in', 'open'), line('owner', 'is_empty')),
            group('any', line())
        ),
    ],
    'the first line goes' => ['remove:0', group('all', group('any', line('state', 'in', 'open'), line('owner', 'is_empty')))],
    'one of a group goes' => ['remove:1.0', group('all', line('subject', 'has_any_word', 'reel'), group('any', line('owner', 'is_empty')))],
    'a whole group goes' => ['remove:1', group('all', line('subject', 'has_any_word', 'reel'))],
    'a place that is not there' => [
        'remove:9',
        group('all', line('subject', 'has_any_word', 'reel'), group('any', line('state', 'in', 'open'), line('owner', 'is_empty'))),
    ],
    'inside of a line' => [
        'add:0.3',
        group('all', line('subject', 'has_any_word', 'reel'), group('any', line('state', 'in', 'open'), line('owner', 'is_empty'))),
    ],
    'nothing that a button says' => [
        'explode',
        group('all', line('subject', 'has_any_word', 'reel'), group('any', line('state', 'in', 'open'), line('owner', 'is_empty'))),
    ],
]);

it('makes something sound of whatever is posted', function (mixed $posted): void {
    $group = $this->form->posted($posted);
    expect($group['head'])->toBeIn(['all', 'any', 'none'])->and($group['parts'])->toBeArray();
    $this->form->after($group, 'add:0.0.0.0');
    try {
        expect($this->form->of($this->form->condition($group)))->toHaveKeys(['head', 'parts']);
    } catch (RulesRefused $why) {
        expect($why->at())->toStartWith('condition');
    }
})->with([
    'nothing' => [null],
    'a word' => ['all'],
    'a number' => [7],
    'another head' => [['head' => 'xor', 'parts' => []]],
    'parts that are none' => [['head' => 'any', 'parts' => 'x']],
    'a line that is a word' => [['head' => 'any', 'parts' => ['x', 7, null]]],
    'values in values' => [
        ['head' => 'all', 'parts' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => [['x' => ['y']], 'reel']]]],
    ],
    'a field that is a list' => [['head' => 'all', 'parts' => [['field' => ['subject'], 'op' => 'is', 'value' => 'x']]]],
    'an operator that the field does not have' => [
        ['head' => 'all', 'parts' => [['field' => 'owner', 'op' => 'more_than', 'value' => '3']]],
    ],
]);

it('goes no deeper than it can be shown, however deep what is posted is', function (): void {
    $posted = ['field' => 'owner', 'op' => 'is_empty'];
    foreach (range(1, 200) as $depth) {
        $posted = ['head' => 'all', 'parts' => [$posted]];
    }
    $deep = static function (array $group) use (&$deep): int {
        return 1 + max([
            0, ...array_map($deep, array_filter($group['parts'] ?? [], static fn (array $part): bool => isset($part['head']))),
        ]);
    };
    expect($deep($this->form->posted($posted)))->toBeLessThanOrEqual(6);
});

it('leaves a line out that nobody began', function (): void {
    expect($this->form->condition(group('all', line(), line('owner', 'is_empty'), line())))
        ->toEqual(['all' => [['field' => 'owner', 'op' => 'is_empty']]])
        ->and(
            fn () => $this->form->condition(group('all', line('owner', 'is_empty'), group('any', line())))
        )->toThrow(RulesRefused::class, 'A group of the condition is empty');
});

it('refuses a line that is not finished, by name: left out, it would hold for more than was meant', function (
    array $line, string $says
): void {
    expect(fn () => $this->form->condition(group('all', $line)))->toThrow(RulesRefused::class, $says)
        ->and(
            fn () => $this->form->condition(group('all', line('owner', 'is_empty'), group('any', $line)))
        )->toThrow(RulesRefused::class, $says);
})->with([
    'no words' => [line('subject', 'has_any_word'), 'Subject'],
    'only commas' => [line('subject', 'has_any_word', ' , ,'), 'Subject'],
    'no choice' => [line('state', 'in'), 'State'],
    'a word for a number' => [line('stars', 'at_most', 'three'), 'tars'],
    'a value without a field' => [line('', '', 'reel'), 'Choose what a line of the condition asks for'],
]);

it('names a category by its number, whatever it is called', function (): void {
    $id = (string) Category::query()->where('name', 'Late parcel')->sole()->id;
    expect($this->form->condition($this->form->posted(group('any', line('category', 'in', $id)))))
        ->toEqual(['any' => [['field' => 'category', 'op' => 'in', 'value' => [$id]]]]);
});
