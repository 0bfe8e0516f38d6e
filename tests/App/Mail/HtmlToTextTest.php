<?php

declare(strict_types=1);

use App\Channels\Mail\HtmlToText;

it('makes text of HTML as a person would read it aloud', function (string $html, string $text): void {
    expect(HtmlToText::convert($html))->toBe($text);
})->with([
    'paragraphs and breaks' => ['<p>Hello</p><p>kite<br>gone</p>', "Hello\n\nkite\ngone"],
    'white space of the source' => ["<p>Hello\n   there</p>\n\n\n<p>kite</p>", "Hello there\n\nkite"],
    'a list' => ['<ul><li>one</li><li>two</li></ul>', "- one\n- two"],
    'a table' => ['<table><tr><td>Line</td><td>28 kg</td></tr><tr><td>Tail</td><td>6 m</td></tr></table>', "Line 28 kg\n\nTail 6 m"],
    'a link with a name' => ['<a href="https://parcel.example/1">your parcel</a>', 'your parcel (https://parcel.example/1)'],
    'a link that shows its address' => ['<a href="https://parcel.example/1">parcel.example/1</a>', 'parcel.example/1'],
    'a quote' => ['<p>Yes.</p><blockquote><p>Really?</p><p>Now?</p></blockquote>', "Yes.\n\n> Really?\n>\n> Now?"],
    'what is not to be read' => ['<head><title>x</title><style>p{}</style></head><p>kite</p><script>x()</script>', 'kite'],
    'a picture with words' => ['<p>look <img src="x" alt="a kite"></p>', 'look [a kite]'],
    'entities' => ['<p>5 &lt; 6 &amp; &euro; 7&nbsp;kg</p>', '5 < 6 & € 7 kg'],
    'broken nesting' => ['<p>one <b>two</p> three', "one two\n\nthree"],
    'nothing' => ['', ''],
]);
