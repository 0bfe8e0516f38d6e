<?php

declare(strict_types=1);

use Cairnfield\Core\Queue\DueGroup;
use Cairnfield\Core\Queue\NextUp;
use Cairnfield\Core\Queue\Priority;

const NOW = '2026-11-23T10:00:00Z';

function at(string $time): DateTimeImmutable
{
    return new DateTimeImmutable($time);
}

it('groups by when the promise falls due', function (?string $due, DueGroup $group): void {
    expect(DueGroup::of($due === null ? null : at($due), at(NOW), at('2026-11-23T22:59:59Z')))->toBe($group);
})->with([
    [null, DueGroup::Later], ['2026-11-20T10:00:00Z', DueGroup::Missed], [NOW, DueGroup::Missed],
    ['2026-11-23T10:00:01Z', DueGroup::WithinTheHour], ['2026-11-23T11:00:00Z', DueGroup::WithinTheHour],
    ['2026-11-23T11:00:01Z', DueGroup::Today], ['2026-11-23T22:59:59Z', DueGroup::Today], ['2026-11-23T23:00:00Z', DueGroup::Later],
]);

it('says until when a group lasts so that both agree', function (): void {
    foreach ([DueGroup::Missed, DueGroup::WithinTheHour, DueGroup::Today] as $group) {
        $until = $group->until(at(NOW), at('2026-11-23T22:59:59Z'));
        expect(DueGroup::of($until, at(NOW), at('2026-11-23T22:59:59Z')))->toBe($group)
            ->and(DueGroup::of($until?->modify('+1 second'), at(NOW), at('2026-11-23T22:59:59Z')))->not->toBe($group);
    }
});

it('puts the earlier group first, then priority, then the customer’s place, then who waits longest', function (): void {
    $since = at('2026-11-23T08:00:00Z');
    $inOrder = [
        NextUp::of(DueGroup::Missed, Priority::Low, 99, null),
        NextUp::of(DueGroup::WithinTheHour, Priority::Urgent, 99, at('2099-01-01T00:00:00Z')),
        NextUp::of(DueGroup::WithinTheHour, Priority::High, 0, $since),
        NextUp::of(DueGroup::WithinTheHour, Priority::High, 1, at('2020-01-01T00:00:00Z')),
        NextUp::of(DueGroup::WithinTheHour, Priority::High, 1, $since),
        NextUp::of(DueGroup::WithinTheHour, Priority::High, 1, $since->modify('+1 second')),
        NextUp::of(DueGroup::WithinTheHour, Priority::High, 1, null),
        NextUp::of(DueGroup::Today, Priority::Normal, 5, $since),
        NextUp::of(DueGroup::Later, Priority::Urgent, 0, at('1970-01-01T00:00:00Z')),
    ];
    $keys = array_map(static fn (NextUp $place): int => $place->key, $inOrder);
    $sorted = $keys;
    sort($sorted);
    expect($keys)->toBe($sorted)->and(array_unique($keys))->toHaveCount(count($keys));
});

it('moves between groups by a difference alone', function (): void {
    $since = at('2026-11-23T08:00:00Z');
    foreach (DueGroup::cases() as $from) {
        foreach (DueGroup::cases() as $to) {
            $place = NextUp::of($from, Priority::High, 3, $since);
            expect($place->key - NextUp::keyBetween($from, $to))->toBe(NextUp::of($to, Priority::High, 3, $since)->key);
        }
    }
});

it('takes places and times beyond its ends for those at its ends', function (): void {
    $key = static fn (int $place, ?string $since): int => NextUp::of(
        DueGroup::Today, Priority::Normal, $place, $since === null ? null : at($since)
    )->key;
    expect($key(-1, NOW))->toBe($key(0, NOW))
        ->and($key(100, NOW))->toBe($key(99, NOW))
        ->and($key(98, null))->toBeLessThan($key(99, '1970-01-01T00:00:00Z'))
        ->and($key(5, '1969-12-31T23:59:59Z'))->toBe($key(5, '1970-01-01T00:00:00Z'))
        ->and($key(5, '1970-01-01T00:00:01Z'))->toBe($key(5, '1970-01-01T00:00:00Z') + 1)
        ->and($key(5, '9999-12-31T23:59:59Z'))->toBe($key(5, null));
});
