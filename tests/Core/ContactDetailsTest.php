<?php

declare(strict_types=1);

use Cairnfield\Core\Text\ContactDetails;

it('finds what leads away from the marketplace', function (string $text, array $found): void {
    expect(ContactDetails::in($text))->toBe($found);
})->with([
    ['Write to care@brindle.example, please.', ['care@brindle.example']],
    ['See https://shop.example/merlin. Thanks', ['https://shop.example/merlin']],
    ['at www.brindle.example or brindle.example', ['www.brindle.example']],
    ['brindle.example/merlin has it', ['brindle.example/merlin']],
    ['It has 28 kg line, 30 m. Fly it e.g. at 3.5 knots.', []],
    ['@anaw, order 71-4480217 is on its way', []],
    ['', []],
]);

it('finds what is written so as not to be found, and takes no sentence for it', function (string $text, array $found): void {
    expect(ContactDetails::in($text))->toBe($found);
})->with([
    'in capitals' => ['HTTPS://SHOP.EXAMPLE/A', ['HTTPS://SHOP.EXAMPLE/A']],
    'in brackets' => ['(care@brindle.example)', ['care@brindle.example']],
    'twice' => ['a@b.example and a@b.example', ['a@b.example']],
    'a link that holds an address' => ['https://x.example/?mail=a@b.example', ['https://x.example/?mail=a@b.example']],
    'with umlauts' => ['müller@größe.example or größe.shop', ['müller@größe.example', 'größe.shop']],
    'no space after a full stop' => ['It is here.Do come', []],
    'a file' => ['See photo.jpeg and list.pdf', []],
    'a shop’s ending' => ['brindle.shop', ['brindle.shop']],
    'broken bytes' => ["a@b.example \xff", ['a@b.example']],
]);

it('names what it found in the order of the text, whatever it is', function (): void {
    expect(ContactDetails::in('Write to ana@wren.example, see https://wren.example/kites or call shop.example.'))
        ->toBe(['ana@wren.example', 'https://wren.example/kites', 'shop.example']);
});
