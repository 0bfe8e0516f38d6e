<?php

declare(strict_types=1);

use App\Channels\Mail\CharsetDecoder;

it('reads every byte there is, in any charset that is claimed', function (?string $claimed): void {
    $bytes = implode('', array_map(chr(...), range(0, 255)));
    [$text, $mark] = CharsetDecoder::decode($bytes, $claimed);
    expect(mb_check_encoding($text, 'UTF-8'))->toBeTrue()
        ->and($text)->toContain('ABC')
        ->and($mark === null || str_contains($mark, 'shown as'))->toBeTrue();
})->with([
    null, '', 'utf-8', 'us-ascii', 'iso-8859-1', 'iso-8859-15', 'windows-1252', 'windows-1257', 'koi8-r', 'macintosh', 'x-unknown',
    'nonsense', "bad\0name", str_repeat('x', 500),
]);

it('names in its mark what was claimed', function (): void {
    expect(CharsetDecoder::decode("Gr\xFC\xDFe", 'x-klingon'))->toBe([
        'Grüße', 'The charset “X-KLINGON” is not known; the text is shown as Windows-1252.',
    ])
        ->and(CharsetDecoder::decode('Grüße', 'x-klingon')[1])->toBe('The charset “X-KLINGON” is not known; the text is shown as UTF-8.')
        ->and(CharsetDecoder::decode("Gr\xFC\xDFe", 'utf-8')[1])
        ->toBe('The text claims to be UTF-8 and is not; it is shown as Windows-1252.');
});

it('takes the mark of the byte order off', function (): void {
    expect(CharsetDecoder::decode("\xEF\xBB\xBFkite", 'utf-8'))->toBe(['kite', null])
        ->and(CharsetDecoder::decode("\xEF\xBB\xBFkite", null))->toBe(['kite', null]);
});
