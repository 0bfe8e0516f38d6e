<?php

declare(strict_types=1);

use Cairnfield\Core\Text\JunkSignals;

it('knows plain junk, and says why', function (): void {
    $junk = JunkSignals::of(
        'FIRST PAGE OF GOOGLE IN 7 DAYS', 'We offer SEO and backlinks to increase your traffic!!!', 'Growth Team',
        'x@growth.example'
    );
    expect($junk->areEnough())->toBeTrue()
        ->and($junk->reasons)->toContain('its subject is all capitals');

    $phish = JunkSignals::of(
        'Your mailbox', 'Please verify your account', 'care@brindle.example', 'a@b.example',
        '<a href="https://evil.example/x">https://brindle.example/login</a>'
    );
    expect($phish->areEnough())->toBeTrue();
});

it('leaves customers alone, also the upset ones', function (string $subject, string $text, string $name): void {
    expect(JunkSignals::of($subject, $text, $name, 'ana@wrenfield.example')->areEnough())->toBeFalse();
})->with([
    ['WHERE IS MY KITE', 'THIS IS THE THIRD TIME I WRITE!!! B-20388', 'Ana Wrenfield'],
    ['Two links', 'See https://wren.example/t/1 and https://shop.example/o/2, both say delivered, but nothing has come to us yet.', 'Ana'],
    ['lottery', 'My school runs a lottery for the festival, may we give away a Merlin?', 'Ana'],
    ['', '🪁', ''],
]);

it('weighs each sign, and calls it junk from five points on', function (array $letter, int $points, bool $junk): void {
    $signals = JunkSignals::of(...$letter);
    expect($signals->points)->toBe($points)->and($signals->areEnough())->toBe($junk)->and(count($signals->reasons) > 0)->toBe($points > 0);
})->with([
    'nothing' => [['Where is it', 'Where is my kite?', 'Ana', 'ana@x.example'], 0, false],
    'one offer' => [['Hello', 'We do SEO.', 'Ana', 'ana@x.example'], 3, false],
    'two offers' => [['Hello', 'SEO and backlinks.', 'Ana', 'ana@x.example'], 6, true],
    'many offers count as two' => [['Casino', 'seo backlinks bitcoin forex lottery', 'Ana', 'ana@x.example'], 6, true],
    'an offer inside another word' => [['Museo', 'The museo has kites', 'Ana', 'ana@x.example'], 0, false],
    'a shouted subject and rows of signs' => [['WHERE IS MY KITE NOW', 'Tell me!!!', 'Ana', 'ana@x.example'], 4, false],
    'a short shout' => [['WHERE IS IT', 'Tell me', 'Ana', 'ana@x.example'], 0, false],
    'three links in few words' => [['Look', 'http://a.example http://b.example http://c.example', 'Ana', 'ana@x.example'], 3, false],
    'two links and nothing else' => [['Look', 'http://a.example http://b.example', 'Ana', 'ana@x.example'], 0, false],
    'three links in 35 words' => [
        ['Look', str_repeat('kite ', 26).'http://a.example http://b.example http://c.example', 'Ana', 'ana@x.example'], 3, false,
    ],
    'three links in 36 words' => [
        ['Look', str_repeat('kite ', 27).'http://a.example http://b.example http://c.example', 'Ana', 'ana@x.example'], 0, false,
    ],
    'twelve capitals' => [['ABCDEF GHIJKL', 'Hello', 'Ana', 'ana@x.example'], 2, false],
    'eleven capitals' => [['ABCDEF GHIJK', 'Hello', 'Ana', 'ana@x.example'], 0, false],
    'nine capitals of ten letters' => [['ABCDEFGHI ABCDEFGHI xy', 'Hello', 'Ana', 'ana@x.example'], 2, false],
    'less than nine of ten' => [['ABCDEFGHI ABCDEFGHI xyz', 'Hello', 'Ana', 'ana@x.example'], 0, false],
    'five points' => [['WHERE IS MY KITE NOW', 'We do SEO.', 'Ana', 'ana@x.example'], 5, true],
    'three signs in a row over the subject’s end' => [['Now!!', '!', 'Ana', 'ana@x.example'], 2, false],
    'three links in a letter' => [
        ['Look', str_repeat('many words about kites ', 12).'http://a.example http://b.example http://c.example', 'Ana', 'ana@x.example'],
        0, false,
    ],
    'another address as a name' => [['Hi', 'Hello', 'care@brindle.example', 'eve@evil.example'], 3, false],
    'one’s own address as a name' => [['Hi', 'Hello', 'Eve@Evil.example', 'eve@evil.example'], 0, false],
    'no address at all' => [['Hi', 'Hello', 'care@brindle.example', ''], 0, false],
]);

it('sees a link that leads elsewhere than it says, and none that does not', function (string $html, bool $hides): void {
    expect(JunkSignals::of('Hi', 'Hello', 'Ana', 'ana@x.example', $html)->points)->toBe($hides ? 3 : 0);
})->with([
    ['<a href="https://evil.example/x">https://brindle.example/login</a>', true],
    ["<a class='b' href='https://evil.example'>brindle</a>", false],
    ['<a href="https://www.brindle.example/x">https://brindle.example</a>', false],
    ['<a href="https://brindle.example.evil.example/">https://brindle.example/</a>', true],
    ['<A HREF=https://evil.example>http://BRINDLE.example</A>', true],
    ['<a href="/local">https://brindle.example</a>', false],
    ['<a href="https://brindle.example">https://brindle.example.</a>', false],
]);

it('names the first three offers, and every other sign in its own words', function (): void {
    $signals = JunkSignals::of(
        'LOOK AT ALL THIS MONEY', 'SEO backlinks bitcoin forex $$$ http://a.example http://b.example '
            .'http://c.example', 'care@brindle.example',
        'eve@evil.example', '<a href="https://evil.example/x">https://brindle.example/login</a>'
    );
    expect($signals->reasons[0])->toMatch('/^it offers “[^“]+”, “[^“]+”, “[^“]+”$/')
        ->and(array_slice($signals->reasons, 1))->toBe([
            'it is mostly links (3)', 'its subject is all capitals', 'it has rows of exclamation or money signs',
            'its sender’s name is another address', 'a link shows one address and leads to another',
        ]);
});

it('looks through the first 200,000 bytes of the page for links, and no further', function (): void {
    $link = '<a href="https://evil.example/x">https://brindle.example/login</a>';
    expect(JunkSignals::of('Hi', 'Hello', 'Ana', 'ana@x.example', str_repeat(' ', 199_000).$link)->points)->toBe(3)
        ->and(JunkSignals::of('Hi', 'Hello', 'Ana', 'ana@x.example', str_repeat(' ', 200_000).$link)->points)->toBe(0);
});
