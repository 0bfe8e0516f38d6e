<?php

declare(strict_types=1);

namespace App\Answering\Outbox;

use App\Answering\Happened\SendingAgain;
use App\Conversations\Actor;
use App\Conversations\Journal\Journal;
use App\Conversations\OutboxItem;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Tries a message again that failed for good, or at once one that is waiting for its next try.
 */
final readonly class SendAgain
{
    public function __construct(private Journal $journal) {}

    public function send(OutboxItem $item, Teammate $teammate): void
    {
        DB::transaction(function () use ($item, $teammate): void {
            $locked = OutboxItem::query()->lockForUpdate()->with('message.conversation')->findOrFail($item->id);
            if ($locked->state === OutboxItem::SENT) {
                return;
            }
            $locked->forceFill(['state' => OutboxItem::DUE, 'attempts' => 0, 'due_at' => now()])->save();
            $this->journal->record(
                $locked->message->conversation, new SendingAgain, Actor::teammate($teammate), message: $locked->message
            );
            DeliverOutboxItem::dispatch($locked->id)->afterCommit();
        });
    }
}
