<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Channels\DeliverOutboxItem;
use App\Channels\OutboxItem;
use App\Team\Teammate;
use Cairnfield\Core\Threading\ConversationNumber;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Answers the customer: stores the message and its outbox row in one transaction, and has a worker
 * deliver it. Safe to repeat with the same key.
 */
final readonly class SendReply
{
    public function __construct(
        private CheckNothingCameInBetween $check,
        private AssignConversation $assign,
        private ChangeState $changeState,
        private Journal $journal,
    ) {}

    /**
     * @throws InboxRefused when there is nothing to send, nobody to send it to, or the conversation is closed
     * @throws CameInBetween when others did something that this person has not seen
     */
    public function send(Conversation $conversation, Teammate $teammate, ReplyToSend $reply): Message
    {
        $key = hash('sha256', "reply:{$teammate->id}:{$reply->onceKey}");
        try {
            $message = Message::query()->where('once_key', $key)->first()
                ?? DB::transaction(fn (): Message => $this->store($conversation, $teammate, $reply, $key));
        } catch (UniqueConstraintViolationException) {
            $message = Message::query()->where('once_key', $key)->firstOrFail();
        }
        Draft::for($conversation, $teammate, Draft::REPLY)->delete();

        return $message;
    }

    private function store(Conversation $conversation, Teammate $teammate, ReplyToSend $reply, string $key): Message
    {
        $locked = Conversation::query()->lockForUpdate()->with('account')->findOrFail($conversation->id);
        $this->refuseIfImpossible($locked, $reply);
        $this->check->since($locked, $reply->seen, $teammate);
        $answered = $locked->messages()->where('direction', Message::IN)->orderByDesc('id')->first();
        $recipient = $answered?->reply_to ?: $answered?->from_address;
        if ($answered === null || ! is_string($recipient) || ! str_contains($recipient, '@')) {
            throw InboxRefused::nobodyToAnswer();
        }
        $message = $this->storeMessage($locked, $teammate, $reply, $answered, $recipient, $key);
        $this->storeFiles($message, $reply);
        $item = OutboxItem::queue($message, [$recipient]);
        $actor = Actor::teammate($teammate);
        $this->journal->record($locked, JournalKind::Replied, $actor, ['to' => $recipient], message: $message);
        $this->goOn($locked, $teammate, $reply, $message);
        DeliverOutboxItem::dispatch($item->id)->afterCommit();

        return $message;
    }

    private function refuseIfImpossible(Conversation $conversation, ReplyToSend $reply): void
    {
        if (trim($reply->text) === '' && $reply->files === []) {
            throw InboxRefused::nothingWritten();
        }
        if ($conversation->state === ConversationState::Closed) {
            throw InboxRefused::closed($conversation->number());
        }
        if ($reply->then === ConversationState::Resolved && $reply->outcome === null) {
            throw InboxRefused::needsOutcome();
        }
    }

    private function storeMessage(
        Conversation $conversation,
        Teammate $teammate,
        ReplyToSend $reply,
        Message $answered,
        string $recipient,
        string $key,
    ): Message {
        $account = $conversation->account;
        $messageId = Str::uuid()->toString().'.'.$conversation->id.'@'.Str::after($account->address, '@');
        $references = array_filter([...$answered->referenceIds(), $answered->message_id]);
        $message = new Message;
        $message->forceFill([
            'conversation_id' => $conversation->id,
            'account_id' => $account->id,
            'teammate_id' => $teammate->id,
            'direction' => Message::OUT,
            'from_name' => $account->sender_name,
            'from_address' => $account->address,
            'to' => [$recipient],
            'cc' => [],
            'subject' => 'Re: '.ConversationNumber::mark(self::withoutReplyMarks($conversation->subject), $conversation->id),
            'message_id' => $messageId,
            'message_id_key' => Message::keyOfId($messageId),
            'in_reply_to' => $answered->message_id === '' ? null : $answered->message_id,
            // The first one names the thread, the last ones its end (RFC 5322, 3.6.4 allows leaving out between).
            'references' => implode(' ', [...array_slice($references, 0, 1), ...array_slice(array_slice($references, 1), -20)]),
            'text' => str_replace(["\r\n", "\r"], "\n", rtrim($reply->text)),
            'marks' => [],
            'sent_at' => now(),
            'received_at' => now(),
            'once_key' => $key,
        ])->save();

        return $message;
    }

    private function storeFiles(Message $message, ReplyToSend $reply): void
    {
        foreach ($reply->files as $file) {
            (new Attachment)->forceFill([
                'message_id' => $message->id,
                'name' => $file['name'],
                'media_type' => $file['type'],
                'size' => $file['size'],
                'sha256' => $file['sha256'],
                'file' => $file['file'],
            ])->save();
        }
    }

    private function goOn(Conversation $conversation, Teammate $teammate, ReplyToSend $reply, Message $message): void
    {
        $actor = Actor::teammate($teammate);
        if ($conversation->owner_id === null) {
            $this->assign->assign($conversation, $teammate, $actor, 'by answering');
        }
        $conversation->refresh()->forceFill([
            'waiting_since' => null,
            'due_at' => null,
            'first_replied_at' => $conversation->first_replied_at ?? now(),
            'last_message_at' => now(),
            'preview' => Str::limit(Str::squish($message->text), 200, '…'),
        ])->save();
        match ($reply->then) {
            ConversationState::Resolved => $this->changeState->resolveUnchecked($conversation, $actor, $reply->outcome ?? throw InboxRefused::needsOutcome()),
            ConversationState::Open => $this->changeState->open($conversation, $actor),
            default => $this->changeState->wait($conversation, $actor),
        };
    }

    private static function withoutReplyMarks(string $subject): string
    {
        return trim((string) preg_replace('/^(?:\s*(?:re|aw|sv|antw)\s*(?:\[\d+\])?\s*:)+/iu', '', $subject));
    }
}
