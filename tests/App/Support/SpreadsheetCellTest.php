<?php

declare(strict_types=1);

use App\Support\SpreadsheetCell;

it('makes a text of what a spreadsheet would compute, and reads it back as it was', function (string $text, string $written): void {
    expect(SpreadsheetCell::write($text))->toBe($written)->and(SpreadsheetCell::read($written))->toBe($text);
})->with([
    'a formula' => ['=HYPERLINK("http://x.example")', '\'=HYPERLINK("http://x.example")'],
    'a plus' => ['+45 20 00 01 88', "'+45 20 00 01 88"],
    'a minus' => ['-2+3', "'-2+3"],
    'an at sign' => ['@SUM(1)', "'@SUM(1)"],
    'behind a tab' => ["\t=1", "'\t=1"],
    'wide' => ['＝1+1', "'＝1+1"],
    'with an apostrophe already' => ["'=1", "''=1"],
    'a plain text' => ['Dear Ana = hello', 'Dear Ana = hello'],
    'an apostrophe of a text' => ["'s Gravenhage", "'s Gravenhage"],
    'nothing' => ['', ''],
]);
