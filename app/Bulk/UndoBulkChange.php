<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Answering\CallBack;
use App\Bulk\Happened\BulkUndone;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Message;
use App\Conversations\Snapshots\Snapshot;
use App\Sorting\WhoMayRead;
use Illuminate\Support\Facades\DB;

/**
 * Sets back what a bulk change did, as it was. What somebody has gone on with since stays as it is now.
 */
final readonly class UndoBulkChange
{
    public function __construct(
        private Journal $journal, private CallBack $callBack, private Snapshot $snapshot, private CurrentCause $cause,
        private WhoMayRead $whoMayRead
    ) {}

    /**
     * @return bool whether all are done
     */
    public function go(BulkChange $bulk, int $most): bool
    {
        $items = BulkItem::query()
            ->where('bulk_change_id', $bulk->id)
            ->where('state', BulkItem::CHANGED)
            ->where('reason', '')
            ->orderBy('conversation_id')
            ->limit($most)
            ->get();
        foreach ($items as $item) {
            DB::transaction(fn () => $this->undo($bulk, $item));
        }
        if ($items->count() < $most) {
            $bulk->forceFill(['state' => BulkChange::UNDONE])->save();

            return true;
        }

        return false;
    }

    private function undo(BulkChange $bulk, BulkItem $item): void
    {
        $conversation = Conversation::query()->lockForUpdate()->findOrFail($item->conversation_id);
        if (! $this->whoMayRead->mayReadConversation($bulk->teammate_id, $conversation)) {
            $this->set($item, ['reason' => 'it is for the members of its category alone']);

            return;
        }
        $goneOn = JournalEntry::query()
            ->where('conversation_id', $conversation->id)
            ->where('id', '>', (int) $item->changed_at_entry)
            ->where('kind', '!=', JournalKind::Delivered)
            ->exists();
        if ($goneOn) {
            $this->set($item, ['reason' => 'somebody has gone on with it since']);

            return;
        }
        $before = $item->before ?? [];
        if ($bulk->answersBy() !== null && ! $this->answerIsCalledBack($bulk, $conversation)) {
            $this->set($item, ['reason' => 'the answer is on its way already']);

            return;
        }
        $actor = Actor::teammate($bulk->teammate()->firstOrFail());
        $this->cause->during(
            Cause::of(CauseKind::Bulk, $bulk->id, $bulk->label),
            fn () => $this->snapshot->restore($conversation, $before, $actor, 'undone')
        );
        $this->journal->record(
            $conversation, new BulkUndone(new Named($bulk->id, $bulk->label)), $actor
        );
        $this->set($item, ['state' => BulkItem::UNDONE]);
    }

    private function answerIsCalledBack(BulkChange $bulk, Conversation $conversation): bool
    {
        $message = Message::query()
            ->where('once_key', Message::onceKeyOfReply($bulk->teammate_id, "bulk-{$bulk->id}-{$conversation->id}"))
            ->first();
        if ($message === null) {
            return false;
        }
        try {
            $this->callBack->take($message);

            return true;
        } catch (ConversationRefused) {
            return false;
        }
    }

    /**
     * @param  array<string, mixed>  $values
     */
    private function set(BulkItem $item, array $values): void
    {
        BulkItem::query()
            ->where('bulk_change_id', $item->bulk_change_id)
            ->where('conversation_id', $item->conversation_id)
            ->update($values);
    }
}
