<?php

declare(strict_types=1);

namespace App\Answering;

use App\Answering\Happened\CalledBack;
use App\Conversations\Actor;
use App\Conversations\Attachment;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Journal;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Conversations\Snapshots\Snapshot;
use App\Team\Teammate;
use App\Templates\RecordTemplateUse;
use Illuminate\Support\Facades\DB;

/**
 * Takes an answer back in the seconds before it is on its way. The conversation is again as it was before,
 * and what was written is a draft again.
 */
final readonly class CallBack
{
    /** Where the number of the last entry that the answer made itself is kept, beside the snapshot. */
    public const UNTIL = 'until';

    /** Where everything is kept that was chosen in the form. */
    public const FORM = 'form';

    public function __construct(private Journal $journal, private RecordTemplateUse $templates, private Snapshot $snapshot) {}

    /**
     * @throws ConversationRefused when it is on its way already, or somebody else's
     */
    public function byAuthor(Message $message, Teammate $teammate): void
    {
        if ($message->teammate_id !== $teammate->id) {
            throw ConversationRefused::notYours();
        }
        DB::transaction(function () use ($message, $teammate): void {
            $this->take($message);
            KeepDraft::giveBack(
                $message->conversation, $teammate, $message->text,
                $message->attachments->map(
                    static fn (Attachment $file): array => [
                        'name' => $file->name, 'type' => $file->media_type, 'size' => $file->size, 'sha256' => $file->sha256,
                        'file' => $file->file,
                    ]
                )->values()->all(),
                (array) ($message->outboxItem->before[self::FORM] ?? [])
            );
        });
    }

    /**
     * @throws ConversationRefused when it is on its way already
     */
    public function take(Message $message): void
    {
        DB::transaction(function () use ($message): void {
            $conversation = Conversation::query()->lockForUpdate()->findOrFail($message->conversation_id);
            $item = OutboxItem::query()->where('message_id', $message->id)->lockForUpdate()->firstOrFail();
            if (! $item->canBeCalledBack()) {
                throw ConversationRefused::onItsWay();
            }
            $item->forceFill(['state' => OutboxItem::CALLED_BACK])->save();
            $message->forceFill(['called_back_at' => now()])->save();
            $before = $item->before ?? [];
            // What anybody did with it since stays: what the customer wrote keeps it our turn, another's answer stays one.
            $actor = $message->teammate === null ? Actor::application() : Actor::teammate($message->teammate);
            $this->snapshot->restore(
                $conversation, $before, $actor, 'the answer was called back',
                $this->journal->kindsSince($conversation, (int) ($before[self::UNTIL] ?? 0))
            );
            $this->templates->forget($message);
            $this->journal->record($conversation, new CalledBack($message->to), $actor);
        });
    }
}
