<?php

declare(strict_types=1);

use Cairnfield\Core\Search\FoundWords;
use Cairnfield\Core\Search\NearestWord;
use Cairnfield\Core\Search\SearchQuery;
use Cairnfield\Core\Search\SearchText;

const KEYS = ['state', 'owner', 'before', 'has'];

/**
 * Whether a text is found, as both the patterns and the words of the full text say.
 */
function isFoundBy(string $written, string $text): bool
{
    [$with, $without] = SearchQuery::read($written, KEYS)->patterns();
    $document = SearchText::of($text);
    $has = static fn (string $pattern): bool => preg_match("\x01{$pattern}\x01u", $document) === 1;

    return array_filter($with, $has) === $with && array_filter($without, $has) === [];
}

it('reads words, phrases, what must not be there, and narrowings', function (): void {
    $query = SearchQuery::read('Käse "late parcel" -gift state:held owner:"Ilse Norrby" b-20431', KEYS);
    expect($query->words)->toBe([[['kase'], ['kase']], [['b20431'], ['b', '20431']]])
        ->and($query->phrases)->toBe([['late', 'parcel']])
        ->and($query->without)->toBe([['gift']])
        ->and($query->narrowings)->toBe([['state', 'held', false], ['owner', 'Ilse Norrby', false]])
        ->and($query->booleanMode())->toBe('+kase* +(b20431* 20431) +"late parcel" -"gift"');
});

it('takes what is no narrowing for words', function (): void {
    expect(SearchQuery::read('https://x.example re:kite', KEYS)->phrases)->toBe([])
        ->and(SearchQuery::read('re:kite', KEYS)->words)->toBe([[['re', 'kite'], ['re', 'kite']]])
        ->and(SearchQuery::read('state:', KEYS)->isEmpty())->toBeFalse()
        ->and(SearchQuery::read('state:""', KEYS)->isEmpty())->toBeTrue();
});

it('finds nothing to look for in signs alone, and cuts what is too long', function (): void {
    foreach (['', '   ', '+-*()<>~"@', '"', '- " -', '‼️ — …'] as $written) {
        expect(SearchQuery::read($written, KEYS)->isEmpty())->toBeTrue($written);
    }
    $long = SearchQuery::read(str_repeat('kite ', 1000), KEYS);
    expect($long->cut)->toBeTrue()->and(count($long->words))->toBe(20);
    expect(SearchQuery::read('kite', KEYS)->cut)->toBeFalse();
});

it('leaves no sign in the full text’s words that means something there', function (): void {
    $query = SearchQuery::read('+ab* (cd) ~ef <gh "ij" @kl', KEYS);
    expect($query->booleanMode())->toBe('+ab +cd +ef +gh +kl +"ij"');
});

it('finds whatever the accents, case and signs', function (string $written, string $text, bool $found): void {
    expect(isFoundBy($written, $text))->toBe($found);
})->with([
    ['wrenfield', 'Ana WRENFIELD wrote', true], ['wren', 'Ana Wrenfield', true], ['field', 'Ana Wrenfield', false],
    [
        'B-20431', 'order b-20431, please', true,
    ], ['b20431', 'order B-20431', true], ['20431', 'order B-20431', true], ['20432', 'order B-20431', false],
    ['ana@wren.example', 'from ana@wren.example', true], ['wren.example', 'from ana@wren.example', true],
    ['hruby', 'Tomáš Hrubý', true], ['返品', '商品を返品したい', true], ['返金', '商品を返品したい', false],
    ['"late parcel"', 'My late, parcel', true], ['"late parcel"', 'parcel is late', false],
    ['kite zephyr', 'a zephyr', false], ['kite zephyr', 'zephyr and kite', true], ['"a kite" zephyr', 'zephyr, not kite', false],
    ['re:kite', 'a kite, re', true], ['re:kite', 'a kite', false], ['kite -gift -"red tail"', 'kite with a red tail', false],
    ['kite -gift', 'a kite', true], ['kite -gift', 'a kite, a gift', false], ['+45 12', 'call +45 12 34', true],
]);

it('marks what was found as it was written', function (): void {
    expect(FoundWords::in('Dear Tomáš, B-20431!', ['tomas', 'b20431']))->toBe([
        ['Dear ', false], ['Tomáš', true], [', ', false], ['B-20431', true], ['!', false],
    ])
        ->and(FoundWords::in('nothing', ['else']))->toBe([['nothing', false]])
        ->and(FoundWords::in('', ['x']))->toBe([]);
});

it('shows a piece around the first word found', function (): void {
    $text = str_repeat('one two three ', 40).'festival '.str_repeat('four five ', 40);
    $pieces = FoundWords::around($text, ['festival'], 160) ?? [];
    $shown = implode('', array_column($pieces, 0));
    expect($shown)->toStartWith('… ')->toEndWith(' …')->toContain('festival')
        ->and(mb_strlen($shown))->toBeLessThan(170)
        ->and(array_column(array_filter($pieces, static fn (array $piece): bool => $piece[1]), 0))->toBe(['festival'])
        ->and(FoundWords::around($text, ['elsewhere'], 160))->toBeNull();
});

it('reads a minus before a narrowing as all others, and before anything else as without it', function (): void {
    $query = SearchQuery::read('-state:held -owner:"Ilse N" -unknown:kite -"two words" - kite', KEYS);
    expect($query->narrowings)->toBe([['state', 'held', true], ['owner', 'Ilse N', true]])
        ->and($query->without)->toBe([['unknown', 'kite'], ['two', 'words']])
        ->and($query->words)->toBe([[['kite'], ['kite']]]);
});

it('reads a narrowing whatever its case, and keeps what was written behind it', function (): void {
    expect(SearchQuery::read('STATE:Held', KEYS)->narrowings)->toBe([['state', 'Held', false]])
        ->and(SearchQuery::read('state:held state:open', KEYS)->narrowings)->toHaveCount(2)
        ->and(SearchQuery::read('before:2026-11-01', KEYS)->narrowings)->toBe([['before', '2026-11-01', false]])
        ->and(SearchQuery::read('owner:"not closed', KEYS)->narrowings)->toBe([['owner', 'not closed', false]])
        ->and(SearchQuery::read('owner:" Ilse Norrby "', KEYS)->narrowings)->toBe([['owner', 'Ilse Norrby', false]]);
});

it('takes a word with signs for one word or for its parts in a row, and nothing else', function (string $text, bool $found): void {
    expect(isFoundBy('ana.wren@x.example', $text))->toBe($found);
})->with([
    ['write to ana.wren@x.example', true],
    ['ANA WREN X EXAMPLE', true],
    ['anawrenxexample', true],
    ['wren ana x example', false],
    ['ana wren', false],
]);

it('finds text in scripts without spaces by two characters or more', function (string $written, string $text, bool $found): void {
    expect(isFoundBy($written, $text))->toBe($found);
})->with([
    ['商品', '商品を返品したい', true],
    ['品を', '商品を返品したい', true],
    ['商返', '商品を返品したい', false],
    ['返品', 'ABC返品DEF', true],
    ['สวัสดี', 'สวัสดีครับ', true],
]);

it('asks the full text for no more than it can answer quickly', function (string $written, string $boolean): void {
    expect(SearchQuery::read($written, KEYS)->booleanMode())->toBe($boolean);
})->with([
    'short words whole' => ['ab abc', '+ab +abc*'],
    'of parts the longest' => ['c-1042', '+(c1042* 1042)'],
    'two words where a sign joined them' => ['re:kite', '+re +kite*'],
    'a script without spaces, pair by pair' => ['返品交換', '+返品 +品交 +交換'],
    'a phrase' => ['"a kite flies"', '+"a kite flies"'],
    'without' => ['kite -string -"red tail"', '+kite* -"string" -"red tail"'],
    'no words' => ['state:held', ''],
]);

it('asks for one rare word alone', function (): void {
    $query = SearchQuery::read('kite zephyr', KEYS);
    expect($query->booleanMode('zephyr'))->toBe('+zephyr*')->and($query->booleanMode('ab'))->toBe('+ab');
});

it('is certain of words and phrases only, not of what may be written in two ways', function (): void {
    expect(SearchQuery::read('kite kite b-20431 "late parcel" -gift', KEYS)->certain())->toBe(['late', 'parcel', 'kite'])
        ->and(SearchQuery::read('b-20431', KEYS)->certain())->toBe([])
        ->and(SearchQuery::read('re:kite', KEYS)->certain())->toBe(['re', 'kite'])
        ->and(SearchQuery::read('返品交換', KEYS)->certain())->toBe(['返品', '品交', '交換'])
        ->and(SearchQuery::read('', KEYS)->certain())->toBe([]);
});

it('marks every way of writing, but nothing that must not be there', function (): void {
    expect(SearchQuery::read('kite b-20431 "late parcel" -gift', KEYS)->marked())->toBe(['kite', 'b20431', 'b', '20431', 'late', 'parcel'])
        ->and(SearchQuery::read('-gift', KEYS)->marked())->toBe([]);
});

it('knows whether there is anything to look for', function (string $written, bool $hasWords, bool $isEmpty): void {
    $query = SearchQuery::read($written, KEYS);
    expect([$query->hasWords(), $query->isEmpty()])->toBe([$hasWords, $isEmpty]);
})->with([
    ['kite', true, false], ['"a kite"', true, false], ['state:held', false, false], ['-kite', false, true], ['', false, true], [
        '-state:held', false, false,
    ],
]);

it('cuts in the middle of no character, and takes 400 of them', function (): void {
    $query = SearchQuery::read(str_repeat('ø', 500), KEYS);
    expect($query->cut)->toBeTrue()->and(mb_strlen($query->words[0][0][0]))->toBe(400)
        ->and(SearchQuery::read(str_repeat('x', 400), KEYS)->cut)->toBeFalse()
        ->and(SearchQuery::read("kite \xC3\x28 tail", KEYS)->words)->not->toBe([]);
});

it('agrees with the full text on what is found, in whatever way it is written', function (): void {
    mt_srand(12);
    $texts = [
        'Order B-20431 is late', 'order b20431', 'B 20431', 'b-2 0431', 'ana@wren.example', 'Käse & Brot', 'kase-brot', 'a–b',
        "l'été", 'l’ete',
    ];
    foreach ($texts as $text) {
        foreach (preg_split('/[\s&]+/u', $text) ?: [] as $word) {
            if (SearchText::asked($word) !== []) {
                expect(isFoundBy($word, $text))->toBeTrue("{$word} in {$text}")
                    ->and(isFoundBy(mb_strtoupper($word), $text))->toBeTrue("{$word} in {$text}, in capitals");
            }
        }
    }
});

it('cuts no word at the beginning of a piece, and says where more stands', function (): void {
    $text = 'festival '.str_repeat('one two ', 50);
    $pieces = FoundWords::around($text, ['festival'], 40) ?? [];
    $shown = implode('', array_column($pieces, 0));
    expect($shown)->toStartWith('festival ')->toEndWith(' …');
    $end = implode('', array_column(FoundWords::around(str_repeat('one two ', 50).'festival', ['festival'], 100) ?? [], 0));
    expect($end)->toStartWith('… ')->toEndWith('festival')->and(preg_match('/^… (?:one|two) /', $end))->toBe(1);
});

it('shows what stands in several lines as one', function (): void {
    $pieces = FoundWords::around("Dear all,\n\n  the\tfestival\r\nis on", ['festival'], 200) ?? [];
    expect(implode('', array_column($pieces, 0)))->toBe('Dear all, the festival is on');
});

it('marks words written with signs, and the beginning of a word as the whole', function (): void {
    expect(FoundWords::in('Kites, kite-line and B-20431', ['kite']))->toBe([
        ['Kites', true], [', ', false], ['kite-line', true], [' and B-20431', false],
    ])
        ->and(FoundWords::in('B-20431 b20431 20431', ['b20431']))
        ->toBe([['B-20431', true], [' ', false], ['b20431', true], [' 20431', false]])
        ->and(FoundWords::in('Straße und Größe', ['grosse']))->toBe([['Straße und ', false], ['Größe', true]])
        ->and(FoundWords::in("a\u{301}b", ['ab']))->toBe([["a\u{301}b", true]]);
});

it('takes the first twenty words, phrases and those that must not be there, and says when words were left out', function (): void {
    $numbered = static fn (string $form, int $count): string => implode(
        ' ', array_map(static fn (int $number): string => sprintf($form, $number), range(1, $count))
    );
    $twenty = SearchQuery::read($numbered('w%d', 20), KEYS);
    $more = SearchQuery::read($numbered('w%d', 21), KEYS);
    $phrases = SearchQuery::read($numbered('"a w%d"', 21), KEYS)->phrases;
    $without = SearchQuery::read('kite '.$numbered('-w%d', 21), KEYS)->without;
    expect($twenty->cut)->toBeFalse()->and($twenty->words)->toHaveCount(20)
        ->and($more->cut)->toBeTrue()->and($more->words)->toBe($twenty->words)
        ->and($phrases)->toHaveCount(20)->and($phrases[0])->toBe(['a', 'w1'])
        ->and($without)->toHaveCount(20)->and($without[0])->toBe(['w1']);
});

it('takes scripts without spaces in pairs, and what stands alone as it is', function (string $text, array $words): void {
    expect(SearchText::words($text))->toBe($words);
})->with([
    ['ABC返品DEF', ['abc', '返品', 'def']],
    ['a返b', ['a', '返', 'b']],
    ['商品を', ['商品', '品を']],
    ['返', ['返']],
]);

it('looks closer wherever a word may stand, with whatever signs between', function (string $sign): void {
    expect(FoundWords::mayBeIn("to ab{$sign}cd here", ['abcd']))->toBeTrue()
        ->and(FoundWords::mayBeIn("to ab{$sign}cd here", ['ab', 'nowhere']))->toBeTrue()
        ->and(FoundWords::mayBeIn("to ab{$sign}cd here", ['abce']))->toBeFalse()
        ->and(FoundWords::around("to ab{$sign}cd here", ['abcd'], 80))->toBe([['to ', false], ["ab{$sign}cd", true], [' here', false]]);
})->with(['-', '.', '@', '_', '/', "'", '’', '+']);

it('looks closer at a phrase that only stands there with its signs', function (): void {
    expect(FoundWords::mayBeIn('ana@wren.example', ['wren.example']))->toBeTrue()
        ->and(FoundWords::mayBeIn('ana@wren.example', []))->toBeFalse();
});

it('begins with the text where no more than sixty characters stand before, and ends with it where it fits', function (): void {
    $shown = static fn (string $text, int $length = 100): string => implode(
        '', array_column(FoundWords::around($text, ['kite'], $length) ?? [], 0)
    );
    $sixty = str_repeat('one two ', 7).'one ';
    expect($shown("{$sixty}kite"))->toBe("{$sixty}kite")
        ->and($shown("x {$sixty}kite"))->toStartWith('… ')
        ->and($shown("a{$sixty}kite"))->toStartWith('… ')
        ->and($shown("{$sixty}kite", 64))->toBe("{$sixty}kite")
        ->and($shown("{$sixty}kites", 64))->toEndWith('kite …')
        ->and($shown("  kite\n"))->toBe('kite');
});

it('names what was written like a narrowing and is none', function (string $written, array $unknown): void {
    expect(SearchQuery::read($written, KEYS)->unknown)->toBe($unknown);
})->with([
    ['stat:held kite', ['stat']], ['-stat:held STAT:open', ['stat']], ['colour:"deep red"', ['colour']], ['state:held', []],
    ['re:kite AW:kite https://x.example mailto:a@b.example', []], ['state:', []], ['14:30', []],
]);

it('finds a telephone number in any writing', function (string $written, bool $found): void {
    expect(isFoundBy($written, "Call me: +45 20 30 40 50\nAna 20304050"))->toBe($found);
})->with([
    ['+45 20 30 40 50', true], ['4520304050', true], ['0045 20304050', true], ['+45-20304050', true], ['20 30 40 50', true],
    ['020304050', true], ['20 30 40 51', false], ['(45) 20 30 40 50', true], ['20304050 Ana', true], ['20304050 Bea', false],
]);

it('proposes the word that was meant', function (string $word, ?string $nearest): void {
    expect(NearestWord::of($word, ['state', 'owner', 'before', 'category', 'Müller']))->toBe($nearest);
})->with([
    ['stat', 'state'], ['statte', 'state'], ['befor', 'before'], ['categroy', 'category'], ['muler', 'Müller'], ['owner', null],
    ['colour', null], ['', null],
]);
