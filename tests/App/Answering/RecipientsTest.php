<?php

declare(strict_types=1);

use App\Answering\Recipients;
use App\Conversations\ConversationRefused;

it('reads addresses as people write them', function (string $written, array $addresses): void {
    expect(Recipients::read($written))->toBe($addresses);
})->with([
    'one' => ['ana@wren.example', ['ana@wren.example']],
    'several' => ["ana@wren.example, b@x.example;c@x.example d@x.example\ne@x.example", [
        'ana@wren.example', 'b@x.example', 'c@x.example', 'd@x.example', 'e@x.example',
    ]],
    'with a name' => ['Jürgen Müller <j@mueller.example>', ['j@mueller.example']],
    'with a name in quotes' => ['"Müller, Jürgen" <j@mueller.example>, Ana <ana@wren.example>', ['j@mueller.example', 'ana@wren.example']],
    'in brackets alone' => ['<j@mueller.example>', ['j@mueller.example']],
    'twice' => ['Ana@wren.example, Ana <ana@wren.example>', ['ana@wren.example']],
    'nothing' => [' ', []],
]);

it('refuses what is no address, and says which', function (string $written, string $which): void {
    expect(fn () => Recipients::read($written))->toThrow(ConversationRefused::class, $which);
})->with([
    ['Jürgen Müller', 'Jürgen'], ['Jürgen <mueller.example>', 'mueller.example'], ['ana@wren.example Bea', 'Bea'],
    ['Ana <ana@wren.example', 'Ana'], ["\xff", '?'],
]);
