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
