<?php

declare(strict_types=1);

use App\Channels\HtmlAsText;
use App\Channels\RedactArrival;

it('reads HTML as a person does', function (string $html, string $text): void {
    expect(HtmlAsText::of($html)->text())->toBe($text);
})->with([
    'within a line' => ['<b>41</b>11<i> 1111</i>', '4111 1111'],
    'lines' => ['4111 1111<br>1111<br/>1111', "4111 1111\n1111\n1111"],
    'cells' => ['<td>4111</td><td>1111</td>', "\t4111\t\t1111\t"],
    'signs by their names' => ['4111&nbsp;1111&#49;&shy;', "4111\u{A0}11111\u{AD}"],
    'nothing' => ['', ''],
]);

it('replaces what is spread over elements where it begins, and leaves them standing', function (
    string $html, array $places, string $is
): void {
    $text = HtmlAsText::of($html);
    $text->replace($places);
    expect($text->html())->toBe($is);
})->with([
    'one' => ['<p>a <b>41</b>11 z</p>', [[3, 4, '[x]']], '<p>a <b>[x]</b> z</p>'],
    'over a line end' => ['41<br>11 & <i>z</i>', [[0, 5, '[x]']], '[x]<br> &amp; <i>z</i>'],
    'two of them' => ['<b>41</b>11 <i>42</i>22', [[0, 4, '[x]'], [5, 4, '[y]']], '<b>[x]</b> <i>[y]</i>'],
    'none' => ['<b>41</b> &lt;i&gt;', [], '<b>41</b> &lt;i&gt;'],
]);

it('takes numbers out of HTML wherever they stand in it, and shows none where one stands in an attribute', function (): void {
    $redact = app(RedactArrival::class);
    $found = [];
    expect($redact->html('<p>Pay <b>4111</b> 1111<br>1111 <u>1111</u>.</p>', $found))->toBe('<p>Pay <b>[card …1111]</b><br><u></u>.</p>')
        ->and($found)->toBe([['kind' => 'card', 'last4' => '1111']]);
    $found = [];
    expect($redact->html('<a href="https://x.example/?c=4111%201111%201111%201111">here</a>', $found))->toBeNull()
        ->and($found)->toHaveCount(1);
    $found = [];
    $half = '<a href="https://x.example/4111-1111">a</a><a href="https://x.example/1111-1111">b</a>';
    expect($redact->html($half, $found))->toBe($half)->and($found)->toBe([]);
});
