<?php

declare(strict_types=1);

use App\Support\HtmlLimits;

it('stops where it is full to the last byte, whatever follows', function (string $follows): void {
    [$kept, $isCut] = HtmlLimits::apply(str_repeat('x ', intdiv(HtmlLimits::LONGEST, 2)).str_repeat($follows, 20_000));
    expect($isCut)->toBeTrue()->and(strlen($kept))->toBe(HtmlLimits::LONGEST);
})->with(['links' => ['<a href="https://x.example/">y</a> '], 'text' => ['ж <b>'], 'ends' => ['</p> ']]);

it('cuts no letter in two', function (): void {
    [$kept, $isCut] = HtmlLimits::apply('x'.str_repeat('ж', intdiv(HtmlLimits::LONGEST, 2)).'<p>z');
    expect($isCut)->toBeTrue()->and(mb_check_encoding($kept, 'UTF-8'))->toBeTrue()
        ->and(strlen($kept))->toBeLessThan(HtmlLimits::LONGEST + 10);
});
