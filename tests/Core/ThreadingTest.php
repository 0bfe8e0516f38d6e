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
function hints(array $references = [], ?int $token = null, ?int $number = null, string $sender = 'tomas@hruby.example', string $subject = 'Kite'): IncomingHints
{
    return new IncomingHints($references, $token, $number, $sender, BareSubject::of($subject), new DateTimeImmutable('2026-11-23T10:00:00Z'));
}

/**
 * @param  list<string>  $ids
 */
function candidate(int $number, array $ids = [], bool $closed = false, string $subject = 'Other', string $at = '2026-11-22T10:00:00Z'): Candidate
{
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
