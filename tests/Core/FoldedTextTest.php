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
    'an introduction on two lines' => [
        "Yes.\n\nOn Mon, 23 Nov 2026 at 09:22, Brindle Kite Works\n<care@brindle.example> wrote:\n> Really?", 'Yes.', '', true,
    ],
    'in German, with a signature' => ["Ja.\n-- \nLeonie\n\nAm 23.11.2026 schrieb Brindle:\n> Nein?", 'Ja.', "-- \nLeonie", true],
    'an old message below, unmarked' => [
        "Done.\n\n-----Original Message-----\nFrom: Brindle <care@brindle.example>\nSent: Monday\n\nIs it done?", 'Done.', '', true,
    ],
    'header lines below' => [
        "Fine.\n\nFrom: Brindle <care@brindle.example>\nSent: Monday\nTo: Tomas\nSubject: Kite\n\nOk?", 'Fine.', '', true,
    ],
    'answers in between stay' => [
        "On Monday, Brindle wrote:\n> Colour?\nTeal.\n> Size?\nBig.", "On Monday, Brindle wrote:\n> Colour?\nTeal.\n> Size?\nBig.",
        '', false,
    ],
    'sent from a device' => ["Ok\n\nSent from my telephone", 'Ok', 'Sent from my telephone', false],
    'a quote within the quote' => [
        "It came!\n\n> Hello Signe,\n> it is on its way.\n>\n> On 23 November 2026 at 16:30, Signe Aas wrote:\n> > Where is it?\n",
        'It came!', '', true,
    ],
    'only a quote' => ['> Only this', '', '', true],
    'an answer right above the introduction' => ["Teal.\nOn Monday, Brindle wrote:\n> Colour?", 'Teal.', '', true],
    'one that begins as an introduction does' => ["On it!\nOn Monday, Brindle wrote:\n> Colour?", 'On it!', '', true],
    'a name right above who wrote' => ["Thanks, Tomas\nBrindle Kite Works wrote:\n> Colour?", 'Thanks, Tomas', '', true],
]);

it('loses nothing', function (): void {
    $text = "Hello\n\n-- \nTomas\n\nOn Monday, Brindle wrote:\n> Hi\n>\n> there\n";
    $folded = FoldedText::of($text);
    expect(implode("\n", [$folded->written, $folded->signature, $folded->quoted]))->toBe($text);
});

/**
 * Whether the lines after an introduction are quoted throughout, as it is defined.
 *
 * @param  list<string>  $lines
 */
function isQuotedThroughout(array $lines): bool
{
    $isMarked = static fn (string $line): bool => str_starts_with(ltrim($line), '>');
    foreach ($lines as $index => $line) {
        foreach (array_slice($lines, $index + 1) as $below) {
            if ($isMarked($line) && ! $isMarked($below) && trim($below) !== '') {
                return false;
            }
        }
    }

    return true;
}

it('folds from the first introduction on after which everything is quoted, whatever the lines', function (): void {
    mt_srand(11);
    $kinds = ['On Monday, Brindle wrote:', '> Colour?', 'Teal.', '', '> > Older', 'Am 23.11.2026 schrieb Brindle:'];
    for ($round = 0; $round < 3000; $round++) {
        $lines = array_map(static fn (): string => $kinds[mt_rand(0, 5)], range(1, mt_rand(1, 7)));
        $expected = null;
        foreach ($lines as $index => $line) {
            if (preg_match('/(wrote|schrieb Brindle):$/', $line) === 1 && isQuotedThroughout(array_slice($lines, $index + 1))) {
                $expected = $index;
                break;
            }
        }
        $folded = FoldedText::of(implode("\n", $lines));
        if ($expected !== null) {
            expect($folded->quoted)->toBe(implode("\n", array_slice($lines, $expected)), implode(' / ', $lines));
        }
        expect(
            trim(
                implode(
                    "\n",
                    array_filter([$folded->written, $folded->signature, $folded->quoted], static fn (string $part): bool => $part !== '')
                ),
                "\n"
            )
        )
            ->toBe(trim(implode("\n", $lines), "\n"));
    }
});

it('takes the lowest mark of a signature, and a device’s line only where nothing follows it', function (
    string $text, string $signature
): void {
    expect(FoldedText::of($text)->signature)->toBe($signature);
})->with([
    ["Hello\n-- \nAna\n-- \nWrenfield", "-- \nWrenfield"],
    ["Sent from my boat\nI write this", ''],
    ["Hello\nSent from my boat\n\n", "Sent from my boat\n\n"],
    ["Hello\nSent from my boat\n-- \nAna", "-- \nAna"],
    ["Hello\nSent from my boat\nSendt fra min båd", 'Sendt fra min båd'],
    ["Hello\n--\r", "--\r"],
    ["Hello\n---\nAna", ''],
    ["Hello\n-- Ana", ''],
]);

it('reads a text of one line, of none, and of nothing but empty ones', function (string $text): void {
    $folded = FoldedText::of($text);
    expect($folded->written)->toBe($text)->and($folded->signature)->toBe('')->and($folded->quoted)->toBe('');
})->with(['', 'Hello', "\n\n\n", ' ', "Hello\n", '->', 'a > b', '    > indented code']);

it('takes lines for a header where two more of the next four name something, and for text otherwise', function (
    array $below, bool $isHeader
): void {
    $text = implode("\n", ['Fine.', 'From: Brindle <care@brindle.example>', ...$below]);
    expect(FoldedText::of($text)->quoted === '')->toBe(! $isHeader);
})->with([
    'one' => [['Subject: Kite', 'Ok?'], false],
    'two' => [['Sent: Monday', 'Subject: Kite', 'Ok?'], true],
    'two with a line between' => [['Sent: Monday', '', 'Subject: Kite', 'Ok?'], true],
    'the second is the fourth' => [['Sent: Monday', '', '', 'Subject: Kite'], true],
    'the second is the fifth' => [['Sent: Monday', '', '', '', 'Subject: Kite'], false],
    'those above do not count' => [['Subject: Kite', 'Ok?', 'No.'], false],
    'with stars' => [['*Sent:* Monday', '*Subject:* Kite'], true],
    'a time is no name' => [['At 10:30 it rained', 'Until 11:45 too'], false],
]);

it('does not take what stands above for a part of the header', function (): void {
    $text = "Size: large\nColour: teal\nFrom: my mother at care@brindle.example\nKite: Merlin\nThanks";
    expect(FoldedText::of($text)->written)->toBe($text);
});

it('takes white space around a line for nothing', function (string $text, string $written, string $quoted): void {
    $folded = FoldedText::of($text);
    expect([$folded->written, $folded->quoted])->toBe([$written, $quoted]);
})->with([
    'an introduction with blanks around it' => [
        "Teal.\n  On Monday, Brindle wrote:  \n> Colour?", 'Teal.', "  On Monday, Brindle wrote:  \n> Colour?",
    ],
    'one over two lines, with blanks' => [
        "Teal.\n On Mon, 23 Nov 2026 at 09:22, Brindle \n <care@brindle.example> wrote: \n> Colour?", 'Teal.',
        " On Mon, 23 Nov 2026 at 09:22, Brindle \n <care@brindle.example> wrote: \n> Colour?",
    ],
    'blanks between what is quoted' => ["Teal.\n> Colour?\n  \n> Size?\n \t", 'Teal.', "> Colour?\n  \n> Size?\n \t"],
    'blanks below an introduction' => [
        "Teal.\nOn Monday, Brindle wrote:\n> Colour?\n  ", 'Teal.', "On Monday, Brindle wrote:\n> Colour?\n  ",
    ],
    'a quote above, an answer below' => ["> Colour?\nTeal.", "> Colour?\nTeal.", ''],
    'an introduction in the first line' => ["On Monday, Brindle wrote:\n> Colour?", '', "On Monday, Brindle wrote:\n> Colour?"],
]);

it('finds a signature in the first line, and under lines of blanks', function (string $text, string $signature): void {
    expect(FoldedText::of($text)->signature)->toBe($signature);
})->with([
    ['-- ', '-- '],
    ["-- \nAna", "-- \nAna"],
    ["Hello\n Sent from my boat \n  \n", " Sent from my boat \n  \n"],
]);

it('tells answers from the quotes between them, and loses nothing', function (string $text, array $pieces, string $own): void {
    $folded = FoldedText::of($text);
    expect($folded->pieces())->toBe($pieces)->and($folded->own())->toBe($own)
        ->and(implode("\n", array_column($folded->pieces(), 0)))->toBe($folded->written);
})->with([
    'between' => [
        "> Which one?\nThe red one.\n> How many?\n> And when?\nTwo.\nOn Friday.",
        [['> Which one?', true], ['The red one.', false], ["> How many?\n> And when?", true], ["Two.\nOn Friday.", false]],
        "The red one.\nTwo.\nOn Friday.",
    ],
    'below, with who wrote it' => [
        "On Mon, 23 Nov 2026 Ilse wrote:\n> Is it torn?\n\nYes, at the seam.",
        [["On Mon, 23 Nov 2026 Ilse wrote:\n> Is it torn?\n", true], ['Yes, at the seam.', false]], 'Yes, at the seam.',
    ],
    'nothing quoted' => ["One\n\nTwo", [["One\n\nTwo", false]], "One\n\nTwo"],
    'a comparison' => ['2 > 1', [['2 > 1', false]], '2 > 1'],
    'nothing' => ['', [['', false]], ''],
]);
