<?php

declare(strict_types=1);

namespace Tests\Fixtures;

use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\SetPriority;
use App\Hours\SaveCalendar;
use App\Hours\WorkCalendar;
use App\Promises\CheckPromises;
use App\Promises\Promise;
use App\Promises\PromiseSet;
use App\Promises\PromiseSetToSave;
use App\Promises\SavePromiseSet;
use App\Promises\TellPromises;
use App\Sorting\Outcome;
use App\Team\Teammate;
use App\Workspace\Trail;
use Cairnfield\Core\Promises\Event;
use Cairnfield\Core\Promises\Instance;
use Cairnfield\Core\Promises\Status;
use Cairnfield\Core\Promises\Timeline;
use Cairnfield\Core\Queue\Priority;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeInterface;
use Illuminate\Support\Str;
use Tests\App\Mails;

/**
 * A month in which the clocks go back, with a holiday, among conversations that are answered, held, reopened and raised in priority
 * by chance. It writes down itself what happened, to be compared with what is stored and with what the journal says.
 */
final class SimulatedMonth
{
    private const BEGINS = '2026-10-12T08:00:00Z';

    private const DAYS = 31;

    private const DOES = ['write', 'answer', 'hold', 'open', 'resolve', 'raise'];

    /** @var array<int, DateTimeImmutable> when each conversation began */
    private array $began = [];

    /** @var array<int, list<Event>> */
    private array $written = [];

    public function __construct(
        private readonly Teammate $person, private readonly PromiseSet $set, private readonly WorkCalendar $calendar,
        private readonly Outcome $outcome
    ) {}

    /**
     * @param  int  $steps  things that happen, evenly in the month on the whole
     * @param  int  $most  conversations
     * @param  bool  $changesMeanwhile  whether hours and promises change in the month
     */
    public function go(int $steps, int $most, bool $changesMeanwhile): void
    {
        mt_srand(1610);
        CarbonImmutable::setTestNow(self::BEGINS);
        app(SaveCalendar::class)->putDay($this->calendar, CarbonImmutable::parse('2026-10-28'), [], 'Kite Day');
        $this->promise(4);
        $longest = max(2, intdiv(2 * self::DAYS * 24 * 3600, $steps));
        for ($step = 0; $step < $steps; $step++) {
            CarbonImmutable::setTestNow(CarbonImmutable::now()->addSeconds(mt_rand(1, $longest)));
            if (count($this->began) < $most && mt_rand(0, 2) === 0) {
                $this->begin("new{$step}@x.example", "Matter {$step}");
            }
            $ids = array_keys($this->began);
            $ids === [] ?: $this->do(self::DOES[mt_rand(0, 5)], Conversation::query()->findOrFail($ids[mt_rand(0, count($ids) - 1)]));
            app(TellPromises::class)->tell();
            if ($changesMeanwhile && $step % 35 === 20) {
                $this->change($step);
            }
        }
        CarbonImmutable::setTestNow(CarbonImmutable::now()->addHour());
        app(TellPromises::class)->tell();
    }

    /**
     * @return list<int> the conversations in it
     */
    public function conversations(): array
    {
        return array_keys($this->began);
    }

    /**
     * Where what is stored is not what is reckoned from the journal.
     *
     * @return list<string>
     */
    public function differencesFromJournal(): array
    {
        $found = [];
        foreach (Conversation::query()->whereKey($this->conversations())->lazyById(200) as $one) {
            foreach (app(CheckPromises::class)->differences($one) as $difference) {
                $found[] = "{$one->number()}: ".json_encode($difference);
            }
        }

        return $found;
    }

    /**
     * Where what is stored is not what follows from what happened, as it was written down here.
     *
     * @return list<string>
     */
    public function differencesFromWhatHappened(): array
    {
        $targets = $this->set->versions()->orderByDesc('version')->firstOrFail()->targets();
        $now = CarbonImmutable::now()->utc()->toDateTimeImmutable();
        $as = static fn (string $kind, string $state, ?DateTimeInterface ...$at): string => "{$kind} {$state} ".implode(
            ' ', array_map(static fn (?DateTimeInterface $one): string => (string) $one?->format('c'), $at)
        );
        $found = [];
        foreach (Conversation::query()->whereKey($this->conversations())->lazyById(200) as $one) {
            $rows = Promise::query()->where('conversation_id', $one->id)->get();
            $stored = $rows->map(static fn (Promise $row): string => $as(
                $row->kind->value, $row->state->value, $row->started_at, $row->ended_at, $row->due_at
            ))->sort()->values()->all();
            $reckoned = array_map(static fn (Instance $instance): string => $as(
                $instance->kind->value, $instance->state->value, $instance->startedAt, $instance->endedAt, $instance->dueAt
            ), Timeline::of($targets, Priority::Normal, $this->began[$one->id], $this->written[$one->id], $now));
            sort($reckoned);
            $soonest = $rows->whereNotNull('due_at')->min('due_at');
            if ($stored !== $reckoned || $one->due_at?->format('c') !== $soonest?->format('c')) {
                $found[] = "{$one->number()}: ".json_encode([$stored, $reckoned, $one->due_at, $soonest]);
            }
        }

        return $found;
    }

    private function promise(int $hours): void
    {
        app(SavePromiseSet::class)->save($this->set->refresh(), new PromiseSetToSave($this->set->name, ['all' => []], array_map(
            fn (string $kind, int $factor): array => [
                'kind' => $kind, 'calendar' => $kind === 'update' ? null : $this->calendar->id, 'warn_before' => 900,
                'seconds' => ['urgent' => 1800, 'high' => 3600, 'normal' => $hours * $factor * 3600],
                'runs_in' => $kind === 'resolve' ? ['open', 'held'] : [],
            ], ['first_reply', 'next_reply', 'update', 'resolve'], [1, 1, 4, 9]
        )), null);
    }

    private function change(int $step): void
    {
        $step % 2 === 0 ? $this->promise(2 + $step % 5) : app(SaveCalendar::class)->putDay(
            $this->calendar, CarbonImmutable::now()->addDay()->startOfDay(), [['10:00', '11:00']], 'Short day'
        );
    }

    private function begin(string $from, string $subject): void
    {
        $conversation = Mails::conversation(['From' => $from, 'Subject' => $subject]);
        $this->began[$conversation->id] = CarbonImmutable::now()->utc()->toDateTimeImmutable();
        $this->written[$conversation->id] = [];
    }

    private function do(string $what, Conversation $one): void
    {
        $actor = Actor::teammate($this->person);
        $at = CarbonImmutable::now()->utc()->toDateTimeImmutable();
        array_push($this->written[$one->id], ...match ($what) {
            'write' => $this->write($one, $at),
            'answer' => $this->answer($one, $at),
            'hold' => $this->state($one, $at, static fn (ChangeState $state) => $state->hold($one, $actor, 'the bench', null)),
            'open' => $this->state($one, $at, static fn (ChangeState $state) => $state->open($one, $actor)),
            'resolve' => $this->state(
                $one, $at, fn (ChangeState $state) => $state->resolveUnchecked($one, $actor, $this->outcome)
            ),
            default => $this->raise($one, $at, $actor),
        });
    }

    /**
     * @return list<Event>
     */
    private function write(Conversation $one, DateTimeImmutable $at): array
    {
        $from = $one->messages()->where('direction', 'in')->orderBy('id')->value('from_address');
        Mails::take(Mails::raw(['From' => $from, 'Subject' => "[{$one->number()}]"], 'Again.'));

        return $one->refresh()->state === ConversationState::Open
            ? [Event::customerMessage($at), Event::status($at, Status::Open)]
            : [Event::customerMessage($at)];
    }

    /**
     * @return list<Event>
     */
    private function answer(Conversation $one, DateTimeImmutable $at): array
    {
        $then = [ConversationState::Waiting, ConversationState::Open][mt_rand(0, 1)];
        app(SendReply::class)->send($one, $this->person, new ReplyToSend(
            'We look.', [], $then, null, Str::uuid()->toString(), app(Trail::class)->lastSeen($one)
        ));

        return [Event::teammateReply($at), Event::status($at, Status::from($one->refresh()->state->value))];
    }

    /**
     * @param  callable(ChangeState): mixed  $change
     * @return list<Event>
     */
    private function state(Conversation $one, DateTimeImmutable $at, callable $change): array
    {
        $change(app(ChangeState::class));

        return [Event::status($at, Status::from($one->refresh()->state->value))];
    }

    /**
     * @return list<Event>
     */
    private function raise(Conversation $one, DateTimeImmutable $at, Actor $actor): array
    {
        $priority = Priority::cases()[mt_rand(0, 3)];
        app(SetPriority::class)->set($one, $priority, $actor);

        return [Event::priority($at, $priority)];
    }
}
