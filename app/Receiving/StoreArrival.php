<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Channels\ReceivedAttachment;
use App\Conversations\Attachment;
use App\Conversations\Conversation;
use App\Conversations\KeptFiles;
use App\Conversations\Message;
use App\Support\FileStore;

/**
 * Stores a prepared arrival as a message with its files, for the intake and for history alike.
 */
final readonly class StoreArrival
{
    /** Rows of attachments in one statement. */
    private const AT_ONCE = 200;

    public function __construct(private FileStore $files) {}

    /**
     * Keeps the bytes that the message will refer to. Before the transaction: a file that nothing
     * refers to does no harm, a half one would.
     */
    public function keep(Arrival $arrival): KeptFiles
    {
        $received = $arrival->received;

        return new KeptFiles(
            array_map(fn (ReceivedAttachment $attachment): string => $this->files->keep($attachment->bytes), $received->attachments),
            // Where something was taken out of it, the original holds it still: then it is not kept.
            $received->raw === null || $arrival->redacted !== [] ? null : $this->files->keep($received->raw),
        );
    }

    /**
     * @param  array<string, mixed>  $instead  columns that are other than for something received just now
     */
    public function message(Conversation $conversation, Account $account, Arrival $arrival, KeptFiles $kept, array $instead = []): Message
    {
        $received = $arrival->received;
        $message = Message::store([
            'conversation_id' => $conversation->id,
            'account_id' => $account->id,
            'direction' => Message::IN,
            'kind' => $received->item->kind ?? ItemKind::Message,
            'public' => $received->item->public ?? false,
            'outside_id' => $received->item?->outsideId,
            'from_name' => mb_substr($arrival->senderName, 0, 200),
            'from_address' => mb_substr($received->sender->shown, 0, 320),
            'reply_to' => $received->replyTo === null ? null : mb_substr($received->replyTo, 0, 320),
            'to' => $received->to,
            'cc' => $received->cc,
            'subject' => mb_substr($arrival->subject, 0, 1000),
            'message_id' => mb_substr($received->messageId, 0, 1000),
            'message_id_key' => Message::keyOfId($received->messageId === '' ? $received->onceKey : $received->messageId),
            'in_reply_to' => $received->inReplyTo,
            'references' => mb_strcut(implode(' ', array_slice($received->references, -60)), 0, 60_000),
            'text' => mb_strcut($arrival->text, 0, 16_000_000),
            'html' => $arrival->html === null ? null : mb_strcut($arrival->html, 0, 16_000_000),
            'language' => $arrival->language,
            'mood' => $arrival->mood?->mood,
            'mood_words' => $arrival->mood === null || $arrival->mood->words === [] ? null : $arrival->mood->words,
            'redacted' => $arrival->redacted === [] ? null : $arrival->redacted,
            'automatic' => $received->automatic,
            'marks' => $received->marks,
            'sent_at' => $received->sentAt,
            'received_at' => now(),
            'original' => $kept->original,
            'original_size' => $kept->original === null ? null : strlen((string) $received->raw),
            'once_key' => $received->onceKey,
            ...$instead,
        ]);
        $this->attachments($message, $received->attachments, $kept);

        return $message;
    }

    /**
     * @param  list<ReceivedAttachment>  $attachments
     */
    private function attachments(Message $message, array $attachments, KeptFiles $kept): void
    {
        $now = now();
        $rows = [];
        foreach ($attachments as $index => $attachment) {
            $rows[] = [
                'message_id' => $message->id,
                'name' => $attachment->name,
                'media_type' => $attachment->mediaType,
                'size' => $attachment->size,
                'sha256' => $attachment->sha256,
                'content_id' => $attachment->contentId,
                'inline' => $attachment->inline,
                'file' => $kept->attachments[$index],
                'created_at' => $now,
                'updated_at' => $now,
            ];
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $chunk) {
            Attachment::query()->insert($chunk);
        }
    }
}
