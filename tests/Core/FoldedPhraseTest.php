<?php

declare(strict_types=1);

use Cairnfield\Core\Text\FoldedPhrase;
use Cairnfield\Core\Text\Folding;

/*
 * Words that conditions look for: whole ones, parts of them, and phrases; by itself and by its expression alike.
 */

it('finds words, parts of words and phrases', function (string $phrase, string $text, bool $found): void {
    $of = FoldedPhrase::of($phrase);
    $folded = Folding::fold($text);
    expect($of->isIn($folded))->toBe($found)
        ->and($of->pattern() !== null && preg_match("\x01{$of->pattern()}\x01u", $folded) === 1)->toBe($found);
})->with([
    'a whole word' => ['refund', 'I want a refund.', true],
    'no part of one' => ['refund', 'Please refunded me', false],
    'the beginning of one' => ['refund…', 'I was refunded.', true],
    'the beginning is the whole, too' => ['refund…', 'A refund!', true],
    'not the middle' => ['fund…', 'I was refunded.', false],
    'the end' => ['…etikett', 'Das Rückgabeetikett fehlt', true],
    'not its beginning' => ['…etikett', 'Etikettendrucker', false],
    'anywhere' => ['…retur…', 'Hvor er byttereturlabelen?', true],
    'three dots' => ['refund...', 'REFUNDING now', true],
    'dots with blanks' => [' … zurück …', 'die Zurückgabe', true],
    'a dot in a text' => ['refund', 'refund...', true],
    'a phrase' => ['late parcel', 'My late  parcel', true],
    'a phrase across a hyphen' => ['late parcel', 'the late-parcel form', true],
    'a hyphen asked for' => ['e-mail', 'by e mail', true],
    'another hyphen' => ['e-mail', "by e\u{2010}mail", true],
    'words that follow each other only' => ['late parcel', 'parcel late', false],
    'a phrase that goes on' => ['not arriv…', 'it has not arrived', true],
    'a phrase inside a word' => ['late parcel', 'plate parcels', false],
    'signs of expressions' => ['(a+ b', 'is (a+ b)c', true],
    'an accent after' => ['cafe…', 'Cafés', true],
    'scripts without spaces' => ['返品', '返品したい', true],
]);

it('says what is open', function (): void {
    expect(FoldedPhrase::of('refund…')->openEnds())->toBe([false, true])->and(FoldedPhrase::of('…x…')->openEnds())->toBe([true, true])
        ->and(FoldedPhrase::of('refund')->openEnds())->toBe([false, false]);
});

it('takes time in line with the text, whatever stands in it', function (): void {
    foreach (['a a', 'a-a…', '…a a…'] as $phrase) {
        expect(FoldedPhrase::of($phrase)->isIn(str_repeat('a-b ', 250_000)))->toBeFalse();
    }
});
