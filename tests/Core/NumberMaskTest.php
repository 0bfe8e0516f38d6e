<?php

declare(strict_types=1);

use Cairnfield\Core\Text\NumberMask;
use Cairnfield\Core\Text\PatternRedaction;
use Cairnfield\Core\Text\TextRefused;

it('finds a number however it was typed, and writes it as its source does', function (string $text, array $numbers): void {
    expect(NumberMask::of('B-2####')->find($text))->toBe($numbers);
})->with([
    ['My order B-20417 has not come', ['B-20417']],
    ['b20417 and B 20388, again B-20417', ['B-20417', 'B-20388']],
    ["order B\u{A0}20417.", ['B-20417']],
    ['B–20417', ['B-20417']],
    ['AB-20417', []],
    ['B-204178', []],
    ['B-30417', []],
    ['', []],
    ["B-20417\xff", ['B-20417']],
]);

it('takes letters and open ends', function (): void {
    expect(NumberMask::of('QM@###*')->find('about qmx1234567ab, please'))->toBe(['QMX1234567AB'])
        ->and(NumberMask::of('##-#######')->find('order 71-4480217 of Marrowby'))->toBe(['71-4480217'])
        ->and(NumberMask::of('##-#######')->find('call 71-44802179'))->toBe([]);
});

it('reads several as a person writes them', function (): void {
    expect(array_column(NumberMask::listOf(" B-2####, QM###\n71-### "), 'mask'))->toBe(['B-2####', 'QM###', '71-###'])
        ->and(NumberMask::listOf(' '))->toBe([])
        ->and(fn () => NumberMask::listOf('B-2####, ##'))->toThrow(TextRefused::class);
});

it('refuses what would find nearly everything or is no mask', function (string $mask): void {
    expect(fn () => NumberMask::of($mask))->toThrow(TextRefused::class);
})->with(['', ' ', 'B-', '##', 'B-(#)+###', 'B*-####', str_repeat('#', 41)]);

it('takes a mask of forty characters, with blanks around it, for the mask', function (): void {
    expect(NumberMask::of(' '.str_repeat('#', 40)." \n")->mask)->toBe(str_repeat('#', 40))
        ->and(NumberMask::of('###')->find('1234 and 567'))->toBe(['567']);
});

it('takes numbers of a team’s own kinds out of a text', function (): void {
    [$text, $found] = PatternRedaction::of(['personal number' => '######-####'])->redact('Mine is 010190-1234, hers 020290 5678.');

    expect($text)->toBe('Mine is [personal number …1234], hers [personal number …5678].')
        ->and($found)->toBe([['name' => 'personal number', 'last4' => '1234'], ['name' => 'personal number', 'last4' => '5678']]);
});

it('finds what a mask stands for, wherever it stands, and gives back where', function (): void {
    mt_srand(20417);
    $mask = NumberMask::of('B-2####');
    for ($round = 0; $round < 300; $round++) {
        $number = 'B-2'.sprintf('%04d', mt_rand(0, 9999));
        $written = strtr($number, ['-' => ['-', ' ', '', '.', '/', '–', "\u{A0}"][mt_rand(0, 6)], 'B' => ['B', 'b'][mt_rand(0, 1)]]);
        $before = ['', 'order ', '(', "\n", 'é '][mt_rand(0, 4)];
        $after = ['', '.', ' please', ')', "\n"][mt_rand(0, 4)];
        expect($mask->find($before.$written.$after))->toBe([$number])
            ->and($mask->places($before.$written.$after))->toBe([[$written, strlen($before)]])
            ->and($mask->find("x{$written}"))->toBe([])
            ->and($mask->find("{$written}7"))->toBe([]);
    }
});

it('takes a mask as it is, and none of its signs for a pattern', function (string $mask, string $text, array $found): void {
    expect(NumberMask::of($mask)->find($text))->toBe($found);
})->with([
    ['@@@-###', 'abc-123 and ABC 456', ['ABC-123', 'ABC-456']],
    ['###*', '123abc', ['123ABC']],
    ['###*', '123'.str_repeat('4', 13), []],
    ['Ö-###', 'ö-123', ['Ö-123']],
    ['##/##', '12/34 12-34 1234', ['12/34']],
]);

it('completes what was written by itself', function (string $mask, string $written, ?string $number): void {
    expect(NumberMask::of($mask)->completed($written))->toBe($number);
})->with([
    'its digits alone' => ['B-2####', '20417', 'B-20417'],
    'with a sign' => ['B-2####', '#b20417', 'B-20417'],
    'with blanks' => ['B-2####', ' B 20 417 ', 'B-20417'],
    'other digits' => ['B-2####', '30417', null],
    'too few of them' => ['B-2####', '2041', null],
    'too many' => ['B-2####', '204178', null],
    'digits in groups' => ['##-#######', '714480217', '71-4480217'],
    'an open end' => ['QM@###*', 'qm-x123', 'QMX123'],
    'an open end, by digits alone' => ['QM@###*', '123', null],
    'nothing' => ['B-2####', '', null],
    'no UTF-8' => ['B-2####', "\xff20417", 'B-20417'],
]);
