<?php

declare(strict_types=1);

use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Hours\Instant;
use Cairnfield\Core\Promises\Event;
use Cairnfield\Core\Promises\Instance;
use Cairnfield\Core\Promises\InstanceState;
use Cairnfield\Core\Promises\PromiseKind;
use Cairnfield\Core\Promises\PromisesRefused;
use Cairnfield\Core\Promises\Status;
use Cairnfield\Core\Promises\Target;
use Cairnfield\Core\Promises\Timeline;
use Cairnfield\Core\Queue\Priority;

/**
 * On a Monday, as `10:00` or `10:00:30`.
 */
function monday(string $time): DateTimeImmutable
{
    return new DateTimeImmutable("2026-11-23T{$time}", new DateTimeZone('UTC'));
}

function promised(PromiseKind $kind, int $seconds = 3600, mixed ...$also): Target
{
    return new Target($kind, ['normal' => $seconds], ...['calendar' => Calendar::always(), ...$also]);
}

/**
 * @param  Target|list<Target>  $targets
 * @param  list<array{string, string}>  $what  time, then `wrote`, `replied`, `automatic`, a priority or a status
 * @return list<Instance>
 */
function timeline(Target|array $targets, array $what, string $now): array
{
    return Timeline::of(is_array($targets) ? $targets : [$targets], Priority::Normal, monday('10:00'), array_map(
        static fn (array $one): Event => match ($one[1]) {
            'wrote' => Event::customerMessage(monday($one[0])),
            'replied' => Event::teammateReply(monday($one[0])),
            'automatic' => Event::autoReply(monday($one[0])),
            'noted' => Event::note(monday($one[0])),
            default => Priority::tryFrom($one[1]) === null
                ? Event::status(monday($one[0]), Status::from($one[1]))
                : Event::priority(monday($one[0]), Priority::from($one[1])),
        }, $what
    ), monday($now));
}

/**
 * @param  list<Instance>  $instances
 * @return list<string> `state spent`
 */
function standings(array $instances): array
{
    return array_map(static fn (Instance $one): string => "{$one->state->value} {$one->spent}", $instances);
}

it('owes a first reply whatever the status, and once only', function (): void {
    $first = promised(PromiseKind::FirstReply);
    expect(standings(timeline($first, [['10:10', 'waiting']], '10:20')))->toBe(['running 1200'])
        ->and(standings(timeline($first, [['10:10', 'held'], ['10:20', 'automatic'], ['10:25', 'noted']], '10:30')))->toBe(['running 1800'])
        ->and(standings(timeline($first, [['10:10', 'replied'], ['10:20', 'wrote'], ['10:30', 'replied']], '10:40')))->toBe(['done 600'])
        ->and(standings(timeline($first, [['10:10', 'resolved'], ['10:20', 'open'], ['10:30', 'wrote']], '10:40')))->toBe(['dropped 600']);
});

it('owes a next reply only once the first was given, or the matter was done', function (): void {
    $next = promised(PromiseKind::NextReply);
    expect(timeline($next, [['10:10', 'wrote']], '10:20'))->toBe([])
        ->and(standings(timeline($next, [['10:10', 'closed'], ['10:20', 'wrote']], '10:30')))->toBe(['running 600'])
        ->and(standings(timeline($next, [['10:10', 'resolved'], ['10:20', 'wrote'], ['10:30', 'closed'], ['10:40', 'wrote']], '10:50')))
        ->toBe(['dropped 600', 'running 600'])
        ->and(standings(timeline($next, [['10:10', 'replied'], ['10:20', 'waiting'], ['10:30', 'wrote']], '10:50')))
        ->toBe(['running 1200']);
});

it('owes an update from each reply while it is our turn, and none while it is theirs', function (): void {
    $update = promised(PromiseKind::Update);
    expect(timeline($update, [['10:10', 'waiting'], ['10:20', 'replied']], '10:30'))->toBe([])
        ->and(timeline($update, [['10:10', 'waiting'], ['10:20', 'open']], '10:30'))->toBe([])
        ->and(standings(timeline($update, [['10:10', 'waiting'], ['10:20', 'replied'], ['10:30', 'held']], '10:40')))->toBe(['running 600'])
        ->and(standings(timeline($update, [['10:10', 'replied'], ['10:20', 'held'], ['10:30', 'open']], '10:40')))->toBe(['running 1800'])
        ->and(standings(timeline($update, [['10:10', 'replied'], ['10:10', 'replied']], '10:20')))->toBe(['done 0', 'running 600']);
});

it('leaves out what was dropped as it began, and keeps what was done as it began', function (): void {
    $what = [['10:00', 'replied'], ['10:00', 'resolved'], ['10:05', 'wrote'], ['10:05', 'closed']];
    $targets = [promised(PromiseKind::FirstReply), promised(PromiseKind::NextReply)];
    expect(standings(timeline($targets, $what, '10:10')))->toBe(['done 0'])
        ->and(timeline(promised(PromiseKind::FirstReply), [['10:00', 'closed']], '10:10'))->toBe([]);
});

it('runs the clock of settling a matter in the statuses that were chosen', function (): void {
    $whileHeld = promised(PromiseKind::Resolve, 7200, runsIn: [Status::Held, Status::Waiting]);
    $instance = timeline($whileHeld, [['10:10', 'held'], ['10:20', 'waiting'], ['10:40', 'open']], '11:00')[0];
    expect($instance->state)->toBe(InstanceState::Paused)
        ->and($instance->spent)->toBe(1800)
        ->and($instance->dueAt)->toBeNull()
        ->and($instance->kept)->toBeNull()
        ->and(count($instance->runs))->toBe(1)
        ->and(standings(timeline(promised(PromiseKind::Resolve, 60, runsIn: []), [], '23:00')))->toBe(['paused 0']);
});

it('says of a paused one whether it is missed', function (): void {
    $instance = timeline(promised(PromiseKind::Resolve, 600), [['10:30', 'waiting']], '11:00')[0];
    expect([$instance->state, $instance->kept])->toBe([InstanceState::Paused, false])
        ->and(timeline(promised(PromiseKind::Resolve, 1800), [['10:30', 'waiting']], '11:00')[0]->kept)->toBeNull();
});

it('begins the present run at a pause of no length, but not where the clock ran on', function (): void {
    $target = promised(PromiseKind::Resolve, 1800, warnBefore: 1500);
    $through = timeline($target, [['10:10', 'held']], '10:15')[0];
    $paused = timeline($target, [['10:10', 'waiting'], ['10:10', 'open']], '10:15')[0];
    expect($through->warnAt)->toEqual(monday('10:05'))
        ->and($paused->warnAt)->toEqual(monday('10:10'))
        ->and($paused->dueAt)->toEqual($through->dueAt)
        ->and($paused->spent)->toBe(900);
});

it('goes on after it was resolved with what was spent, at the start of the run where nothing is left', function (): void {
    $instance = timeline(promised(PromiseKind::Resolve, 600), [['10:20', 'resolved'], ['10:30', 'closed'], ['11:00', 'open']], '11:05')[0];
    expect($instance->spent)->toBe(1500)
        ->and($instance->endedAt)->toBeNull()
        ->and($instance->dueAt)->toEqual(monday('11:00'))
        ->and($instance->warnAt)->toEqual(monday('11:00'))
        ->and($instance->kept)->toBeFalse();
});

it('measures by the priority at the end, and leaves out what has none', function (): void {
    $first = new Target(PromiseKind::FirstReply, ['urgent' => 600, 'normal' => 3600], Calendar::always());
    expect(timeline($first, [['10:15', 'urgent'], ['10:20', 'replied'], ['10:30', 'low']], '11:00')[0]->target)->toBe(600)
        ->and(timeline($first, [['10:15', 'low']], '11:00'))->toBe([])
        ->and(timeline($first, [['10:15', 'low'], ['10:40', 'normal']], '11:00')[0]->spent)->toBe(3600);
});

it('says when each stone falls, in the hours of its calendar', function (): void {
    $calendar = Calendar::read(json_decode('{"timezone": "UTC", "week": {"mon": [["10:00", "10:30"], ["12:00", "17:00"]]}}'));
    $running = timeline(promised(PromiseKind::FirstReply, 7200, calendar: $calendar), [], '10:00')[0];
    expect($running->stonesFallAt())->toEqual([monday('10:30'), monday('12:30'), monday('13:00')])
        ->and($running->dueAt)->toEqual(monday('13:30'))
        ->and(timeline(promised(PromiseKind::FirstReply), [['10:30', 'replied']], '11:00')[0]->stonesFallAt())->toBe([]);
});

it('is not due where the calendar never opens', function (): void {
    $never = promised(PromiseKind::FirstReply, 3600, calendar: Calendar::read(json_decode('{"timezone": "UTC"}')));
    $instance = timeline($never, [], '11:00')[0];
    expect([$instance->state, $instance->spent, $instance->dueAt, $instance->warnAt])->toBe([InstanceState::Running, 0, null, null]);
});

it('refuses disorder in time', function (array $what, string $now, string $at): void {
    try {
        timeline(promised(PromiseKind::FirstReply), $what, $now);
        $refused = null;
    } catch (PromisesRefused $why) {
        $refused = [$why->errorCode(), $why->at()];
    }
    expect($refused)->toBe(['bad_events', $at]);
})->with([
    'before the beginning' => [[['09:59', 'replied']], '11:00', 'events[0].at'],
    'out of order' => [[['10:30', 'replied'], ['10:29', 'wrote']], '11:00', 'events[1].at'],
    'after now' => [[['11:01', 'replied']], '11:00', 'events[0].at'],
    'a now before the beginning' => [[], '09:00', 'now'],
]);

it('falls due exactly when all is spent, whatever happened before', function (): void {
    mt_srand(26);
    $office = Calendar::read(json_decode(
        '{"timezone": "Europe/Lisbon", "week": {"mon": [["09:00", "12:30"], ["13:30", "17:00"]], "tue": [["22:00", "24:00"]],'
        .'"wed": [["00:00", "06:00"]]}, "exceptions": [{"date": "2026-11-24", "open": [["10:00", "10:01"]]}]}'
    ));
    $kinds = ['wrote', 'replied', 'waiting', 'open', 'held', 'resolved', 'closed', 'automatic', 'urgent', 'normal'];
    $looked = 0;
    for ($round = 0; $round < 300; $round++) {
        $targets = array_map(static fn (PromiseKind $kind): Target => new Target(
            $kind, ['normal' => mt_rand(0, 20_000), 'urgent' => mt_rand(0, 900)], mt_rand(0, 1) === 0 ? $office : Calendar::always(),
            mt_rand(0, 5000)
        ), PromiseKind::cases());
        $at = monday('10:00')->getTimestamp();
        $events = [];
        for ($left = mt_rand(0, 12); $left > 0; $left--) {
            $at += mt_rand(0, 2) === 0 ? 0 : mt_rand(1, 9000);
            $what = $kinds[array_rand($kinds)];
            $events[] = match ($what) {
                'wrote' => Event::customerMessage(Instant::ofEpoch($at)),
                'replied' => Event::teammateReply(Instant::ofEpoch($at)),
                'automatic' => Event::autoReply(Instant::ofEpoch($at)),
                'urgent', 'normal' => Event::priority(Instant::ofEpoch($at), Priority::from($what)),
                default => Event::status(Instant::ofEpoch($at), Status::from($what)),
            };
        }
        $of = static fn (int $now): array => Timeline::of($targets, Priority::Normal, monday('10:00'), $events, Instant::ofEpoch($now));
        foreach ($of($at) as $place => $instance) {
            if ($instance->dueAt !== null && $instance->dueAt->getTimestamp() > $at) {
                $looked++;
                $due = $instance->dueAt->getTimestamp();
                expect($of($due)[$place]->spent)->toBe($instance->target)
                    ->and($of($due)[$place]->kept)->toBeNull()
                    ->and($of($due - 1)[$place]->spent)->toBe($instance->target - 1)
                    ->and($instance->warnAt <= $instance->dueAt)->toBeTrue();
            }
            if ($instance->state->isOver()) {
                // What is over says the same ever after.
                expect($of($at + 100_000)[$place])->toEqual($instance);
            }
        }
    }
    expect($looked)->toBeGreaterThan(150);
});
