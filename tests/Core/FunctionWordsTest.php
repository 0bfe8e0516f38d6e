<?php

declare(strict_types=1);

use Cairnfield\Core\Text\Folding;
use Cairnfield\Core\Text\FunctionWords;

it('tells words that hold sentences together from those that say what it is about', function (string $word, bool $is): void {
    expect(FunctionWords::has(Folding::fold($word)))->toBe($is);
})->with([
    ['there', true], ['The', true], ['ville', true], ['Måske', true], ['über', true], ['arī', true], ['aujourd', true], ['también', true],
    ['parcel', false], ['Paket', false], ['посылка', false], ['ferrule', false], ['invoice', false], ['return', false],
    ['label', false], ['strap', false], ['Rechnung', false], ['rēķins', false], ['faktura', false], ['retour', false], ['', false],
]);
