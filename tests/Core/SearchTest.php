<?php

declare(strict_types=1);

use Cairnfield\Core\Search\FoundWords;
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
        ->and($query->narrowings)->toBe([['state', 'held'], ['owner', 'Ilse Norrby']])
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
    ['B-20431', 'order b-20431, please', true], ['b20431', 'order B-20431', true], ['20431', 'order B-20431', true], ['20432', 'order B-20431', false],
    ['ana@wren.example', 'from ana@wren.example', true], ['wren.example', 'from ana@wren.example', true],
    ['hruby', 'Tomáš Hrubý', true], ['返品', '商品を返品したい', true], ['返金', '商品を返品したい', false],
    ['"late parcel"', 'My late, parcel', true], ['"late parcel"', 'parcel is late', false],
    ['kite -gift', 'a kite', true], ['kite -gift', 'a kite, a gift', false], ['+45 12', 'call +45 12 34', true],
]);

it('marks what was found as it was written', function (): void {
    expect(FoundWords::in('Dear Tomáš, B-20431!', ['tomas', 'b20431']))->toBe([['Dear ', false], ['Tomáš', true], [', ', false], ['B-20431', true], ['!', false]])
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
