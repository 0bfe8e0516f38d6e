<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use BackedEnum;
use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Hours\Instant;
use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Promises\Event;
use Cairnfield\Core\Promises\EventKind;
use Cairnfield\Core\Promises\Instance;
use Cairnfield\Core\Promises\PromiseKind;
use Cairnfield\Core\Promises\Status;
use Cairnfield\Core\Promises\Target;
use Cairnfield\Core\Promises\Timeline;
use Cairnfield\Core\Queue\Priority;
use DateTimeImmutable;

final class TimePromises implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            Says what is promised in a conversation, and where each promise stands.
              targets     {"kind": "first_reply" | "next_reply" | "update" | "resolve",
                           "seconds": {"urgent": 3600, "high", "normal", "low"}, "calendar": "NAME",
                           "warn_before": 0, "runs_in": ["open", "held"]}
              calendars   {"NAME": {"timezone", "week", "exceptions"} or {"always": true}}
              priority    "urgent" | "high" | "normal" | "low", at the beginning
              created_at  when the customer wrote first, RFC 3339
              events      {"at", "type": "customer_message" | "teammate_reply" | "auto_reply" | "note"}
                          {"at", "type": "status", "status": "open" | "waiting" | "held" | "resolved" | "closed"}
                          {"at", "type": "priority", "priority"}, in the order of time
              now         RFC 3339
            Result: {"instances": [{"kind", "started_at", "ended_at", "state", "spent", "target", "kept", "due_at", "warn_at"}]}
            Errors: bad_input, bad_calendar, bad_events
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $calendars = get_object_vars($case->object('calendars'));
        $targets = array_map(fn (Fields $target): array => $this->target($target, $calendars), $case->objects('targets'));
        $priority = $this->one(Priority::class, $case, 'priority');
        $createdAt = $case->instant('created_at');
        $events = array_map($this->event(...), $case->objects('events'));
        $now = $case->instant('now');
        // Everything that is no input at all is said before what is no calendar.
        $read = [];
        foreach ($calendars as $name => $calendar) {
            $read[$name] = Calendar::read($calendar, $case->at("calendars.{$name}"));
        }

        return ['instances' => array_map($this->written(...), Timeline::of(
            array_map(static fn (array $target): Target => new Target(
                $target['kind'], $target['seconds'], $read[$target['calendar']], $target['warn'], $target['runs']
            ), $targets),
            $priority, $createdAt, $events, $now
        ))];
    }

    /**
     * @param  array<array-key, mixed>  $calendars
     * @return array{kind: PromiseKind, seconds: array<string, int>, calendar: string, warn: int, runs: list<Status>}
     */
    private function target(Fields $target, array $calendars): array
    {
        $kind = $this->one(PromiseKind::class, $target, 'kind');
        $named = Fields::of($target->object('seconds'), $target->at('seconds'));
        $seconds = [];
        foreach (array_keys(get_object_vars($named->raw())) as $name) {
            $priority = Priority::tryFrom("{$name}") ?? throw BadInput::expected('a priority', $named->at("{$name}"));
            if ($named->has($priority->value)) {
                $seconds[$priority->value] = $this->fromZero($named, $priority->value);
            }
        }
        $calendar = $target->string('calendar');
        if (! isset($calendars[$calendar])) {
            throw BadInput::expected("the name of one of 'calendars'", $target->at('calendar'));
        }
        $runs = [Status::Open, Status::Held];
        if ($target->has('runs_in')) {
            $runs = [];
            foreach ($target->strings('runs_in') as $index => $name) {
                $status = Status::tryFrom($name);
                $runs[] = $status !== null && ! $status->isDone()
                    ? $status
                    : throw BadInput::expected("'open', 'waiting' or 'held'", $target->at("runs_in[{$index}]"));
            }
        }

        return [
            'kind' => $kind, 'seconds' => $seconds, 'calendar' => $calendar,
            'warn' => $target->has('warn_before') ? $this->fromZero($target, 'warn_before') : 0, 'runs' => $runs,
        ];
    }

    private function event(Fields $event): Event
    {
        $at = $event->instant('at');

        return match ($this->one(EventKind::class, $event, 'type')) {
            EventKind::CustomerMessage => Event::customerMessage($at),
            EventKind::TeammateReply => Event::teammateReply($at),
            EventKind::AutoReply => Event::autoReply($at),
            EventKind::Note => Event::note($at),
            EventKind::Status => Event::status($at, $this->one(Status::class, $event, 'status')),
            EventKind::Priority => Event::priority($at, $this->one(Priority::class, $event, 'priority')),
        };
    }

    /**
     * @return array<string, mixed>
     */
    private function written(Instance $instance): array
    {
        $at = static fn (?DateTimeImmutable $instant): ?string => $instant === null ? null : Instant::write($instant);

        return [
            'kind' => $instance->kind->value,
            'started_at' => $at($instance->startedAt),
            'ended_at' => $at($instance->endedAt),
            'state' => $instance->state->value,
            'spent' => $instance->spent,
            'target' => $instance->target,
            'kept' => $instance->kept,
            'due_at' => $at($instance->dueAt),
            'warn_at' => $at($instance->warnAt),
        ];
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T
     */
    private function one(string $enum, Fields $fields, string $name): BackedEnum
    {
        return $enum::tryFrom($fields->string($name)) ?? throw BadInput::expected(
            'one of '.implode(', ', array_map(static fn (BackedEnum $case): string => "'{$case->value}'", $enum::cases())),
            $fields->at($name)
        );
    }

    private function fromZero(Fields $fields, string $name): int
    {
        $number = $fields->integer($name);

        return $number >= 0 ? $number : throw BadInput::expected('a whole number from 0', $fields->at($name));
    }
}
