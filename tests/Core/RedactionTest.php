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

it('finds widely what is broken or written in another way', function (string $text, string $expected): void {
    $redaction = Redaction::of(SecretKind::Card, SecretKind::Iban);
    expect($redaction->widely()->redact($text)->text)->toBe($expected)
        // Without it nothing changes for anybody.
        ->and($redaction->redact($text)->text)->not->toBe($expected);
})->with([
    'a line end' => ["My card: 4111 1111\n1111 1111, thanks", 'My card: [card …1111], thanks'],
    'a line end with quote marks' => ["> 4111 1111 1111\r\n> > 1111 is it", '> [card …1111] is it'],
    'behind a hyphen' => ["4111-1111-\r\n1111-1111", '[card …1111]'],
    'behind a hyphen, softly' => ["4111-1111-=\r\n1111-1111", '[card …1111]'],
    'a soft break between groups' => ["4111 1111=\r\n1111 1111", '[card …1111]'],
    'a flowed line' => ["4111 1111 \n1111 1111", '[card …1111]'],
    'American Express over lines' => ["3782\n822463 10005", '[card …0005]'],
    'tabs' => ["4111\t1111\t1111\t1111", '[card …1111]'],
    'slashes and underscores' => ['4111/1111/1111/1111 4111_1111_1111_1111', '[card …1111] [card …1111]'],
    'soft hyphens' => ["4111\u{AD}1111\u{AD}1111\u{AD}1111", '[card …1111]'],
    'zero-width spaces beside spaces' => ["4111 \u{200B}1111 \u{200B}1111\u{200B} 1111", '[card …1111]'],
    'format characters inside a group' => ["41\u{200D}11111111111111", '[card …1111]'],
    'other white space' => ["4111\u{2009}1111\u{3000}1111\u{2003}1111", '[card …1111]'],
    'full-width digits' => ['４１１１１１１１１１１１１１１１', '[card …1111]'],
    'Arabic digits' => ['٤١١١ ١١١١ ١١١١ ١١١١', '[card …1111]'],
    'digits of two scripts' => ['4111 1111 ١١١١ 1111', '[card …1111]'],
    'behind more digits than any card has' => ['４４４４４４４４４４４４４４４４４４４４４４４ ４１１１１１１１１１１１１１１１', '４４４４４４４４４４４４４４４４４４４４４４４ [card …1111]'],
    'behind a word of another alphabet' => ['ж４１１１ ４１１１１１１１１１１１１１１１', 'ж４１１１ [card …1111]'],
    'an account in small letters' => ['to de89 3704 0044 0532 0130 00 thanks', 'to [IBAN …3000] thanks'],
    'an account in small letters, in one piece' => ['de89370400440532013000.', '[IBAN …3000].'],
    'an account over a line end' => ["DE89 3704 0044\n> 0532 0130 00", '[IBAN …3000]'],
    'an account with slashes' => ['GB29/NWBK/6016/1331/9268/19', '[IBAN …6819]'],
    'an account with soft hyphens' => ["DE89\u{AD}3704\u{AD}0044\u{AD}0532\u{AD}0130\u{AD}00", '[IBAN …3000]'],
    'an account in full-width' => ['ＤＥ８９３７０４００４４０５３２０１３０００', '[IBAN …3000]'],
]);

it('takes widely nothing else for a number', function (string $text): void {
    expect(Redaction::of(SecretKind::Card, SecretKind::Iban)->widely()->redact($text)->found)->toBe([]);
})->with([
    'two line ends' => ["4111 1111\n1111\n1111"],
    'an empty line' => ["4111 1111\n\n1111 1111"],
    'groups of other sizes over a line end' => ["41111\n11111111111"],
    'groups of other sizes with tabs' => ["41111\t11111111111"],
    'telephone numbers in a column' => ["20 00 01 88\n20 00 01 89\n20 00 01 90\n20 00 01 91"],
    'a letter touches' => ['é４１１１１１１１１１１１１１１１'],
    'a sentence' => ['so 12 people want to know when the delta of 3 colours is back, and at 15 we have 20 more'],
    'small letters in other groups' => ['de 89370400 440532 013000'],
    'circled and roman numbers' => ['④①①① ①①①① ①①①① ①①①①'],
]);

it('finds widely what it finds otherwise, in any text of plain groups', function (): void {
    mt_srand(2026);
    $pieces = ['4111 1111 1111 1111', '4012888888881881', '1234', 'DE89370400440532013000', 'x', 'é', '.', ', ', '12/29', '(', '—'];
    foreach (range(1, 500) as $round) {
        $text = implode('', array_map(static fn (): string => $pieces[mt_rand(0, count($pieces) - 1)].' ', range(1, mt_rand(1, 6))));
        $redaction = Redaction::of(SecretKind::Card, SecretKind::Iban);
        expect($redaction->widely()->redact($text)->text)->toBe($redaction->redact($text)->text);
    }
});

it('takes no number of an order, a parcel or a telephone that it would not take otherwise', function (string $between): void {
    mt_srand(71);
    $digits = static fn (int $count): string => implode('', array_map(static fn (): string => (string) mt_rand(0, 9), range(1, $count)));
    $kinds = [
        static fn (): string => 'B-2'.$digits(4),
        static fn (): string => '71-4'.$digits(6),
        static fn (): string => 'QM2'.$digits(7),
        static fn (): string => 'WP7'.$digits(6),
        static fn (): string => 'wp7'.$digits(6),
        static fn (): string => '2'.$digits(7),
        static fn (): string => '+45 2'.$digits(1).' '.$digits(2).' '.$digits(2).' '.$digits(2),
        static fn (): string => '+49 30 '.$digits(7),
        static fn (): string => '0'.$digits(2).'/'.$digits(6),
        static fn (): string => '4'.$digits(4).'_'.$digits(5),
    ];
    $redaction = Redaction::of(SecretKind::Card, SecretKind::Iban);
    foreach ($kinds as $kind) {
        $text = implode($between, array_map(static fn (): string => $kind(), range(1, 300)));
        expect(count($redaction->widely()->redact($text)->found))->toBeLessThanOrEqual(count($redaction->redact($text)->found));
    }
    $mixed = implode($between, array_map(static fn (int $at): string => $kinds[$at % count($kinds)](), range(1, 3000)));
    expect(count($redaction->widely()->redact($mixed)->found))->toBeLessThanOrEqual(count($redaction->redact($mixed)->found));
})->with(['a column' => ["\n"], 'quoted' => ["\n> "], 'tabs' => ["\t"], 'commas' => [', '], 'slashes' => ['/'], 'rows' => [' ']]);

it('is as quick widely as the text is long', function (string $text): void {
    $redaction = Redaction::of(SecretKind::Card, SecretKind::Iban)->widely();
    expect(strlen($redaction->redact($text.' 4111111111111111')->text))->toBeLessThan(strlen($text) + 20);
})->with([
    'digits in groups' => [str_repeat('1 ', 300_000)], 'one number' => [str_repeat('4', 600_000)],
    'beginnings of accounts' => [str_repeat('AB12 ', 60_000)], 'line ends and quote marks' => [str_repeat("4111\n> > ", 60_000)],
    'what nobody sees' => [str_repeat("\u{200B}", 200_000)],
]);
