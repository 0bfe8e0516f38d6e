<?php

declare(strict_types=1);

use Cairnfield\Core\Text\FoldedText;

it('folds away the quoted text and the signature', function (string $text, string $written, string $signature, bool $hasQuote): void {
    $folded = FoldedText::of($text);
    expect(trim($folded->written))->toBe($written)
        ->and(trim($folded->signature))->toBe($signature)
        ->and(trim($folded->quoted) !== '')->toBe($hasQuote);
})->with([
    'nothing to fold' => ["It says K.\nThanks", "It says K.\nThanks", '', false],
    'an answer above' => ["It says K.\n\nOn Mon, 23 Nov 2026 at 09:22, Brindle wrote:\n> Which letter?\n> Ilse", 'It says K.', '', true],
    'an introduction on two lines' => ["Yes.\n\nOn Mon, 23 Nov 2026 at 09:22, Brindle Kite Works\n<care@brindle.example> wrote:\n> Really?", 'Yes.', '', true],
    'in German, with a signature' => ["Ja.\n-- \nLeonie\n\nAm 23.11.2026 schrieb Brindle:\n> Nein?", 'Ja.', "-- \nLeonie", true],
    'an old message below, unmarked' => ["Done.\n\n-----Original Message-----\nFrom: Brindle <care@brindle.example>\nSent: Monday\n\nIs it done?", 'Done.', '', true],
    'header lines below' => ["Fine.\n\nFrom: Brindle <care@brindle.example>\nSent: Monday\nTo: Tomas\nSubject: Kite\n\nOk?", 'Fine.', '', true],
    'answers in between stay' => ["On Monday, Brindle wrote:\n> Colour?\nTeal.\n> Size?\nBig.", "On Monday, Brindle wrote:\n> Colour?\nTeal.\n> Size?\nBig.", '', false],
    'sent from a device' => ["Ok\n\nSent from my telephone", 'Ok', 'Sent from my telephone', false],
    'a quote within the quote' => ["It came!\n\n> Hello Signe,\n> it is on its way.\n>\n> On 23 November 2026 at 16:30, Signe Aas wrote:\n> > Where is it?\n", 'It came!', '', true],
    'only a quote' => ['> Only this', '', '', true],
]);

it('loses nothing', function (): void {
    $text = "Hello\n\n-- \nTomas\n\nOn Monday, Brindle wrote:\n> Hi\n>\n> there\n";
    $folded = FoldedText::of($text);
    expect(implode("\n", [$folded->written, $folded->signature, $folded->quoted]))->toBe($text);
});
