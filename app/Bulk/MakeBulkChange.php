<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Answering\SendReply;
use App\Conversations\Actor;
use App\Conversations\CameInBetween;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Snapshots\Snapshot;
use App\Fields\FieldRefused;
use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use App\Templates\TemplateProblem;
use Illuminate\Support\Facades\DB;

/**
 * Makes a planned change, one conversation after the other, by the same actions as by hand. One that others
 * have changed since it was chosen is left alone, with the reason. Safe to go on with after a break.
 */
final readonly class MakeBulkChange
{
    public const UNDO_MINUTES = 10;

    public function __construct(
        private Changes $changes,
        private Snapshot $snapshot,
        private SendReply $sendReply,
        private BulkReplies $replies,
        private CurrentCause $cause,
        private WhoMayRead $whoMayRead,
    ) {}

    /**
     * @param  int  $most  how many to change before a break
     * @return bool whether all are done
     */
    public function go(BulkChange $bulk, int $most): bool
    {
        $teammate = $bulk->teammate()->firstOrFail();
        $items = BulkItem::query()
            ->where('bulk_change_id', $bulk->id)
            ->where('state', BulkItem::PLANNED)
            ->orderBy('conversation_id')
            ->limit($most)
            ->get();
        foreach ($items as $item) {
            $this->change($bulk, $item, $teammate);
        }
        if ($items->count() < $most) {
            $bulk->forceFill(['state' => BulkChange::DONE, 'undo_until' => now()->addMinutes(self::UNDO_MINUTES)])->save();

            return true;
        }

        return false;
    }

    private function change(BulkChange $bulk, BulkItem $item, Teammate $teammate): void
    {
        try {
            DB::transaction(function () use ($bulk, $item, $teammate): void {
                $conversation = Conversation::query()->lockForUpdate()->findOrFail($item->conversation_id);
                if (! $this->whoMayRead->mayReadConversation($teammate->id, $conversation)) {
                    $this->set($item, ['state' => BulkItem::SKIPPED, 'reason' => 'it is for the members of its category alone']);

                    return;
                }
                $other = $this->changedByOthers($bulk, $item);
                if ($other !== null) {
                    $this->set($item, ['state' => BulkItem::SKIPPED, 'reason' => "it was changed in between by {$other}"]);

                    return;
                }
                $before = $this->snapshot->take($conversation);
                $this->cause->during(
                    Cause::of(CauseKind::Bulk, $bulk->id, $bulk->label),
                    fn () => $this->apply($bulk, $conversation, $teammate, $item->seen)
                );
                $this->set(
                    $item,
                    [
                        'state' => BulkItem::CHANGED, 'before' => json_encode($before, JSON_THROW_ON_ERROR),
                        'changed_at_entry' => (int) JournalEntry::query()->where('conversation_id', $conversation->id)->max('id'),
                    ]
                );
            });
        } catch (BulkRefused|ChangeRefused|ConversationRefused|FieldRefused|TemplateProblem|CameInBetween $why) {
            $this->set($item, ['state' => BulkItem::SKIPPED, 'reason' => mb_substr($why->getMessage(), 0, 300)]);
        }
    }

    private function apply(BulkChange $bulk, Conversation $conversation, Teammate $teammate, int $seen): void
    {
        $bulk->answersBy() === null
            ? $this->changes->make(
                $bulk->does, $conversation, $bulk->chosen(), Actor::teammate($teammate), ChangeUse::Bulk, 'with many at once'
            )
            : $this->sendReply->send($conversation, $teammate, $this->replies->of($bulk, $conversation, $teammate, $seen));
    }

    /**
     * Who changed it since, but for the person themselves; null where nobody did.
     */
    private function changedByOthers(BulkChange $bulk, BulkItem $item): ?string
    {
        $entry = JournalEntry::query()->where('conversation_id', $item->conversation_id)->where('id', '>', $item->seen)
            ->whereNotIn('kind', [JournalKind::Delivered, JournalKind::ReceiptSent])
            ->where(fn ($entries) => $entries->whereNull('teammate_id')->orWhere('teammate_id', '!=', $bulk->teammate_id))
            ->with('teammate')->orderBy('id')->first();

        return $entry === null
            ? null
            : $entry->teammate->name ?? ($entry->kind === JournalKind::MessageReceived ? 'the customer, who wrote' : 'Cairnfield');
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
