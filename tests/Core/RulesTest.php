<?php

declare(strict_types=1);

use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Cairnfield\Core\Rules\Plan;
use Cairnfield\Core\Rules\Rule;
use Cairnfield\Core\Rules\RulesRefused;
use Cairnfield\Core\Rules\Way;
use Cairnfield\Core\Text\FoldedPhrase;
use Cairnfield\Core\Text\Folding;

function condition(mixed $condition): Condition
{
    return Condition::read(json_decode((string) json_encode($condition)));
}

function holds(string $op, mixed $value, mixed $fact): bool
{
    return condition(['field' => 'fact', 'op' => $op, 'value' => $value])->matches(Facts::of(['fact' => $fact]));
}

it('takes for equal what people take for equal', function (string $one, string $other): void {
    expect(Folding::fold($one))->toBe(Folding::fold($other));
})->with([
    'accents' => ['Crème brûlée', 'CREME BRULEE'],
    'sharp s' => ['Straße', 'STRASSE'],
    'a ligature' => ['ﬁnish', 'finish'],
    'full width' => ['Ｂ－２１２３', 'B-2123'],
    'a dotted capital' => ['İzmir', 'izmir'],
    'Greek' => ['ΟΔΌΣ', 'οδος'],
    'Cyrillic' => ['Ёлка', 'елка'],
    'white space of any kind' => ["a\u{00A0}\t\u{2003}b\n", 'a b'],
    'half width kana' => ['ｶﾞｲﾄﾞ', 'ガイド'],
]);

it('keeps marks that make another letter', function (): void {
    expect(Folding::fold('ガ'))->toBe('ガ')->not->toBe(Folding::fold('カ'))
        ->and(Folding::fold('כֹּל'))->not->toBe(Folding::fold('כל'));
});

it('finds a phrase only where it stands by itself', function (string $phrase, string $text, bool $found): void {
    expect(FoldedPhrase::of($phrase)->isIn(Folding::fold($text)))->toBe($found);
    $pattern = FoldedPhrase::of($phrase)->pattern();
    expect($pattern !== null && preg_match("\x01{$pattern}\x01u", Folding::fold($text)) === 1)->toBe($found);
})->with([
    ['fun', 'a refund', false], ['fun', 'fun, fun', true], ['fun', 'refund is no fun', true],
    ['late parcel', "a LATE\n parcel!", true], ['c++', 'c++17', false], ['c++', 'in c++, yes', true],
    ['b-2', 'order b-2', true], ['b-2', 'order b-21', false], ['', 'anything', false], ["\u{00A0}", 'a b', false],
    ['返品', '商品を返品したい', true], ['ไม่', 'ฉันไม่รู้', true], ['サーバー', 'このサーバーは', true],
    ['fun', 'жfun', false], ['fun', 'ⴰfun', false], ['fun', '𐐨fun', false], ['fun', '©fun', true], ['fun', '—fun', true],
    ['fun', '😀fun', true],
    ['fun', 'funж', false], ['fun', 'funⴰ', false], ['fun', 'fun𐐨', false], ['fun', 'fun©', true], ['fun', 'fun—', true],
    ['fun', 'fun😀', true],
    ['fun', "क\u{93F}fun", false], ['fun', "क\u{93F}\u{902}fun", false], ['fun', "-\u{93F}fun", true], ['fun', "fun\u{93F}", true],
    ['fun', "\u{93F}fun", true], ['क', '-क', true], ['f', 'of f', true], ['-', 'a - b', true], ['!', 'no!', false], ['!', 'no !', true],
    ['क', 'का', false], ['5', '15', false], ['50 €', 'costs 50 €.', true], ['über', 'uber', true],
]);

it('compares as its operator says', function (string $op, mixed $value, mixed $fact, bool $holds): void {
    expect(holds($op, $value, $fact))->toBe($holds);
})->with([
    ['is', 1, 1.0, true], ['is', '1', 1, false], ['is', true, 1, false], ['is', null, null, true], ['is', false, null, false],
    ['is_not', 'a', null, true], ['in', ['a', 2], 2, true], ['in', ['É'], 'e', true], [
        'not_in', ['a'], 'b', true,
    ], ['not_in', [], 'b', true],
    ['more_than', 3, '4', false], ['more_than', 3, 3.5, true], ['at_least', 3, 3, true], [
        'less_than', 3, null, false,
    ], ['at_most', 3, 4, false],
    ['more_than', 3, 3, false], ['at_least', 3, 2.9, false], ['less_than', 3, 3, false], ['less_than', 3, 2, true], ['at_most', 3, 3, true],
    [
        'starts_with', 'Re', 're: parcel', true,
    ], ['starts_with', ' ', 'x', false], ['ends_with', 'EL', 'parcel', true], ['ends_with', 'x', 5, false],
    ['has_any_word', [], 'x', false], ['has_all_words', [], 'x', false], [
        'has_all_words', ['x', 'y'], ['x', 'y'], false,
    ], ['has_all_words', ['x', 'y'], ['y x'], true],
    ['has_no_word', ['x'], 7, true], ['has_no_word', ['x'], ['a', 'x b'], false],
    ['includes', ['VIP'], ['vip'], true], ['includes', ['vip'], 'vip', false], ['includes_none', ['vip'], 'vip', true], [
        'includes_none', ['a'], ['b', 'A'], false,
    ],
    ['has_any_word', ['x', 'y'], 'a Y b', true], ['has_any_word', ['x'], 'xy', false], ['has_any_word', ['x', 'y'], ['a', 'b y'], true],
    ['is_not', 2, 2.0, false], ['is_not', true, true, false], ['is_not', 'É', 'e', false], ['not_in', ['a', 2], 2, false],
    ['is', 'B', ['a', 'b'], true], ['is_not', 'B', ['a', 'b'], false], ['in', ['c', 'B'], ['b'], true], [
        'not_in', ['c', 'B'], ['b'], false,
    ],
    ['ends_with', ' ', 'x', false], ['ends_with', 'par', 'parcel', false], ['starts_with', 'cel', 'parcel', false],
    ['is_empty', null, " \n", true], ['is_empty', null, 'x', false], ['is_empty', null, null, true], ['is_not_empty', null, ' ', false],
    ['is_empty', null, [], true], ['is_empty', null, 0, false], [
        'is_not_empty', null, false, true,
    ], ['is', 'x', [], false], ['is_not', 'x', [], true],
]);

it('says each true leaf that counts, in reading order, and none below a not', function (): void {
    $condition = condition(['all' => [
        [
            'any' => [
                ['field' => 'a', 'op' => 'is', 'value' => 1], ['field' => 'b', 'op' => 'is', 'value' => 9],
                ['field' => 'c', 'op' => 'is', 'value' => 3],
            ],
        ],
        ['not' => ['any' => [['field' => 'b', 'op' => 'is', 'value' => 7]]]],
        ['field' => 'b', 'op' => 'at_least', 'value' => 2],
    ]]);
    $because = $condition->because(Facts::of(['a' => 1, 'b' => 2, 'c' => 3]));
    expect(array_map(static fn (Leaf $leaf): string => $leaf->field, $because ?? []))->toBe(['a', 'c', 'b'])
        ->and($condition->because(Facts::of(['a' => 1, 'b' => 1])))->toBeNull();
});

it('refuses what is no condition, with the place', function (mixed $condition, string $code, string $at): void {
    try {
        condition($condition);
        $refused = null;
    } catch (RulesRefused $refusal) {
        $refused = [$refusal->errorCode(), $refusal->at()];
    }
    expect($refused)->toBe([$code, $at]);
})->with([
    'no object' => ['x', 'bad_condition', 'condition'],
    'a number for a part' => [['all' => [7]], 'bad_condition', 'condition.all[0]'],
    'nothing for a part' => [['not' => null], 'bad_condition', 'condition.not'],
    'a list for a part' => [['any' => [['a']]], 'bad_condition', 'condition.any[0]'],
    'a bad leaf deep inside' => [
        ['all' => [['all' => []], ['not' => ['field' => 'a', 'op' => 'is', 'value' => ['x']]]]], 'bad_condition',
        'condition.all[1].not.value',
    ],
    'a missing value' => [['field' => 'a', 'op' => 'in'], 'bad_condition', 'condition.value'],
    'a number in a string' => [['field' => 'a', 'op' => 'more_than', 'value' => '3'], 'bad_condition', 'condition.value'],
    'an unknown operator before a bad node' => [
        ['any' => [['field' => 'a', 'op' => 'like', 'value' => 'x'], []]], 'unknown_op', 'condition.any[0].op',
    ],
    'too many parts' => [['all' => array_fill(0, 500, ['field' => 'a', 'op' => 'like'])], 'condition_too_large', 'condition'],
    'words that are no list' => [['field' => 'a', 'op' => 'has_any_word', 'value' => 'x'], 'bad_condition', 'condition.value'],
]);

it('takes conditions up to twenty deep and of five hundred parts, and none larger', function (string $head): void {
    $leaf = ['field' => 'a', 'op' => 'is', 'value' => 1];
    $deep = static fn (int $levels): array => array_reduce(
        range(2, $levels), static fn (array $inner): array => [$head => $head === 'not' ? $inner : [$inner]], $leaf
    );
    expect(condition($deep(20))->leaves())->toHaveCount(1)
        ->and(static fn () => condition($deep(21)))->toThrow(RulesRefused::class)
        ->and(condition(['all' => array_fill(0, 499, $leaf)])->leaves())->toHaveCount(499)
        ->and(static fn () => condition(['any' => [['all' => array_fill(0, 498, $leaf)], $leaf]]))->toThrow(RulesRefused::class);
})->with(['all', 'any', 'not']);

it('takes only values that its operator can compare with', function (Operator $operator, mixed $value, bool $takes): void {
    expect($operator->takes($value))->toBe($takes);
})->with([
    [Operator::Is, null, true], [Operator::Is, ['a'], false], [Operator::In, 'a', false], [
        Operator::In, [null, 1, 'a'], true,
    ], [Operator::In, ['a', ['b']], false],
    [
        Operator::HasAnyWord, ['a', 1], false,
    ], [
        Operator::IncludesNone, ['a'], true,
    ], [Operator::StartsWith, 1, false], [Operator::AtMost, 1.5, true], [Operator::AtMost, '1', false],
    [Operator::IsEmpty, null, true], [Operator::IsNotEmpty, 'x', true],
]);

it('takes facts that can be compared, and says which cannot', function (mixed $value, ?string $at): void {
    try {
        Facts::read((object) ['fact' => $value]);
        $refused = null;
    } catch (BadInput $refusal) {
        $refused = $refusal->at();
    }
    expect($refused)->toBe($at);
})->with([
    ['a', null], [1.5, null], [false, null], [null, null], [['a', 'b'], null], [['a', 1], 'facts.fact[1]'],
    [new stdClass, 'facts.fact'],
]);

it('gives a condition back as it was read', function (): void {
    $written = [
        'all' => [
            ['any' => [['field' => 'c', 'op' => 'is', 'value' => null], ['all' => []]]],
            ['not' => ['field' => 'a', 'op' => 'is_empty']], ['field' => 'b', 'op' => 'in', 'value' => ['x', 2]],
        ],
    ];
    expect(condition($written)->toArray())->toBe($written)
        ->and(array_map(static fn (Leaf $leaf): string => $leaf->field, condition($written)->leaves()))->toBe(['c', 'a', 'b']);
});

it('matches and gives reasons alike, whatever the tree', function (): void {
    mt_srand(7);
    $tree = function (int $depth) use (&$tree): array {
        return match ($depth === 0 ? 3 : mt_rand(0, 3)) {
            0 => ['all' => array_map(fn (): array => $tree($depth - 1), range(0, mt_rand(0, 2)))],
            1 => ['any' => array_map(fn (): array => $tree($depth - 1), range(0, mt_rand(0, 2)))],
            2 => ['not' => $tree($depth - 1)],
            default => [
                'field' => ['a', 'b'][mt_rand(0, 1)], 'op' => ['is', 'more_than', 'at_most'][mt_rand(0, 2)],
                'value' => mt_rand(0, 3),
            ],
        };
    };
    for ($case = 0; $case < 300; $case++) {
        $condition = condition($tree(4));
        $facts = Facts::of(['a' => mt_rand(0, 3), 'b' => mt_rand(0, 3)]);
        expect($condition->because($facts) !== null)->toBe($condition->matches($facts));
    }
});

it('decides before all is known only what nothing unknown can change', function (): void {
    mt_srand(12);
    $tree = function (int $depth) use (&$tree): array {
        return match ($depth > 3 ? 0 : mt_rand(0, 3)) {
            1 => ['all' => array_map(static fn (): array => $tree($depth + 1), array_fill(0, mt_rand(0, 3), 0))],
            2 => ['any' => array_map(static fn (): array => $tree($depth + 1), array_fill(0, mt_rand(0, 3), 0))],
            3 => ['not' => $tree($depth + 1)],
            default => ['field' => ['a', 'b', 'c', 'd'][mt_rand(0, 3)], 'op' => 'is', 'value' => true],
        };
    };
    $counts = ['decided' => 0, 'open' => 0];
    for ($round = 0; $round < 400; $round++) {
        $condition = condition($tree(0));
        $known = ['a' => mt_rand(0, 1) === 1, 'b' => mt_rand(0, 1) === 1];
        $decided = $condition->decides(Facts::of($known), ['c' => 0, 'd' => 1]);
        $outcomes = [];
        foreach ([[true, true], [true, false], [false, true], [false, false]] as [$c, $d]) {
            $outcomes[] = $condition->matches(Facts::of([...$known, 'c' => $c, 'd' => $d]));
            expect($condition->decides(Facts::of([...$known, 'c' => $c, 'd' => $d]), []))->toBe(end($outcomes));
        }
        if ($decided !== null) {
            expect($outcomes)->toBe(array_fill(0, 4, $decided));
        }
        $counts[$decided === null ? 'open' : 'decided']++;
    }
    expect($counts['decided'])->toBeGreaterThan(100)->and($counts['open'])->toBeGreaterThan(50);
});

it('takes an action for the same whatever the order of its keys, at any depth', function (): void {
    $every = static fn (string $id, array $action): Rule => new Rule($id, Way::Every, condition(['all' => []]), [$action]);
    $planned = static fn (array $one, array $other): int => count(
        Plan::of(Facts::of([]), $every('a', ['do' => 'notify', ...$one]), $every('b', ['do' => 'notify', ...$other]))->actions
    );
    expect($planned(['to' => [['team' => 1, 'by' => 'mail']]], ['to' => [['by' => 'mail', 'team' => 1]]]))->toBe(1)
        ->and($planned(['to' => (object) ['a' => ['x' => 1, 'y' => 2]]], ['to' => (object) ['a' => ['y' => 2, 'x' => 1]]]))->toBe(1)
        ->and($planned(['to' => [1, 2]], ['to' => [2, 1]]))->toBe(2)
        ->and($planned(['to' => [['team' => 1]]], ['to' => [['team' => 2]]]))->toBe(2);
});

it('plans actions so that the last setting stands and nothing is done twice', function (): void {
    $every = static fn (string $id, array ...$actions): Rule => new Rule($id, Way::Every, condition(['all' => []]), array_values($actions));
    $plan = Plan::of(
        Facts::of([]),
        $every(
            'a', ['do' => 'set_priority', 'value' => 'low'], ['do' => 'set_priority', 'value' => 'high'],
            ['do' => 'add_tag', 'tag' => 'x', 'why' => 'y']
        ),
        $every('b', ['do' => 'add_tag', 'why' => 'y', 'tag' => 'x'], ['do' => 'set_priority', 'value' => 'urgent']),
    );
    expect($plan->actions)->toBe([
        ['do' => 'add_tag', 'tag' => 'x', 'why' => 'y', 'rule' => 'a'], ['do' => 'set_priority', 'value' => 'urgent', 'rule' => 'b'],
    ])
        ->and($plan->overruled)->toBe([
            ['rule' => 'a', 'do' => 'set_priority', 'by' => 'b'],
            ['rule' => 'a', 'do' => 'set_priority', 'by' => 'b'],
            ['rule' => 'b', 'do' => 'add_tag', 'by' => 'a'],
        ]);
});
