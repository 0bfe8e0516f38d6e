<?php

declare(strict_types=1);

use Cairnfield\Core\Text\Redaction;
use Cairnfield\Core\Text\SecretKind;

it('takes out what is a number of a card or a bank account, and nothing else', function (string $text, string $expected): void {
    expect(Redaction::of(SecretKind::Card, SecretKind::Iban)->redact($text)->text)->toBe($expected);
})->with([
    'two cards side by side' => ['4111111111111111 5500005555555559', '[card …1111] [card …5559]'],
    'no-break spaces and en dashes join' => ["4111\u{A0}1111–1111\u{202F}1111", '[card …1111]'],
    'two joiners do not' => ['4111  1111 1111 1111', '4111  1111 1111 1111'],
    'a letter of another alphabet touches' => ['ж4111111111111111', 'ж4111111111111111'],
    'a digit of another script touches' => ['4111111111111111٣', '4111111111111111٣'],
    'beginning with 1 is no card' => ['1111 1111 1111 1117', '1111 1111 1111 1117'],
    'the longest from the first place' => ['4111 1111 1111 1111 110', '[card …1110]'],
    'an account with an end too much is shortened at a joiner' => ['GB29 NWBK 6016 1331 9268 19 EUR', '[IBAN …6819] EUR'],
    'an account that a letter touches stays' => ['XDE89370400440532013000', 'XDE89370400440532013000'],
    'a card does not reach across an account' => ['4111 1111 DE89370400440532013000 1111 1111', '4111 1111 [IBAN …3000] 1111 1111'],
    'nothing at all' => ['', ''],
]);

it('stays fast on a long text of digits', function (): void {
    $text = str_repeat('1234 ', 40_000).'4111111111111111';
    $redacted = Redaction::of(SecretKind::Card, SecretKind::Iban)->redact($text);
    expect($redacted->found)->toHaveCount(1)->and($redacted->found[0]->last4)->toBe('1111');
});
