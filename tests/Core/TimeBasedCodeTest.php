<?php

declare(strict_types=1);

use Cairnfield\Core\SignIn\Base32;
use Cairnfield\Core\SignIn\TimeBasedCode;

it('gives the codes of RFC 6238, appendix B', function (int $time, string $code): void {
    expect((new TimeBasedCode('12345678901234567890', 8))->at($time))->toBe($code);
})->with([
    [59, '94287082'], [1_111_111_109, '07081804'], [1_111_111_111, '14050471'], [1_234_567_890, '89005924'],
    [2_000_000_000, '69279037'], [20_000_000_000, '65353130'],
]);

it('takes a code for as long as it is shown, and one step before and behind', function (): void {
    $codes = new TimeBasedCode('12345678901234567890');
    $time = 1_234_567_890;
    $step = intdiv($time, 30);
    foreach ([-1, 0, 1] as $off) {
        expect($codes->accepts($codes->at($time + 30 * $off), $time, null))->toBe($step + $off);
    }
    expect($codes->accepts($codes->at($time - 60), $time, null))->toBeNull()
        ->and($codes->accepts($codes->at($time + 60), $time, null))->toBeNull()
        ->and($codes->accepts(chunk_split($codes->at($time), 3, ' '), $time, null))->toBe($step);
});

it('takes each code once, and none from before', function (): void {
    $codes = new TimeBasedCode('12345678901234567890');
    $time = 1_234_567_890;
    $used = $codes->accepts($codes->at($time), $time, null);
    expect($codes->accepts($codes->at($time), $time, $used))->toBeNull()
        ->and($codes->accepts($codes->at($time - 30), $time, $used))->toBeNull()
        ->and($codes->accepts($codes->at($time + 30), $time + 30, $used))->toBe($used + 1);
});

it('takes nothing that is no code', function (string $typed): void {
    expect((new TimeBasedCode('12345678901234567890'))->accepts($typed, 1_234_567_890, null))->toBeNull();
})->with(['', '0', '000000', '12345', '1234567', 'abcdef', "005924\0", '５９２４００']);

it('writes bytes as RFC 4648 does, and reads them as people type them', function (string $bytes, string $written): void {
    expect(Base32::encode($bytes))->toBe($written)
        ->and(Base32::decode($written))->toBe($bytes)
        ->and(Base32::decode(strtolower(chunk_split($written, 4, ' ')).'=='))->toBe($bytes);
})->with([
    ['', ''], ['f', 'MY'], ['fo', 'MZXQ'], ['foo', 'MZXW6'], ['foob', 'MZXW6YQ'], ['fooba', 'MZXW6YTB'], ['foobar', 'MZXW6YTBOI'],
    ["\0\xFF\0", 'AD7QA'],
]);

it('reads nothing that has other signs in it', function (string $written): void {
    expect(Base32::decode($written))->toBeNull();
})->with(['MZXW1', 'MZ-XW', 'ÄÖ', 'M=ZX']);
