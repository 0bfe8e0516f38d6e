<?php

declare(strict_types=1);

use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\SetPriority;
use App\Hours\Calendars;
use App\Hours\SaveCalendar;
use App\Promises\CheckPromises;
use App\Promises\Promise;
use App\Promises\PromiseSet;
use App\Promises\PromiseSetToSave;
use App\Promises\SavePromiseSet;
use App\Promises\TellPromises;
use App\Sorting\Outcome;
use Cairnfield\Core\Promises\Event;
use Cairnfield\Core\Promises\Instance;
use Cairnfield\Core\Promises\Status;
use Cairnfield\Core\Promises\Timeline;
use Cairnfield\Core\Queue\Priority;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;

/*
 * A month in which the clocks go back, with a holiday, among conversations that are answered, held, reopened and raised in priority
 * by chance. What is stored is compared with what this test itself wrote down, and with what the journal says.
 */
it('agrees over a month between what is stored, what is reckoned and what happened', function (bool $changesMeanwhile): void {
    mt_srand(1610);
    $ilse = $this->teammate('ilse');
    $everybody = PromiseSet::query()->sole();
    $calendar = app(Calendars::class)->main();
    CarbonImmutable::setTestNow('2026-10-12T08:00:00Z');
    app(SaveCalendar::class)->putDay($calendar, CarbonImmutable::parse('2026-10-28'), [], 'Kite Day');
    $promise = static function (int $hours) use ($everybody, $calendar): void {
        app(SavePromiseSet::class)->save($everybody->refresh(), new PromiseSetToSave('Everybody', ['all' => []], array_map(
            static fn (string $kind, int $factor): array => [
                'kind' => $kind, 'calendar' => $kind === 'update' ? null : $calendar->id, 'warn_before' => 900,
                'seconds' => ['urgent' => 1800, 'high' => 3600, 'normal' => $hours * $factor * 3600],
                'runs_in' => $kind === 'resolve' ? ['open', 'held'] : [],
            ], ['first_reply', 'next_reply', 'update', 'resolve'], [1, 1, 4, 9]
        )), null);
    };
    $promise(4);
    $version = $everybody->versions()->orderByDesc('version')->firstOrFail();
    $outcome = Outcome::query()->where('name', 'Information given')->sole();
    $actor = Actor::teammate($ilse);
    $state = app(ChangeState::class);
    /** @var array<int, list<Event>> $written */
    $written = $began = [];
    $now = static fn (): DateTimeImmutable => CarbonImmutable::now()->utc()->toDateTimeImmutable();
    $act = [
        'write' => function (Conversation $one) use (&$written, $now): void {
            $from = $one->messages()->where('direction', 'in')->orderBy('id')->value('from_address');
            Mails::take(Mails::raw(['From' => $from, 'Subject' => "[{$one->number()}]"], 'Again.'));
            $written[$one->id][] = Event::customerMessage($now());
            if ($one->refresh()->state === ConversationState::Open) {
                $written[$one->id][] = Event::status($now(), Status::Open);
            }
        },
        'answer' => function (Conversation $one) use (&$written, $now): void {
            $then = [ConversationState::Waiting, ConversationState::Open][mt_rand(0, 1)];
            $this->answer($one, 'We look.', then: $then);
            $written[$one->id][] = Event::teammateReply($now());
            $written[$one->id][] = Event::status($now(), Status::from($one->refresh()->state->value));
        },
        'hold' => function (Conversation $one) use (&$written, $now, $state, $actor): void {
            $state->hold($one, $actor, 'the bench', null);
            $written[$one->id][] = Event::status($now(), Status::Held);
        },
        'open' => function (Conversation $one) use (&$written, $now, $state, $actor): void {
            $state->open($one, $actor);
            $written[$one->id][] = Event::status($now(), Status::Open);
        },
        'resolve' => function (Conversation $one) use (&$written, $now, $state, $actor, $outcome): void {
            $state->resolveUnchecked($one, $actor, $outcome);
            $written[$one->id][] = Event::status($now(), Status::Resolved);
        },
        'raise' => function (Conversation $one) use (&$written, $now, $actor): void {
            $priority = Priority::cases()[mt_rand(0, 3)];
            app(SetPriority::class)->set($one, $priority, $actor);
            $written[$one->id][] = Event::priority($now(), $priority);
        },
    ];
    for ($step = 0; $step < 140; $step++) {
        CarbonImmutable::setTestNow(CarbonImmutable::now()->addSeconds(mt_rand(60, 38_000)));
        if (count($began) < 10 && mt_rand(0, 2) === 0) {
            $conversation = Mails::conversation(['From' => "new{$step}@x.example", 'Subject' => "Matter {$step}"]);
            $began[$conversation->id] = $now();
            $written[$conversation->id] = [];
        }
        $ids = array_keys($began);
        $ids === [] ?: $act[array_rand($act)](Conversation::query()->findOrFail($ids[array_rand($ids)]));
        app(TellPromises::class)->tell();
        if ($changesMeanwhile && $step % 35 === 20) {
            $step % 2 === 0 ? $promise(2 + $step % 5) : app(SaveCalendar::class)->putDay(
                $calendar, CarbonImmutable::now()->addDay()->startOfDay(), [['10:00', '11:00']], 'Short day'
            );
        }
    }
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addHour());
    app(TellPromises::class)->tell();
    $looked = 0;
    foreach (Conversation::query()->whereKey(array_keys($began))->get() as $one) {
        expect(app(CheckPromises::class)->differences($one))->toBe([]);
        if (! $changesMeanwhile) {
            $instances = Timeline::of($version->targets(), Priority::Normal, $began[$one->id], $written[$one->id], $now());
            $as = static fn (string $kind, string $state, ?DateTimeInterface ...$at): string => "{$kind} {$state} ".implode(
                ' ', array_map(static fn (?DateTimeInterface $one): string => (string) $one?->format('c'), $at)
            );
            $stored = Promise::query()->where('conversation_id', $one->id)->get()->map(static fn (Promise $row): string => $as(
                $row->kind->value, $row->state->value, $row->started_at, $row->ended_at, $row->due_at
            ))->sort()->values()->all();
            $reckoned = array_map(static fn (Instance $instance): string => $as(
                $instance->kind->value, $instance->state->value, $instance->startedAt, $instance->endedAt, $instance->dueAt
            ), $instances);
            sort($reckoned);
            expect($stored)->toBe($reckoned);
            $soonest = Promise::query()->where('conversation_id', $one->id)->min('due_at');
            expect($one->due_at?->format('Y-m-d H:i:s'))->toBe($soonest);
            $looked += count($stored);
        }
    }
    // Each warning and each miss once.
    $told = JournalEntry::query()->whereIn('kind', [JournalKind::PromiseWarned, JournalKind::PromiseMissed])->get()
        ->map(static fn (JournalEntry $entry): string => $entry->conversation_id.$entry->kind->value.json_encode($entry->details));
    expect($told->duplicates()->all())->toBe([])
        ->and(DB::table('promises')->where('state', 'running')->where('due_at', '<', now())->whereNull('missed_at')->count())->toBe(0)
        ->and($changesMeanwhile || $looked > 30)->toBeTrue();
})->with(['as it began' => [false], 'with other hours and promises meanwhile' => [true]]);
