<?php

declare(strict_types=1);

use Cairnfield\Core\Mail\FlowedText;

/*
 * RFC 3676, format=flowed.
 */

it('puts paragraphs together again', function (string $text, string $joined, bool $deletesSpace = false): void {
    expect(FlowedText::joined($text, $deletesSpace))->toBe($joined);
})->with([
    'a paragraph' => ["The kite tore \nat the seam.\nSecond line", "The kite tore at the seam.\nSecond line"],
    'an empty line ends it' => ["One \n\nTwo", "One\n\nTwo"],
    'quoted text of one depth' => ["> You said \n> this.\nYes", "> You said this.\nYes"],
    'quotes are not joined with what is not quoted' => ["> You said \nI say", "> You said\nI say"],
    'nor with another depth' => ["> One \n>> two \n>> three\n", "> One\n>> two three\n"],
    'a space that was put before' => [" >not a quote\n From here \n on", ">not a quote\nFrom here on"],
    'the mark of a signature' => ["Bye \n-- \nAna \nWrenfield", "Bye\n-- \nAna Wrenfield"],
    'a quoted mark of a signature' => ["> Bye \n> -- \n> Ana", "> Bye\n> --\n> Ana"],
    'the space is the program’s' => ["返品は \nできますか", '返品はできますか', true],
    'the last line stays open' => ['Half ', 'Half'],
    'a quote of nothing' => [">\n>\n", ">\n>\n"],
    'nothing' => ['', ''],
]);

it('costs no more than in line with its size', function (): void {
    $text = str_repeat(str_repeat('a', 70)." \n", 100_000);
    $began = memory_get_peak_usage();
    expect(strlen(FlowedText::joined($text, true)))->toBe(7_000_001)
        ->and(memory_get_peak_usage() - $began)->toBeLessThan(200_000_000)
        ->and(FlowedText::joined(str_repeat('>', 1_000_000).' x', false))->toBe(str_repeat('>', 1_000_000).' x');
});
