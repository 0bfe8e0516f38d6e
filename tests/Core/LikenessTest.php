<?php

declare(strict_types=1);

use Cairnfield\Core\Matching\Likeness;
use Cairnfield\Core\Matching\PersonFacts;
use Cairnfield\Core\Matching\PersonName;

/**
 * People as a store meets them: few names, few addresses, so that much coincides.
 */
function somebody(): PersonFacts
{
    $some = static fn (array $of, int $most): array => array_values(
        array_unique(array_map(static fn (): string => $of[mt_rand(0, count($of) - 1)], range(0, mt_rand(0, $most))))
    );
    $maybe = static fn (array $of): array => mt_rand(0, 1) === 0 ? [] : $some($of, 1);

    return new PersonFacts(
        ['Ana Wrenfield', 'Ana Wernfield', 'A. Wrenfield', 'Maja Østerlund', 'anaw88', '', 'Bo Lind'][mt_rand(0, 6)],
        $maybe(['ana@wren.example', 'ana+kites@wren.example', 'anawrenfield@x.example', 'bo@lind.example']),
        $maybe(['+4520000188', '+4520000199']),
        $maybe(['anawrenfield', '@AnaWrenfield', 'bolind', 'bo']),
        $maybe(['4 Quay Row, 1100 Port', '4, quay row 1100 PORT', 'Møllevej 12, 8000 Aarhus']),
        $maybe(['B-1', 'B-2']),
        $maybe(['B-1', 'B-2', 'B-3']),
    );
}

it('is as likely from either side, and gives a reason for each of its points', function (): void {
    mt_srand(2026);
    for ($round = 0; $round < 1500; $round++) {
        [$one, $other] = [somebody(), somebody()];
        $likeness = Likeness::of($one, $other);
        $back = Likeness::of($other, $one);
        expect($likeness->points)->toBe($back->points)
            ->and(count($likeness->reasons))->toBe(count($back->reasons))
            ->and($likeness->isProposed())->toBe($likeness->points >= Likeness::PROPOSED)
            ->and($likeness->reasons === [])->toBe($likeness->points === 0 && $likeness->reasons === []);
    }
});

it('proposes nobody by what is known of one alone', function (): void {
    mt_srand(7);
    $nobody = new PersonFacts('Ana Wrenfield');
    for ($round = 0; $round < 300; $round++) {
        expect(Likeness::of(somebody(), $nobody)->points)->toBe(0);
    }
});

it('weighs each sign, and the name only beside another', function (
    PersonFacts $one, PersonFacts $other, int $points, bool $proposed
): void {
    $likeness = Likeness::of($one, $other);
    expect($likeness->points)->toBe($points)->and($likeness->isProposed())->toBe($proposed);
})->with([
    'a suffix of the mailbox' => [new PersonFacts('', ['ana+kites@wren.example']), new PersonFacts('', ['Ana@Wren.example']), 4, false],
    'a suffix and a name' => [
        new PersonFacts('Ana Wrenfield', ['ana+kites@wren.example']), new PersonFacts('Ana Wrenfield', ['ana@wren.example']), 7,
        true,
    ],
    'an account name in any case' => [new PersonFacts('', accountNames: ['@AnaW']), new PersonFacts('', accountNames: ['anaw']), 3, false],
    'an account name of four letters in an address' => [
        new PersonFacts('', accountNames: ['anaw']), new PersonFacts('', ['anaw@x.example']), 0, false,
    ],
    'one of five, with a dot' => [new PersonFacts('', accountNames: ['ana.w1']), new PersonFacts('', ['anaw1@x.example']), 3, false],
    'an order that both wrote about' => [
        new PersonFacts('Ana W', ordersNamed: ['B-1']), new PersonFacts('Bo L', ordersNamed: ['B-1']), 4, false,
    ],
    'the same, with different full names' => [
        new PersonFacts('Ana Wren', ordersNamed: ['B-1']), new PersonFacts('Bo Lind', ordersNamed: ['B-1']), 1, false,
    ],
    'a telephone of two people' => [
        new PersonFacts('Ana Wren', telephones: ['+4511']), new PersonFacts('Bo Lind', telephones: ['+4511']), 3, false,
    ],
    'an address, whatever its signs' => [
        new PersonFacts('', addresses: ['4 Quay Row, 1100 Port']), new PersonFacts('', addresses: ['4, QUAY ROW 1100 port']), 3,
        false,
    ],
    'the other’s order' => [new PersonFacts('', orders: ['B-1']), new PersonFacts('', ordersNamed: ['B-1']), 5, true],
    'an address with signs around it' => [
        new PersonFacts('', addresses: ['(4 Quay Row)']), new PersonFacts('', addresses: ['4 Quay Row.']), 3, false,
    ],
    'a telephone and nearly the name' => [
        new PersonFacts('Ana Wrenfield', telephones: ['+4511']), new PersonFacts('Ana Wernfield', telephones: ['+4511']), 8, true,
    ],
    'two signs together' => [
        new PersonFacts('', addresses: ['4 Quay Row'], ordersNamed: ['B-1']),
        new PersonFacts('', addresses: ['4 quay row'], ordersNamed: ['B-1']), 7, true,
    ],
]);

it('takes names for like or not from either side, and the same for like', function (): void {
    mt_srand(31);
    $parts = ['ana', 'anna', 'a', 'wren', 'wrenfield', 'wernfield', 'maja', 'østerlund', 'dr', ''];
    $name = static fn (): string => implode(
        [' ', ', ', '-'][mt_rand(0, 2)],
        array_map(static fn (): string => $parts[mt_rand(0, count($parts) - 1)], range(0, mt_rand(0, 3)))
    );
    for ($round = 0; $round < 2000; $round++) {
        [$one, $other] = [PersonName::of($name()), PersonName::of($name())];
        expect($one->isSameAs($other))->toBe($other->isSameAs($one))
            ->and($one->isLike($other))->toBe($other->isLike($one))
            ->and($one->isSameAs($other) && ! $one->isLike($other))->toBeFalse();
    }
});

it('knows one slip of the finger, and no two', function (string $one, string $other, bool $like): void {
    expect(PersonName::of($one)->isLike(PersonName::of($other)))->toBe($like);
})->with([
    'one left out' => ['Ana Wrenfield', 'Ana Wrenfeld', true],
    'one put in' => ['Ana Wrenfield', 'Ana Wrennfield', true],
    'one changed' => ['Ana Wrenfield', 'Ana Wrenfiald', true],
    'two swapped' => ['Ana Wrenfield', 'Ana Wrefnield', true],
    'two changed' => ['Ana Wrenfield', 'Ana Wranfiald', false],
    'one in a short part' => ['Bo Lind', 'Bo Lund', true],
    'one in a part of three' => ['Ana Sax', 'Ana Sox', false],
    'one in each part' => ['Anna Wrenfield', 'Ana Wrenfeld', false],
    'an initial of another name' => ['B. Wrenfield', 'Ana Wrenfield', false],
    'an initial in capitals' => ['a Wrenfield', 'ANA Wrenfield', true],
    'a letter beyond the alphabet' => ['Ana Łukasz', 'Ana Lukasz', true],
    'one part alone' => ['Wrenfield', 'Wrenfeld', false],
    'another number of parts' => ['Ana Maria Wrenfield', 'Ana Wrenfeld', false],
]);

it('takes titles, doubles and signs for nothing', function (): void {
    expect(PersonName::of('Frau Dr. Maja  Österlund-Österlund')->parts)->toBe(['maja', 'osterlund'])
        ->and(PersonName::of('Zoe Abel')->parts)->toBe(['abel', 'zoe'])
        ->and(PersonName::of('Mr.')->isFull())->toBeFalse()
        ->and(PersonName::of('A. Wren')->isFull())->toBeFalse()
        ->and(PersonName::of('Ana Wren')->isFull())->toBeTrue()
        ->and(PersonName::of("\xff\xfe")->parts)->toBe([])
        ->and(PersonName::of('田中 太郎')->parts)->toHaveCount(2);
});

it('names each thing in common once, two of them at most, and the strongest sign first', function (): void {
    $one = new PersonFacts(
        'Ana Wrenfield', [
            'ana+a@wren.example', 'ana+b@wren.example',
        ], ['+451', '+452', '+453'], orders: ['B-1'], ordersNamed: ['B-1', 'B-2']
    );
    $other = new PersonFacts(
        'Bo Lind', ['ana@wren.example', 'ANA+c@wren.example'], ['+453', '+452', '+451'], orders: ['B-1'], ordersNamed: ['B-1']
    );
    expect(Likeness::of($one, $other)->reasons)->toBe([
        'same telephone number +451, +452',
        'one wrote about the other’s order B-1',
        'both wrote about order B-1',
        'same mailbox but for a suffix: ana@wren.example',
        'but different names: Ana Wrenfield, Bo Lind',
    ]);
    $nearly = Likeness::of(
        new PersonFacts('Ana Wrenfield', accountNames: ['anawren'], addresses: ['4 Quay Row']),
        new PersonFacts('Ana Wernfield', accountNames: ['@AnaWren'], addresses: ['4 Quay Row'])
    );
    expect($nearly->reasons)->toBe([
        'same account name anawren', 'same postal address 4 Quay Row', 'nearly the same name: Ana Wrenfield, Ana Wernfield',
    ]);
    $sameName = Likeness::of(
        new PersonFacts('Bo Lind', accountNames: ['anawren', 'bolind'], ordersNamed: ['B-1']),
        new PersonFacts('Lind, Bo', ['anawren@x.example', 'anawren@y.example'], ordersNamed: ['B-1'])
    );
    expect($sameName->reasons)->toBe([
        'both wrote about order B-1', 'account name as in the email address: anawren', 'same name Bo Lind',
    ]);
});

/**
 * Letters put in, left out or changed, or neighbours swapped, to make one word of the other (optimal string alignment).
 */
function slips(string $one, string $other): int
{
    [$a, $b] = [mb_str_split($one), mb_str_split($other)];
    $cost = [range(0, count($b))];
    foreach ($a as $row => $letter) {
        $cost[$row + 1] = [$row + 1];
        foreach ($b as $column => $theirs) {
            $least = min(
                $cost[$row][$column + 1] + 1, $cost[$row + 1][$column] + 1, $cost[$row][$column] + ($letter === $theirs ? 0 : 1)
            );
            if ($row > 0 && $column > 0 && $letter === $b[$column - 1] && $theirs === $a[$row - 1]) {
                $least = min($least, $cost[$row - 1][$column - 1] + 1);
            }
            $cost[$row + 1][$column + 1] = $least;
        }
    }

    return $cost[count($a)][count($b)];
}

it('takes for a slip of the finger what one change makes, in parts of four letters and more', function (): void {
    mt_srand(44);
    $like = 0;
    for ($round = 0; $round < 4000; $round++) {
        $letters = static fn (int $count): string => implode('', array_map(
            static fn (): string => ['a', 'b', 'c', 'ж'][mt_rand(0, 3)], range(1, $count)
        ));
        $one = $letters(mt_rand(2, 6));
        $other = mt_rand(0, 1) === 0 ? $letters(mt_rand(2, 6)) : substr_replace($one, ['a', 'bc', ''][mt_rand(0, 2)], mt_rand(0, 2), 1);
        $other = mb_scrub($other) === $other && $other !== '' ? $other : 'bbbb';
        $isLike = PersonName::of("{$one} østerlund")->isLike(PersonName::of("{$other} Osterlund"));
        $expected = $one === $other || (min(mb_strlen($one), mb_strlen($other)) >= 4 && slips($one, $other) === 1)
            || (min(mb_strlen($one), mb_strlen($other)) === 1 && mb_substr($one, 0, 1) === mb_substr($other, 0, 1));
        expect($isLike)->toBe($expected, "{$one}, {$other}");
        $like += $expected ? 1 : 0;
    }
    expect($like)->toBeGreaterThan(200);
});
