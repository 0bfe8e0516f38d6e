<?php

declare(strict_types=1);

use Cairnfield\Core\Text\Language;

it('tells the language of a short message', function (string $language, string $text): void {
    expect(Language::of($text))->toBe($language);
})->with([
    ['en', 'Where is my kite?'],
    ['en', 'still no kite, festival is on saturday'],
    ['da', 'Hvor er min pakke? Den skulle være kommet i går.'],
    ['da', 'Hej, jeg har ikke modtaget min drage endnu'],
    ['sv', 'Hej, min drake har inte kommit fram än, när kommer den?'],
    ['nb', 'Hei, jeg har ikke fått pakken min ennå, og dragen skal brukes på lørdag'],
    ['de', 'Wo bleibt mein Paket?'],
    ['nl', 'Goedendag, mijn vlieger is nog niet aangekomen'],
    ['fr', 'Où est mon colis ?'],
    ['es', 'Hola, no he recibido mi cometa todavía'],
    ['pt', 'Olá, a minha encomenda ainda não chegou'],
    ['it', 'Buongiorno, il mio aquilone non è ancora arrivato'],
    ['lv', 'Labdien, mana paciņa vēl nav pienākusi.'],
    ['fi', 'Hei, leijani ei ole vielä saapunut perille'],
    ['pl', 'Dzień dobry, moja paczka jeszcze nie dotarła'],
    ['cs', 'Dobrý den, můj drak ještě nepřišel'],
    ['ja', '凧がまだ届きません'],
    ['zh', '我的风筝还没有到'],
    ['ru', 'Здравствуйте, мой воздушный змей ещё не пришёл'],
    ['ar', 'مرحبا، لم تصل طائرتي الورقية بعد'],
    ['he', 'שלום, העפיפון שלי עדיין לא הגיע'],
]);

it('says nothing where there is too little to tell', function (string $text): void {
    expect(Language::of($text))->toBeNull();
})->with(['', 'ok', '🪁🪁🪁', 'B-20417', 'https://shop.example/where/is/my/kite', "\xff\xfe broken"]);

it('is not misled by a name, a number or a link in another script', function (): void {
    expect(Language::of('Guten Tag, ich bin 田中 und mein Drachen ist noch nicht da: https://shop.example/the/kite B-20417'))->toBe('de');
});

it('tells the language of a long text by its beginning', function (): void {
    expect(Language::of(str_repeat('Where is my kite? ', 200_000)))->toBe('en');
});

it('says nothing where no language is ahead, or the text belongs to no script that it knows', function (string $text): void {
    expect(Language::of($text))->toBeNull();
})->with(['de de de de de de', 'jeg har ikke', 'qqqqq wwwww xxxxx zzzzz', 'xqzw jkvq xqzw', 'ⴰⵣⵓⵍ ⴰⵣⵓⵍ ⴰⵣⵓⵍ ⴰⵣⵓⵍ']);

it('takes a text for one of a script where a quarter of its letters are', function (string $text, ?string $language): void {
    expect(Language::of($text))->toBe($language);
})->with([
    ['凧凧 abcdef', 'zh'], ['凧凧 abcdefg', null], ['凧', 'zh'], ['凧が B-20417', 'ja'],
]);

it('reads ten letters, and no fewer', function (string $text, ?string $language): void {
    expect(Language::of($text))->toBe($language);
})->with(
    [
        ['Where is it', null], ['Where is it?!', null], ['Where is my', null], ['Where is the', 'en'], ['Wo ist der', null],
        ['Wo ist das Paket', 'de'],
    ]
);
