<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use DateTimeZone;
use Sabre\VObject\Component\VCalendar;

/**
 * A person's tasks, and what is held and comes back to them, as an iCalendar feed (RFC 5545). Each task is
 * an event at the time when it falls due, since most calendars show no to-dos of a feed.
 */
final readonly class Calendar
{
    private const MINUTES = 30;

    private const MOST = 500;

    public function __construct(private WhoMayRead $whoMayRead) {}

    public function of(Teammate $teammate): string
    {
        $calendar = new VCalendar([
            'PRODID' => '-//Cairnfield//Tasks//EN', 'X-WR-CALNAME' => "Cairnfield, {$teammate->name}",
        ]);
        // RFC 7986: without its type, programs that keep to the letter pass it over.
        $calendar->add('REFRESH-INTERVAL', 'PT15M', ['VALUE' => 'DURATION']);
        foreach (
            $this->whoMayRead->narrowWhatTellsOf(Task::query(), 'tasks.conversation_id', $teammate)
                ->where('assignee_id', $teammate->id)
                ->where('due_at', '>', now()->subDays(60))
                ->with('conversation')
                ->orderBy('due_at')
                ->limit(self::MOST)
                ->get() as $task
        ) {
            $this->event(
                $calendar, "task-{$task->id}", ($task->done_at === null ? '' : 'Done: ').$task->title, $task->due_at,
                $task->conversation, $task->updated_at, $task->done_at === null ? $task->remind_minutes : null
            );
        }
        foreach (
            Conversation::readable($teammate)
                ->where('owner_id', $teammate->id)
                ->where('state', ConversationState::Held)
                ->whereNotNull('bring_back_at')
                ->orderBy('bring_back_at')
                ->limit(self::MOST)
                ->get() as $held
        ) {
            $at = $held->bring_back_at;
            if ($at !== null) {
                $this->event($calendar, "back-{$held->id}", "Comes back: {$held->subject}", $at, $held, $held->last_message_at, null);
            }
        }

        return $calendar->serialize();
    }

    /**
     * Of this installation alone, and no name of it.
     */
    private function storeKey(): string
    {
        return substr(hash_hmac('sha256', 'calendar', (string) config('app.key')), 0, 32).'.cairnfield.invalid';
    }

    private function event(
        VCalendar $calendar, string $id, string $title, \DateTimeInterface $at, ?Conversation $conversation,
        \DateTimeInterface $changed, ?int $remindMinutes
    ): void {
        $utc = static fn (
            \DateTimeInterface $time
        ): \DateTimeImmutable => \DateTimeImmutable::createFromInterface($time)->setTimezone(new DateTimeZone('UTC'));
        $event = $calendar->createComponent('VEVENT', [
            // RFC 7986: unique in the world, where several stores' calendars come together in one program.
            'UID' => "{$id}@".$this->storeKey(),
            'SUMMARY' => $conversation === null ? $title : "{$title} ({$conversation->number()})",
            'DTSTART' => $utc($at),
            'DTEND' => $utc($at)->modify('+'.self::MINUTES.' minutes'),
            'DTSTAMP' => $utc(min($changed, now())),
        ]);
        if ($conversation !== null) {
            $event->add('URL', url("/conversations/{$conversation->id}"));
        }
        if ($remindMinutes !== null) {
            $event->add(
                $calendar->createComponent('VALARM', ['ACTION' => 'DISPLAY', 'TRIGGER' => "-PT{$remindMinutes}M", 'DESCRIPTION' => $title])
            );
        }
        $calendar->add($event);
    }
}
