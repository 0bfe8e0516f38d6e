<?php

declare(strict_types=1);

use Cairnfield\Core\Mail\AuthenticationResults;
use Cairnfield\Core\Mail\SenderCheck;

/**
 * @param  list<string>  $fields  whole header fields, the uppermost first
 */
function senderCheck(array $fields, string $server = 'mx.brindle.example', string $domain = 'wrenfield.example'): ?SenderCheck
{
    return AuthenticationResults::check(
        array_map(static fn (string $field): array => array_pad(explode(':', $field, 2), 2, ''), $fields), $server, $domain
    );
}

it('reads what the server says of who sent a mail', function (string $says, ?SenderCheck $is): void {
    expect(senderCheck(["Authentication-Results: mx.brindle.example; {$says}"]))->toBe($is);
})->with([
    'policy kept' => ['dmarc=pass header.from=wrenfield.example', SenderCheck::Passed],
    'policy broken' => ['dmarc=fail (p=reject dis=none) header.from=wrenfield.example', SenderCheck::Failed],
    'policy before all else' => [
        'spf=pass smtp.mailfrom=wrenfield.example; dmarc=fail header.from=wrenfield.example', SenderCheck::Failed,
    ],
    'policy of another domain' => ['dmarc=pass header.from=thief.example', null],
    'no policy, signed' => ['dmarc=none header.from=wrenfield.example; dkim=pass header.d=wrenfield.example', SenderCheck::Passed],
    'signed by a part of it' => ['dkim=pass header.i=@mail.wrenfield.example header.s=s1', SenderCheck::Passed],
    'signed by somebody else' => ['dkim=pass header.d=thief.example', null],
    'signed by one that only ends like it' => ['dkim=pass header.d=notwrenfield.example', null],
    'signed by a whole suffix' => ['dkim=pass header.d=example', null],
    'signature broken' => ['dkim=fail (body hash did not verify) header.d=wrenfield.example', SenderCheck::Failed],
    'one signature broken, one whole' => [
        'dkim=fail header.d=list.example; dkim=pass header.d=wrenfield.example', SenderCheck::Passed,
    ],
    'broken, but sent from there' => [
        'dkim=fail header.d=wrenfield.example; spf=pass smtp.mailfrom=bounce@wrenfield.example', SenderCheck::Passed,
    ],
    'sent from elsewhere' => ['spf=fail smtp.mailfrom=ana@wrenfield.example', SenderCheck::Failed],
    'sent by another' => ['spf=pass smtp.mailfrom=x@thief.example', null],
    'perhaps' => ['spf=softfail smtp.mailfrom=wrenfield.example', null],
    'a failure of nobody in particular' => ['dkim=none; spf=fail', SenderCheck::Failed],
    'a policy of nobody in particular' => ['dmarc=fail (p=none)', SenderCheck::Failed],
    'a pass of nobody in particular' => ['dkim=pass; spf=pass', null],
    'nothing' => ['none', null],
    'nothing at all' => ['', null],
    'unknown methods' => ['arc=pass; iprev=fail policy.iprev=192.0.2.1', null],
    'a version and spaces' => ['dkim / 1 = pass (good; spf=fail) header.d = wrenfield.example', SenderCheck::Passed],
    'quoted' => ['spf=pass reason="all; dmarc=fail header.from=wrenfield.example" smtp.mailfrom="wrenfield.example"', SenderCheck::Passed],
    'over lines, in capitals' => ["\r\n\tDKIM=PASS\r\n header.d=WRENFIELD.example", SenderCheck::Passed],
    'nested comments' => ['dkim=fail (a (b) dkim=pass) header.d=wrenfield.example', SenderCheck::Failed],
    'a comment that never ends' => ['spf=pass (dkim=fail header.d=wrenfield.example', null],
    'bytes that are no text' => ["\xff\xfe dmarc=pass header.from=wrenfield.example\xff", null],
]);

it('believes the server that it is told to, and nobody else', function (): void {
    $pass = 'dmarc=pass header.from=wrenfield.example';
    expect(senderCheck(["Authentication-Results: mx.thief.example; {$pass}"]))->toBeNull()
        ->and(senderCheck(["Authentication-Results: MX.Brindle.example 1; {$pass}"]))->toBe(SenderCheck::Passed)
        ->and(senderCheck(["authentication-results: \"mx.brindle.example\"; {$pass}"]))->toBe(SenderCheck::Passed)
        ->and(senderCheck(["Authentication-Results: mx.brindle.example.thief.example; {$pass}"]))->toBeNull()
        ->and(senderCheck(["Authentication-Results: (mx.brindle.example) x; {$pass}"]))->toBeNull()
        ->and(senderCheck(["Authentication-Results: mx.brindle.example; {$pass}"], ''))->toBeNull()
        ->and(senderCheck(["Authentication-Results: mx.brindle.example; {$pass}"], domain: ''))->toBeNull()
        ->and(senderCheck([]))->toBeNull();
});

it('does not believe what came with the mail in the server’s name', function (): void {
    $forged = 'Authentication-Results: mx.brindle.example; dmarc=pass header.from=wrenfield.example';
    $received = 'Received: from thief (192.0.2.9) by mx.brindle.example with ESMTP; Mon, 23 Nov 2026 09:52:00 +0100';
    expect(senderCheck([$received, $forged]))->toBeNull()
        ->and(senderCheck([
            'Received: from mx.brindle.example by store.brindle.example; x',
            'Authentication-Results: mx.brindle.example; spf=fail smtp.mailfrom=wrenfield.example', $received, $forged,
        ]))->toBe(SenderCheck::Failed)
        // Where the server leaves no trace: what it wrote stands above.
        ->and(senderCheck(['Authentication-Results: mx.brindle.example; dmarc=fail header.from=wrenfield.example', $forged]))
        ->toBe(SenderCheck::Failed);
});

it('reads a field of any size and number, and stops', function (): void {
    $long = 'Authentication-Results: mx.brindle.example; '.str_repeat('(((', 200_000);
    $many = array_fill(0, 10_000, 'Authentication-Results: mx.brindle.example; spf=softfail smtp.mailfrom=wrenfield.example');
    expect(senderCheck([$long]))->toBeNull()->and(senderCheck($many))->toBeNull()
        ->and(senderCheck(['Authentication-Results: mx.brindle.example;'.str_repeat('dkim=fail;', 100_000)]))->toBe(SenderCheck::Failed);
});
