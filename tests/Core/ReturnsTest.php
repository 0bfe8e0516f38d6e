<?php

declare(strict_types=1);

use Cairnfield\Core\Reckon\CountReturnWindow;
use Cairnfield\Core\Reckon\Reckoner;

/**
 * @param  array<string, mixed>  $with
 * @param  array<string, mixed>  $policy
 * @return array<string, mixed>
 */
function window(array $with = [], array $policy = []): array
{
    return Reckoner::answer(new CountReturnWindow, (string) json_encode([
        'timezone' => 'Europe/Lisbon', 'requested_at' => '2026-02-01T12:00:00Z', 'ordered_at' => '2026-01-02T10:00:00Z',
        'delivered_at' => '2026-01-10T12:00:00Z', ...$with, 'policy' => ['days' => 30, ...$policy],
    ]));
}

const WORKDAYS = [
    'timezone' => 'Asia/Tokyo',
    'week' => ['mon' => [['09:00', '17:00']], 'tue' => [['09:00', '17:00']]],
    'exceptions' => [['date' => '2026-02-09', 'open' => []], ['date' => '2026-02-15', 'open' => [['10:00', '10:30']]]],
];

it('moves a last day only where it is to, over closed days and exceptions, by dates alone', function (): void {
    $rolling = ['roll_to_open_day' => true, 'calendar' => WORKDAYS];
    // The ninth is a Monday that is closed; the tenth a Tuesday.
    expect(window(policy: $rolling)['last_day'])->toBe('2026-02-10')
        ->and(window(policy: [...$rolling, 'days' => 32])['last_day'])->toBe('2026-02-15')
        ->and(window(policy: [...$rolling, 'days' => 31])['last_day'])->toBe('2026-02-10')
        ->and(window(policy: ['calendar' => WORKDAYS])['last_day'])->toBe('2026-02-09')
        ->and(window(policy: ['roll_to_open_day' => true])['last_day'])->toBe('2026-02-09')
        ->and(window(policy: ['roll_to_open_day' => true, 'calendar' => ['always' => true]])['last_day'])->toBe('2026-02-09');
});

it('counts dates over a change of the clock, a leap day and the end of a year', function (): void {
    expect(window(['delivered_at' => '2026-10-20T22:59:59Z'], ['days' => 7])['last_day'])->toBe('2026-10-27')
        ->and(window(['delivered_at' => '2028-02-20T12:00:00Z'], ['days' => 10])['last_day'])->toBe('2028-03-01')
        ->and(window(['timezone' => 'Pacific/Kiritimati', 'delivered_at' => '2026-12-31T11:00:00Z'], ['days' => 0])['last_day'])
        ->toBe('2027-01-01');
});

it('counts nothing before it is sent, and says how many days are left from any day', function (): void {
    expect(window(['delivered_at' => null]))->toBe([
        'first_day' => null, 'last_day' => null, 'allowed' => true, 'days_left' => null, 'basis' => 'unshipped',
    ])->and(window(['delivered_at' => null, 'shipped_at' => '2026-01-05T12:00:00Z'])['first_day'])->toBe('2026-01-05')
        ->and(window(['requested_at' => '2026-01-01T00:00:00Z'])['days_left'])->toBe(39)
        ->and(window(['requested_at' => '2027-01-01T00:00:00Z']))->toMatchArray(['allowed' => false, 'days_left' => 0]);
});

it('refuses what cannot be counted', function (array $with, array $policy, string $code): void {
    expect(window($with, $policy)['error']['code'] ?? null)->toBe($code);
})->with([
    'days below zero' => [[], ['days' => -1], 'bad_input'],
    'half a day' => [[], ['days' => 0.5], 'bad_input'],
    'days beyond any calendar' => [[], ['days' => 9_000_000_000], 'bad_input'],
    'transit days below zero' => [[], ['transit_days' => -1], 'bad_input'],
    'an offset for a zone' => [['timezone' => '+01:00'], [], 'bad_input'],
    'no time of ordering' => [['ordered_at' => null], [], 'bad_input'],
    'a date for a time' => [['delivered_at' => '2026-01-10'], [], 'bad_input'],
    'a calendar that is none' => [[], ['calendar' => ['week' => ['one' => []]]], 'bad_calendar'],
    'a word for true' => [[], ['roll_to_open_day' => 'yes'], 'bad_input'],
]);
