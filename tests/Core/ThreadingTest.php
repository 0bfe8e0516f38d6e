<?php

declare(strict_types=1);

use Cairnfield\Core\Threading\BareSubject;
use Cairnfield\Core\Threading\Candidate;
use Cairnfield\Core\Threading\ConversationNumber;
use Cairnfield\Core\Threading\IncomingHints;
use Cairnfield\Core\Threading\ReplyToken;
use Cairnfield\Core\Threading\ThreadedBy;
use Cairnfield\Core\Threading\Threading;

/**
 * @param  list<string>  $references
 */
function hints(
    array $references = [], ?int $token = null, ?int $number = null, string $sender = 'tomas@hruby.example',
    string $subject = 'Kite'
): IncomingHints {
    return new IncomingHints(
        $references, $token, $number, $sender, BareSubject::of($subject), new DateTimeImmutable('2026-11-23T10:00:00Z')
    );
}

/**
 * @param  list<string>  $ids
 */
function candidate(
    int $number, array $ids = [], bool $closed = false, string $subject = 'Other', string $at = '2026-11-22T10:00:00Z'
): Candidate {
    return new Candidate($number, $closed, $ids, ['tomas@hruby.example'], BareSubject::of($subject), new DateTimeImmutable($at));
}

it('goes by the surest hint first', function (): void {
    $candidates = [candidate(1, ['a@x']), candidate(2), candidate(3), candidate(4, subject: 'Kite')];
    $all = hints(['a@x'], 2, 3);
    expect(Threading::decide($all, ...$candidates)->continues)->toBe(1)
        ->and(Threading::decide(hints([], 2, 3), ...$candidates)->continues)->toBe(2)
        ->and(Threading::decide(hints([], null, 3), ...$candidates)->continues)->toBe(3)
        ->and(Threading::decide(hints(), ...$candidates)->continues)->toBe(4)
        ->and(Threading::decide(hints(), ...$candidates)->by)->toBe(ThreadedBy::SenderAndSubject)
        ->and(Threading::decide(hints(subject: 'New'), ...$candidates)->continues)->toBeNull();
});

it('takes the same subject for the same matter for 14 days', function (string $lastMessage, ?int $continues): void {
    expect(Threading::decide(hints(subject: 'Re: KITE'), candidate(4, subject: 'kite', at: $lastMessage))->continues)->toBe($continues);
})->with([
    ['2026-11-09T10:00:00Z', 4],
    ['2026-11-09T09:59:59Z', null],
]);

it('does not take the same subject of somebody else, or no subject at all', function (): void {
    expect(Threading::decide(hints(sender: 'eve@else.example'), candidate(4, subject: 'Kite'))->continues)->toBeNull()
        ->and(Threading::decide(hints(subject: 'Re:'), candidate(4, subject: ''))->continues)->toBeNull();
});

it('begins anew, with a link, where the conversation is closed', function (): void {
    $decision = Threading::decide(hints(['a@x']), candidate(1, ['a@x'], closed: true));
    expect($decision->continues)->toBeNull()->and($decision->linksTo)->toBe(1);
});

it('goes on in the open one where a closed one is referred to as well', function (): void {
    expect(Threading::decide(hints(['a@x', 'b@x']), candidate(1, ['a@x'], closed: true), candidate(2, ['b@x']))->continues)->toBe(2);
});

it('lets nobody in who only guesses a number', function (): void {
    $decision = Threading::decide(hints(number: 3, sender: 'eve@else.example'), candidate(3));
    expect($decision->continues)->toBeNull()->and($decision->linksTo)->toBe(3);
});

it('finds the bare subject', function (string $subject, string $bare): void {
    expect(BareSubject::of($subject)->text)->toBe($bare);
})->with([
    ['Re: Kite', 'kite'],
    ['AW: RE: Fwd:  Two   spars', 'two spars'],
    ['SV[2]: kite [C-1042]', 'kite'],
    ['[friends] Re: [C-7] Kite (fwd)', 'kite'],
    ['[sale] Kite', '[sale] kite'],
    ['Re : Ré: encore', 'ré: encore'],
    ['Antw: Λευκό', 'λευκό'],
    ['Reel broken', 'reel broken'],
    ['', ''],
]);

it('marks a subject with the number once, and reads it back', function (): void {
    expect(ConversationNumber::mark('Kite [C-7]', 1042))->toBe('Kite [C-1042]')
        ->and(ConversationNumber::inSubject('Re: Kite [c-1042]'))->toBe(1042)
        ->and(ConversationNumber::inSubject('C-1042'))->toBeNull();
});

it('signs the reply address so that it cannot be made up', function (): void {
    $address = ReplyToken::addTo('care@brindle.example', 1042, 'secret');
    expect(ReplyToken::read($address, 'secret'))->toBe(1042)
        ->and(ReplyToken::read(strtoupper($address), 'secret'))->toBe(1042)
        ->and(ReplyToken::read(str_replace('1042', '1043', $address), 'secret'))->toBeNull()
        ->and(ReplyToken::read($address, 'another secret'))->toBeNull()
        ->and(ReplyToken::read('care@brindle.example', 'secret'))->toBeNull()
        ->and(ReplyToken::withoutDetail($address))->toBe('care@brindle.example');
});

it('compares the first 2,000 characters of a subject, whatever follows', function (): void {
    $long = str_repeat('ø', 2_000);
    expect(BareSubject::of($long.' and more')->equals(BareSubject::of($long.' and something else')))->toBeTrue()
        ->and(BareSubject::of(str_repeat('ø', 1_999).'a')->equals(BareSubject::of(str_repeat('ø', 1_999).'b')))->toBeFalse()
        ->and(BareSubject::of(str_repeat('Re: ', 100_000).'kite')->isEmpty())->toBeTrue();
});

it('takes marks off in any number and order, but nothing that is a word', function (string $subject, string $bare): void {
    expect(BareSubject::of($subject)->text)->toBe($bare);
})->with([
    ['Re: Re: RE: re: Kite', 'kite'],
    ['Fwd: AW: [list] Re: Kite (fwd) (FWD)', 'kite'],
    ['[list] [other] Re: Kite', '[list] [other] re: kite'],
    ['回复：商品', '商品'],
    ['返信: 返品', '返品'],
    ['Re(2): Kite', 'kite'],
    ['Resend: Kite', 'resend: kite'],
    ['Trains: late', 'trains: late'],
    ['I: Kite', 'kite'],
    ['In: Kite', 'in: kite'],
    ["Re:\u{A0}Kite", 'kite'],
    ["Kite\t\n  sail", 'kite sail'],
    ['re:', ''],
    [' (fwd)', ''],
    [' Kite ', 'kite'],
    ["Re: Kite\r\n", 'kite'],
    ["\xff\xfeKite", '??kite'],
]);

it('takes every number of ours off, and reads the last one', function (): void {
    expect(BareSubject::of('[C-1] Kite [C-22] [c-333]')->text)->toBe('kite')
        ->and(ConversationNumber::inSubject('[C-1] Kite [C-22]'))->toBe(22)
        ->and(ConversationNumber::inSubject('Kite [C-]'))->toBeNull()
        ->and(ConversationNumber::inSubject('Kite [C-1234567890123]'))->toBeNull()
        ->and(ConversationNumber::mark('', 7))->toBe('[C-7]')
        ->and(ConversationNumber::mark(ConversationNumber::mark('Kite', 7), 7))->toBe('Kite [C-7]')
        ->and(ConversationNumber::withoutMark(' [C-7] Kite '))->toBe('Kite')
        ->and(ConversationNumber::show(7))->toBe('C-7');
});

it('signs with the first 80 bits of HMAC-SHA-256 in base 32, as another program would', function (): void {
    // printf 'reply-to:1042' | openssl dgst -sha256 -hmac secret -binary | head -c 10 | base32
    $address = 'care+c1042.nxzfmpgu2lagojfv@brindle.example';
    expect(ReplyToken::addTo('care@brindle.example', 1042, 'secret'))->toBe($address)
        ->and(ReplyToken::read(" {$address}\n", 'secret'))->toBe(1042)
        ->and(ReplyToken::read('care+c1042.nxzfmpgu2lagojfv', 'secret'))->toBeNull()
        ->and(ReplyToken::read('c1042.nxzfmpgu2lagojfv@brindle.example', 'secret'))->toBeNull()
        ->and(ReplyToken::read('care+news+c1042.nxzfmpgu2lagojfv@brindle.example', 'secret'))->toBeNull();
});

it('takes nobody for one without an address', function (): void {
    $nameless = new Candidate(7, false, [], [''], BareSubject::of('Kite'), new DateTimeImmutable('2026-11-22T00:00:00Z'));
    expect($nameless->hasParticipant(''))->toBeFalse();
});

it('reads no reply address that somebody made up', function (string $address): void {
    expect(ReplyToken::read($address, 'secret'))->toBeNull();
})->with([
    '', '@', 'care', 'care+@brindle.example', 'care+c1042@brindle.example', 'care+c1042.@brindle.example',
    'care+c1042.aaaaaaaaaaaaaaaa@brindle.example', 'care+c.aaaaaaaaaaaaaaaa@brindle.example', 'care+c1042.0000000000000000@brindle.example',
    'care+c-1.aaaaaaaaaaaaaaaa@brindle.example', '+c1042.aaaaaaaaaaaaaaaa',
]);

it('keeps what stands before and after the detail of a reply address', function (): void {
    $address = ReplyToken::addTo('"odd@name"@brindle.example', 5, 'secret');
    expect($address)->toStartWith('"odd@name"+c5.')->toEndWith('@brindle.example')
        ->and(ReplyToken::withoutDetail('care+c5.abc@brindle.example'))->toBe('care@brindle.example')
        ->and(ReplyToken::withoutDetail('care@brindle+x.example'))->toBe('care@brindle+x.example');
    $signatures = array_map(static fn (int $number): string => ReplyToken::addTo('a@b.example', $number, 'secret'), range(1, 200));
    expect(array_unique(array_map(static fn (string $one): string => explode('.', $one)[1], $signatures)))->toHaveCount(200);
});

it('goes on in the latest of several, by the number where they are as late', function (): void {
    $by = static fn (Candidate ...$candidates): ?int => Threading::decide(hints(['a@x']), ...$candidates)->continues;
    expect($by(candidate(1, ['a@x'], at: '2026-11-20T10:00:00Z'), candidate(2, ['a@x'], at: '2026-11-19T10:00:00Z')))->toBe(1)
        ->and($by(candidate(1, ['a@x']), candidate(2, ['a@x'])))->toBe(2)
        ->and($by(candidate(2, ['a@x']), candidate(1, ['a@x'])))->toBe(2)
        ->and($by(candidate(3, ['a@x'], closed: true, at: '2026-11-22T23:00:00Z'), candidate(1, ['a@x'], at: '2026-11-01T10:00:00Z')))
        ->toBe(1);
});

it('never goes on in a closed one, whatever it was found by, and links to it', function (): void {
    foreach ([hints(['a@x']), hints(token: 1), hints(number: 1), hints(subject: 'Kite')] as $hints) {
        $decision = Threading::decide($hints, candidate(1, ['a@x'], closed: true, subject: 'Kite'));
        expect($decision->continues)->toBeNull()->and($decision->linksTo)->toBe(1);
    }
});

it('lets nobody in who only refers to a message that they have got from somewhere', function (): void {
    $stranger = hints(['a@x'], sender: 'eve@else.example');
    $decision = Threading::decide($stranger, candidate(3, ['a@x']));
    expect($decision->continues)->toBeNull()->and($decision->linksTo)->toBe(3)->and($decision->by)->toBe(ThreadedBy::References)
        // Unless they have what we sign.
        ->and(Threading::decide(hints(['a@x'], token: 3, sender: 'eve@else.example'), candidate(3, ['a@x']))->continues)->toBe(3)
        // And where they take part themselves, they go on.
        ->and(Threading::decide(hints(['a@x', 'b@x']), new Candidate(
            9, false, ['b@x'], ['someone@else.example'], BareSubject::of('Other'), new DateTimeImmutable('2026-11-23T09:00:00Z')
        ), candidate(3, ['a@x']))->continues)->toBe(3)
        // Somebody without an address takes part nowhere.
        ->and(Threading::decide(hints(['a@x'], sender: ''), candidate(3, ['a@x']))->linksTo)->toBe(3);
});

it('takes a signed token for its word, whoever writes, but not a number', function (): void {
    expect(Threading::decide(hints(token: 3, sender: 'eve@else.example'), candidate(3))->continues)->toBe(3)
        ->and(Threading::decide(hints(number: 3, sender: ''), candidate(3))->continues)->toBeNull();
});
