<?php

declare(strict_types=1);

use Cairnfield\Core\Threading\PersonCandidate;
use Cairnfield\Core\Threading\PersonHints;
use Cairnfield\Core\Threading\PersonThreading;
use Cairnfield\Core\Threading\ThreadedBy;

function personHints(?string $thread, bool $answersOurs, int $within = 12 * 3600, string $at = '2026-11-23T12:00:00Z'): PersonHints
{
    return new PersonHints($thread, $answersOurs, $within, new DateTimeImmutable($at));
}

function personCandidate(int $number, string $lastAt, bool $closed = false, string ...$threads): PersonCandidate
{
    return new PersonCandidate($number, $closed, array_values($threads), new DateTimeImmutable($lastAt));
}

it('joins within the interval, and links back after it', function (): void {
    $joined = PersonThreading::decide(personHints('t2', false), personCandidate(1001, '2026-11-23T00:00:00Z', false, 't1'));
    expect($joined->continues)->toBe(1001)->and($joined->by)->toBe(ThreadedBy::SamePerson);

    $new = PersonThreading::decide(personHints('t2', false), personCandidate(1001, '2026-11-22T23:59:59Z', false, 't1'));
    expect($new->continues)->toBeNull()->and($new->linksTo)->toBe(1001);
});

it('keeps an answer to ours in its thread, however late', function (): void {
    $decision = PersonThreading::decide(
        personHints('t1', true),
        personCandidate(1001, '2026-10-01T00:00:00Z', false, 't1'),
        personCandidate(1002, '2026-11-23T11:59:00Z', false, 't2'),
    );
    expect($decision->continues)->toBe(1001)->and($decision->by)->toBe(ThreadedBy::SameThread);
});

it('never joins a closed one', function (): void {
    $decision = PersonThreading::decide(personHints('t1', true), personCandidate(1001, '2026-11-23T11:00:00Z', true, 't1'));
    expect($decision->continues)->toBeNull()->and($decision->linksTo)->toBe(1001);
});

it('never joins where the account sets no interval', function (): void {
    expect(PersonThreading::decide(personHints(null, false, 0), personCandidate(1001, '2026-11-23T12:00:00Z'))->linksTo)->toBe(1001);
});

it('begins anew for somebody without conversations', function (): void {
    expect(PersonThreading::decide(personHints('t1', true))->linksTo)->toBeNull();
});

it('takes the one last written in that is not closed, then the highest number', function (): void {
    $decide = static fn (PersonHints $hints, PersonCandidate ...$candidates): array => [
        ($decision = PersonThreading::decide($hints, ...$candidates))->continues, $decision->linksTo,
    ];
    $noon = '2026-11-23T11:00:00Z';
    $closedLater = personCandidate(1003, '2026-11-23T11:30:00Z', true);
    $earlier = personCandidate(1001, '2026-11-23T10:00:00Z');
    $later = personCandidate(1002, $noon);
    foreach ([[$earlier, $later, $closedLater], [$closedLater, $later, $earlier], [$later, $closedLater, $earlier]] as $inAnyOrder) {
        expect($decide(personHints(null, false), ...$inAnyOrder))->toBe([1002, null]);
    }
    expect($decide(personHints(null, false), personCandidate(5, $noon), personCandidate(7, $noon), personCandidate(6, $noon)))
        ->toBe([7, null])
        ->and($decide(personHints(null, false), personCandidate(5, $noon, true), $closedLater))->toBe([null, 1003]);
});

it('does not join an old conversation only because it has the thread, or because something of ours is answered', function (): void {
    $old = personCandidate(1001, '2026-10-01T00:00:00Z', false, 't1');
    $inThread = PersonThreading::decide(personHints('t1', false), $old);
    $elsewhere = PersonThreading::decide(personHints('t9', true), $old);
    $withoutThread = PersonThreading::decide(personHints(null, true), personCandidate(1001, '2026-10-01T00:00:00Z', false, ''));
    expect([$inThread->continues, $inThread->linksTo, $inThread->by])->toBe([null, 1001, ThreadedBy::SameThread])
        ->and([$elsewhere->continues, $elsewhere->linksTo, $elsewhere->by])->toBe([null, 1001, ThreadedBy::SamePerson])
        ->and([$withoutThread->continues, $withoutThread->by])->toBe([null, ThreadedBy::SamePerson]);
});

it('joins within an interval of a single second', function (): void {
    $at = static fn (string $second): ?int => PersonThreading::decide(
        personHints(null, false, 1, "2026-11-23T12:00:{$second}Z"), personCandidate(1001, '2026-11-23T12:00:00Z')
    )->continues;
    expect([$at('01'), $at('02')])->toBe([1001, null]);
});
