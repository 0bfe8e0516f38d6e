<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Channels\OutboxItem;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Takes an answer back in the seconds before it is on its way. The conversation is again as it was before,
 * and what was written is a draft again.
 */
final readonly class CallBack
{
    /** What answering changes, and calling back sets as it was. */
    public const KEPT = ['state', 'owner_id', 'outcome_id', 'held_reason', 'bring_back_at', 'waiting_since', 'due_at', 'answer_by', 'first_replied_at', 'preview', 'last_message_at'];

    public function __construct(private Journal $journal) {}

    /**
     * @throws InboxRefused when it is on its way already, or somebody else's
     */
    public function byAuthor(Message $message, Teammate $teammate): void
    {
        if ($message->teammate_id !== $teammate->id) {
            throw InboxRefused::notYours();
        }
        DB::transaction(function () use ($message, $teammate): void {
            $this->take($message);
            $draft = Draft::for($message->conversation, $teammate, Draft::REPLY)->lockForUpdate()->first();
            if ($draft === null) {
                $draft = (new Draft)->forceFill(['conversation_id' => $message->conversation_id, 'teammate_id' => $teammate->id, 'kind' => Draft::REPLY, 'text' => '', 'files' => []]);
            }
            $draft->forceFill([
                'text' => trim($draft->text) === '' ? $message->text : $message->text."\n\n".$draft->text,
                'files' => [...$draft->files, ...$message->attachments->map(static fn (Attachment $file): array => ['name' => $file->name, 'type' => $file->media_type, 'size' => $file->size, 'sha256' => $file->sha256, 'file' => $file->file])->all()],
            ])->save();
        });
    }

    /**
     * @throws InboxRefused when it is on its way already
     */
    public function take(Message $message): void
    {
        DB::transaction(function () use ($message): void {
            $conversation = Conversation::query()->lockForUpdate()->findOrFail($message->conversation_id);
            $item = OutboxItem::query()->where('message_id', $message->id)->lockForUpdate()->firstOrFail();
            if (! $item->canBeCalledBack()) {
                throw InboxRefused::onItsWay();
            }
            $item->forceFill(['state' => OutboxItem::CALLED_BACK])->save();
            $message->forceFill(['called_back_at' => now()])->save();
            $since = JournalEntry::query()->where('conversation_id', $conversation->id)->where('kind', JournalKind::MessageReceived)->where('id', '>', (int) JournalEntry::query()->where('message_id', $message->id)->min('id'))->exists();
            // What the customer wrote in between keeps it our turn; else all is as it was.
            $before = $since ? array_intersect_key($item->before ?? [], array_flip(['first_replied_at', 'owner_id'])) : $item->before ?? [];
            $conversation->setRawAttributes([...$conversation->getAttributes(), ...$before]);
            $conversation->save();
            $this->journal->record($conversation, JournalKind::CalledBack, $message->teammate === null ? Actor::application() : Actor::teammate($message->teammate), ['to' => implode(', ', $message->to)]);
        });
    }
}
