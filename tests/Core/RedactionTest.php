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

it('takes nothing but what it found, finds nothing twice, and leaves nothing that it would find again', function (): void {
    mt_srand(4111);
    $pieces = [
        '4111111111111111', '4111 1111 1111 1111', '5500-0055-5555-5559', '4012888888881881', '1234', '00',
        'DE89370400440532013000', 'GB29 NWBK 6016 1331 9268 19', 'x', 'é', '٣', "\u{A0}", '–', '.', ' ', "\n", '71-4480217',
        '+45 20 00 01 88',
    ];
    $redaction = Redaction::of(SecretKind::Card, SecretKind::Iban);
    for ($round = 0; $round < 1500; $round++) {
        $text = implode(
            '',
            array_map(
                static fn (): string => $pieces[mt_rand(0, count($pieces) - 1)].(mt_rand(0, 1) === 0 ? ' ' : ''),
                range(1, mt_rand(1, 6))
            )
        );
        $redacted = $redaction->redact($text);
        $from = 0;
        $rebuilt = '';
        foreach ($redacted->found as $secret) {
            expect($secret->start)->toBeGreaterThanOrEqual($from);
            $taken = substr($text, $secret->start, $secret->length);
            $rebuilt .= substr($text, $from, $secret->start - $from).$secret->kind->mark($secret->last4);
            expect(substr((string) preg_replace('/[^0-9A-Z]/', '', $taken), -4))->toBe($secret->last4)
                ->and(preg_match('/^[0-9A-Z].*[0-9A-Z]$/s', $taken))->toBe(1);
            $from = $secret->end();
        }
        expect($redacted->text)->toBe($rebuilt.substr($text, $from))
            ->and(mb_check_encoding($redacted->text, 'UTF-8'))->toBeTrue()
            ->and($redaction->redact($redacted->text)->text)->toBe($redacted->text);
    }
});

it('looks only for what it is asked for', function (): void {
    $text = '4111 1111 1111 1111 and DE89370400440532013000';
    expect(Redaction::of(SecretKind::Card)->redact($text)->text)->toBe('[card …1111] and DE89370400440532013000')
        ->and(Redaction::of(SecretKind::Iban)->redact($text)->text)->toBe('4111 1111 1111 1111 and [IBAN …3000]')
        ->and(Redaction::of()->redact($text)->text)->toBe($text);
});

it('finds cards of every length that there is, and none a digit shorter or longer', function (int $length): void {
    mt_srand($length);
    for ($round = 0; $round < 20; $round++) {
        $digits = (string) mt_rand(2, 6).implode('', array_map(static fn (): string => (string) mt_rand(0, 9), range(1, $length - 2)));
        $check = array_values(array_filter(range(0, 9), static function (int $last) use ($digits): bool {
            $sum = 0;
            foreach (array_reverse(str_split($digits.$last)) as $place => $digit) {
                $value = (int) $digit * ($place % 2 === 0 ? 1 : 2);
                $sum += $value > 9 ? $value - 9 : $value;
            }

            return $sum % 10 === 0;
        }))[0];
        $redacted = Redaction::of(SecretKind::Card)->redact("no {$digits}{$check}, please");
        $isCard = $length >= 13 && $length <= 19;
        expect($redacted->found)->toHaveCount($isCard ? 1 : 0)
            // Any other last digit is none.
            ->and(Redaction::of(SecretKind::Card)->redact($digits.(($check + 1) % 10))->found)->toBe([]);
    }
})->with([12, 13, 14, 15, 16, 17, 18, 19, 20]);

it('takes out what stands beside something else, and each of two that touch', function (string $text, string $expected): void {
    expect(Redaction::of(SecretKind::Card, SecretKind::Iban)->redact($text)->text)->toBe($expected);
})->with([
    'a card behind other groups' => ['ref 1234 4111 1111 1111 1111', 'ref 1234 [card …1111]'],
    'a card before other groups' => ['4111 1111 1111 1111 9', '[card …1111] 9'],
    'an account of fifteen characters' => ['to NO9386011117947.', 'to [IBAN …7947].'],
    'two accounts' => ['NO9386011117947 NO9386011117947', '[IBAN …7947] [IBAN …7947]'],
    'an account below another' => ["GB82 WEST 1234 5698 7654 32\nNO93 8601 1117 947", "[IBAN …5432]\n[IBAN …7947]"],
]);
