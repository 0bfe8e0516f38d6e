<?php

declare(strict_types=1);

use Cairnfield\Core\Mood\Mood;
use Cairnfield\Core\Mood\MoodReading;

it('reads the mood from the words a customer chooses', function (string $text, ?string $language, Mood $mood, array $words): void {
    $reading = MoodReading::of($text, $language);

    expect([$reading->mood, $reading->words])->toBe([$mood, $words]);
})->with([
    'a plain question' => ['When will the blue Merlin be back? Thanks in advance.', 'en', Mood::Neutral, []],
    'what happened, told calmly' => [
        'Hello, one spar arrived broken and the bag is missing. Could you send another?', 'en', Mood::Neutral, [],
    ],
    'angry' => ['This is ridiculous. I want my money back.', 'en', Mood::Upset, ['ridiculous']],
    'uneasy' => ['I am a bit disappointed, and still waiting.', 'en', Mood::Uneasy, ['disappointed', 'still waiting']],
    'many small signs' => [
        "I'm disappointed. This is the third time I write, and still no answer.", 'en', Mood::Upset,
        ['disappointed', 'third time', 'still no answer'],
    ],
    'the same word twice is one sign' => ['Disappointed. Really disappointed.', 'en', Mood::Uneasy, ['Disappointed', 'disappointed']],
    'pleased' => ['We love it, it flies wonderfully. You made my day.', 'en', Mood::Pleased, ['love it', 'made my day']],
    'denied: not happy' => ['I am not very happy with the tail.', 'en', Mood::Uneasy, ['not very happy']],
    'denied: not angry' => ['I am not angry, just asking.', 'en', Mood::Neutral, []],
    'a wish is no praise' => ['A refund would be wonderful.', 'en', Mood::Neutral, []],
    'praise does not make up for anger' => ['Great service so far, but this is a scam.', 'en', Mood::Upset, ['scam']],
    'capitals' => ['WHERE IS MY KITE the festival is HERE NOW ANSWER', 'en', Mood::Uneasy, ['mostly capitals']],
    'capitals and marks' => ['WHERE IS MY KITE ANSWER NOW PLEASE!!!', 'en', Mood::Upset, ['mostly capitals', '!!!']],
    'numbers of orders are no capitals' => ['My order is B-20417, SKU MERLIN-RED.', 'en', Mood::Neutral, []],
    'one exclamation mark is friendly' => ['Good morning!', 'en', Mood::Neutral, []],
    'an apostrophe as phones write it' => ['I’m fed up and can’t wait.', 'en', Mood::Upset, ['fed up']],
    'German, with an ending' => [
        'Ich bin wirklich enttäuscht, immer noch keine Sendung.', 'de', Mood::Uneasy, ['enttäuscht', 'immer noch keine'],
    ],
    'German, not satisfied' => ['Damit bin ich nicht zufrieden.', 'de', Mood::Uneasy, ['nicht zufrieden']],
    'Danish' => ['Det er simpelthen uacceptabelt, vi har fået nok.', 'da', Mood::Upset, ['uacceptabelt', 'fået nok']],
    'Norwegian, by either of its names' => ['Dette er uakseptabelt.', 'no', Mood::Upset, ['uakseptabelt']],
    'New Norwegian' => ['Dette er uakseptabelt.', 'nn', Mood::Upset, ['uakseptabelt']],
    'Latvian' => ['Esmu ļoti priecīga par pūķi, lielisks!', 'lv', Mood::Pleased, ['priecīga', 'lielisks']],
    'Japanese, without spaces' => ['まだ届きません。とても残念です。', 'ja', Mood::Uneasy, ['まだ届', '残念']],
    'French' => ["C'est inadmissible, plus jamais chez vous.", 'fr', Mood::Upset, ['inadmissible', 'plus jamais']],
    'a language that is not known' => ['Nie wieder!', null, Mood::Upset, ['Nie wieder']],
    'a language without phrases' => ['Tämä on kamalaa.', 'fi', Mood::Neutral, []],
    'a word within another is not it' => ['The scamper kite and the disc are fine.', 'en', Mood::Neutral, []],
    'in their order, whichever is worse' => [
        'I was disappointed. Now it is ridiculous.', 'en', Mood::Upset, ['disappointed', 'ridiculous'],
    ],
    'the very same word twice is said once' => ['A scam, a scam.', 'en', Mood::Upset, ['scam']],
    'a phrase over two lines' => ["I am still\n  waiting", 'en', Mood::Uneasy, ["still\n  waiting"]],
    'denied: not disappointed' => ['I am not disappointed.', 'en', Mood::Neutral, []],
    'what is denied hides nothing behind it' => ['I am not angry, but this is a scam.', 'en', Mood::Upset, ['scam']],
    'what is wished for hides nothing behind it' => ['A call would be wonderful. We love it.', 'en', Mood::Pleased, ['love it']],
    'denied with an apostrophe of a telephone' => ['It isn’t perfect.', 'en', Mood::Uneasy, ["isn't perfect"]],
    'with one turned round' => ['It isn‘t perfect.', 'en', Mood::Uneasy, ["isn't perfect"]],
    'with an accent for it' => ['It isn´t perfect.', 'en', Mood::Uneasy, ["isn't perfect"]],
    'three words in capitals' => ['WHERE ARE KITE BAGS', 'en', Mood::Uneasy, ['mostly capitals']],
    'two words in capitals' => ['WHERE ARE MY BAGS', 'en', Mood::Neutral, []],
    'half in capitals' => ['SPAR KITE TAIL and my two bags', 'en', Mood::Uneasy, ['mostly capitals']],
    'less than half in capitals' => ['SPAR KITE TAIL and my three bags', 'en', Mood::Neutral, []],
    'joy in marks' => ['We love it!!!', 'en', Mood::Pleased, ['love it']],
    'joy in capitals' => ['IT IS WONDERFUL, THANK YOU VERY MUCH!!!', 'en', Mood::Pleased, ['WONDERFUL']],
    'joy that is denied, in marks' => ['Not happy!!!', 'en', Mood::Uneasy, ['!!!', 'Not happy']],
    'nothing' => ['', null, Mood::Neutral, []],
]);

it('reads letters put together of parts, and text that is broken', function (): void {
    expect(MoodReading::of("Bin entta\u{308}uscht.", 'de')->words)->toBe(['enttäuscht'])
        ->and(MoodReading::of("so angry \xC3", 'en')->mood)->toBe(Mood::Upset)
        ->and(MoodReading::of(str_repeat('ä', 100).' not happy', 'en')->words)->toBe(['not happy'])
        ->and(MoodReading::of(str_repeat('ä', 100).'x not happy', 'en')->words)->toBe(['not happy'])
        ->and(MoodReading::of(str_repeat('語', 100).' not happy', 'en')->words)->toBe(['not happy'])
        ->and(MoodReading::of(str_repeat('語', 100).'x not happy', 'en')->words)->toBe(['not happy']);
});

it('leaves the mood as it was where a message says nothing of it', function (): void {
    expect(Mood::Upset->then(Mood::Neutral))->toBe(Mood::Upset)
        ->and(Mood::Upset->then(Mood::Pleased))->toBe(Mood::Pleased)
        ->and(Mood::Neutral->then(Mood::Uneasy))->toBe(Mood::Uneasy);
});

it('is upset by no more than what is written, and says words that stand in the text', function (): void {
    mt_srand(9);
    $pieces = [
        'I am', 'not', 'happy', 'angry', 'ridiculous', 'disappointed', 'still waiting', 'love it', 'would be', 'wonderful', 'kite',
        '.', 'WHERE', '!!!', "isn't", 'very',
    ];
    for ($round = 0; $round < 600; $round++) {
        $text = implode(' ', array_map(static fn (): string => $pieces[mt_rand(0, count($pieces) - 1)], range(1, mt_rand(1, 9))));
        $reading = MoodReading::of($text, 'en');
        expect($reading->words === [])->toBe($reading->mood === Mood::Neutral, $text);
        foreach ($reading->words as $words) {
            expect($words === 'mostly capitals' || str_contains($text, $words))->toBeTrue("{$words} in {$text}");
        }
        // What is repeated says nothing more.
        expect(MoodReading::of("{$text} . {$text}", 'en')->mood === Mood::Upset || $reading->mood !== Mood::Upset)->toBeTrue($text);
    }
});

it('reads the beginning of a long letter, and no more', function (): void {
    expect(MoodReading::of(str_repeat('kite ', 790).'ridiculous', 'en')->mood)->toBe(Mood::Upset)
        ->and(MoodReading::of(str_repeat('kite ', 900).'ridiculous', 'en')->mood)->toBe(Mood::Neutral);
});

it('reaches over two words to what denies or only wishes, and over no more', function (string $text, Mood $mood): void {
    expect(MoodReading::of($text, 'en')->mood)->toBe($mood);
})->with([
    ['I am not happy', Mood::Uneasy],
    ['I am not really very happy', Mood::Uneasy],
    ['I am not at all so very happy', Mood::Pleased],
    ['not. happy', Mood::Pleased],
    ['cannot say I am angry, I am angry', Mood::Upset],
]);
