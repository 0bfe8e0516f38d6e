<?php

declare(strict_types=1);

use Cairnfield\Core\Returns\WishedGoods;

/*
 * What customers write down as what is to come back.
 */

const ORDERED = [
    11 => ['sku' => 'DUN-18', 'title' => 'Dune kite 1.8', 'quantity' => 1],
    12 => ['sku' => 'DUN-24', 'title' => 'Dune kite 2.4', 'quantity' => 2],
    13 => ['sku' => 'TAI-RB', 'title' => 'Tail, rainbow', 'quantity' => 3],
    14 => ['sku' => 'REE-12', 'title' => 'Reel', 'quantity' => 1],
    15 => ['sku' => 'REE-BG', 'title' => 'Reel bag', 'quantity' => 1],
    16 => ['sku' => 'ÅRE-1', 'title' => 'Øresund fly', 'quantity' => 1],
];

it('knows the lines that are meant', function (string $written, array $units): void {
    $read = WishedGoods::read($written, ORDERED);
    expect($read->units)->toBe($units)->and($read->unclear)->toBe([]);
})->with([
    'a title' => ['Tail, rainbow', [13 => 1]],
    'its words in another order and case' => ['RAINBOW tail', [13 => 1]],
    'a SKU in any writing' => ['dun 18', [11 => 1]],
    'how many, before' => ['2 x Dune kite 2.4', [12 => 2]],
    'how many, after' => ["Tail rainbow ×3\nReel", [13 => 3, 14 => 1]],
    'a number and a SKU' => ['2 DUN-24', [12 => 2]],
    'a part that fits one alone' => ['kite 2.4', [12 => 1]],
    'a title that another one holds' => ['Reel', [14 => 1]],
    'the longer of the two' => ['reel bag', [15 => 1]],
    'the same twice' => ["Tail rainbow\n2x TAI-RB", [13 => 3]],
    'semicolons' => ['Reel; DUN18', [14 => 1, 11 => 1]],
    'other letters' => ['ØRESUND', [16 => 1]],
]);

it('guesses nothing', function (string $written, array $unclear): void {
    expect(WishedGoods::read($written, ORDERED)->unclear)->toBe($unclear);
})->with([
    'what fits several' => ['Dune kite', ['Dune kite']],
    'what nobody ordered' => ["Reel\nA tent", ['A tent']],
    'no units' => ['0 x Reel', ['0 x Reel']],
    'signs alone' => ['!!', ['!!']],
    'a number alone' => ['2', ['2']],
]);

it('takes the only unit where nothing is written, and nothing where there are more', function (): void {
    expect(WishedGoods::read(" \n", [7 => ['sku' => 'A', 'title' => 'Box', 'quantity' => 1]])->units)->toBe([7 => 1])
        ->and(WishedGoods::read('', [7 => ['sku' => 'A', 'title' => 'Box', 'quantity' => 2]])->units)->toBe([])
        ->and(WishedGoods::read('', ORDERED)->units)->toBe([])
        ->and(WishedGoods::read('', [])->units)->toBe([]);
});

it('reads no more than a person writes', function (): void {
    $read = WishedGoods::read(str_repeat("Reel\n", 5000).str_repeat('x', 100_000), ORDERED);
    expect($read->units)->toBe([14 => WishedGoods::MOST_LINES])->and($read->unclear)->toHaveCount(4951);
});

it('reads what is no UTF-8', function (): void {
    $read = WishedGoods::read("Reel\xFF\n\xFF\xFE", ORDERED);
    expect($read->units)->toBe([14 => 1])->and($read->unclear)->toHaveCount(1);
});
