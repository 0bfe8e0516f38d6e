<?php

declare(strict_types=1);

namespace App\Answering\Outbox;

use App\Channels\Account;
use App\Channels\OutgoingFile;
use App\Channels\OutgoingMessage;
use App\Channels\QuotedMessage;
use App\Conversations\Attachment;
use App\Conversations\ChannelItem;
use App\Conversations\Message;
use App\Conversations\OutboxItem;

/**
 * Puts together what a channel is to bring out.
 */
final class ComposeOutgoing
{
    public function of(OutboxItem $item): OutgoingMessage
    {
        return $this->ofMessage($item->message, $item->account, $item->recipients);
    }

    /**
     * @param  list<string>  $recipients
     */
    public function ofMessage(Message $message, Account $account, array $recipients): OutgoingMessage
    {
        return new OutgoingMessage(
            $account,
            $message->kind,
            $recipients,
            $message->to,
            $message->cc,
            $message->from_name,
            $this->signature($message, $account),
            $message->subject,
            $message->text,
            $message->html,
            (string) $message->message_id,
            $message->in_reply_to,
            $message->referenceIds(),
            $this->thread($message, $account),
            $message->once_key,
            $message->conversation_id,
            $message->id,
            $message->automatic,
            $message->sent_at ?? $message->received_at,
            $this->quoted($message, $account),
            array_values($message->attachments->map(
                static fn (Attachment $file): OutgoingFile => new OutgoingFile($file->name, $file->media_type, $file->file)
            )->all()),
        );
    }

    /**
     * Their own where a mail is sent in somebody's own name and they have one, else the account's.
     */
    private function signature(Message $message, Account $account): string
    {
        $author = $account->channel->isMail() ? $message->teammate : null;
        $isInOwnName = $author !== null && $author->name === $message->from_name && trim($author->signature) !== '';

        return trim($isInOwnName ? $author->signature : (string) $account->signature);
    }

    private function thread(Message $message, Account $account): ?string
    {
        return $message->in_reply_to === null || $account->channel->isMail() ? null : ChannelItem::query()
            ->where('channel', $account->channel)
            ->where('outside_id', $message->in_reply_to)
            ->value('thread');
    }

    private function quoted(Message $message, Account $account): ?QuotedMessage
    {
        $answered = $message->in_reply_to === null || ! $account->channel->isMail() ? null : Message::query()
            ->where('conversation_id', $message->conversation_id)
            ->where('partner_thread_id', $message->partner_thread_id)
            ->where('message_id_key', Message::keyOfId($message->in_reply_to))
            ->first();

        return $answered === null ? null : new QuotedMessage(
            $answered->from_name !== '' ? $answered->from_name : $answered->from_address, $answered->text, $answered->received_at
        );
    }
}
