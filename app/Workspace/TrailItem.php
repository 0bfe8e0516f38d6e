<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;

/**
 * One thing on the trail: a message, a note, or what was done alongside in the same minute.
 */
final readonly class TrailItem
{
    /**
     * @param  non-empty-list<JournalEntry>  $entries  several only where all are pebbles
     */
    public function __construct(public array $entries) {}

    public function first(): JournalEntry
    {
        return $this->entries[0];
    }

    /**
     * What lies on the spine: customer, us, note, trouble, or a pebble for something done by the way.
     */
    public function shape(): string
    {
        return self::shapeOf($this->first());
    }

    public function takesUp(JournalEntry $next): bool
    {
        return $this->shape() === 'pebble'
            && self::shapeOf($next) === 'pebble'
            && $this->first()->at->format('YmdHi') === $next->at->format('YmdHi');
    }

    private static function shapeOf(JournalEntry $entry): string
    {
        return match ($entry->kind) {
            JournalKind::MessageReceived => 'customer',
            JournalKind::Replied, JournalKind::Forwarded => 'us',
            JournalKind::Noted => 'note',
            JournalKind::PartnerAsked, JournalKind::PartnerAnswered => 'partner',
            JournalKind::DeliveryFailed => 'trouble',
            default => 'pebble',
        };
    }
}
