<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Channels\Account;
use App\Channels\ReceivedAttachment;
use App\Channels\ReceivedMessage;
use App\Customers\FindOrAddCustomer;
use App\Promises\StoreHours;
use App\Support\FileStore;
use App\Support\HtmlCleaner;
use Cairnfield\Core\Text\FoldedText;
use Cairnfield\Core\Threading\BareSubject;
use Cairnfield\Core\Threading\ConversationNumber;
use Cairnfield\Core\Threading\ThreadedBy;
use Cairnfield\Core\Threading\Threading;
use Cairnfield\Core\Threading\ThreadingDecision;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Takes in one message, the same way for every channel: finds or begins its conversation, stores
 * the message with its files, and makes it our turn. Safe to repeat: the same message is stored once.
 */
final readonly class ReceiveMessage
{
    public function __construct(
        private FindThread $findThread,
        private FindOrAddCustomer $customers,
        private HtmlCleaner $cleaner,
        private FileStore $files,
        private Journal $journal,
        private StoreHours $hours,
    ) {}

    public function receive(Account $account, ReceivedMessage $received): ReceiptOutcome
    {
        $earlier = $this->storedBefore($received);
        if ($earlier !== null) {
            return ReceiptOutcome::again($earlier);
        }
        // Outside the transaction: a file that nothing refers to does no harm, a half one would.
        $files = array_map(fn (ReceivedAttachment $attachment): string => $this->files->keep($attachment->bytes), $received->attachments);
        try {
            return DB::transaction(fn (): ReceiptOutcome => ReceiptOutcome::stored($this->store($account, $received, $files)), 5);
        } catch (UniqueConstraintViolationException $collision) {
            // Another worker took the same message in between.
            return ReceiptOutcome::again($this->storedBefore($received) ?? throw $collision);
        }
    }

    private function storedBefore(ReceivedMessage $received): ?Message
    {
        return Message::query()->where('once_key', $received->onceKey)->first();
    }

    /**
     * @param  list<string>  $files  where the attachments are kept, in their order
     */
    private function store(Account $account, ReceivedMessage $received, array $files): Message
    {
        $decision = $this->findThread->for($received);
        $conversation = $decision->continues === null
            ? $this->begin($account, $received, $decision)
            : Conversation::query()->lockForUpdate()->findOrFail($decision->continues);
        $message = $this->storeMessage($conversation, $account, $received);
        $this->storeAttachments($message, $received, $files);
        $this->journal->record(
            $conversation,
            JournalKind::MessageReceived,
            Actor::customer(),
            ['channel' => $received->channel->value, 'to' => $account->address],
            $this->why($decision),
            $message,
        );
        $this->makeItOurTurn($conversation, $received);

        return $message;
    }

    private function begin(Account $account, ReceivedMessage $received, ThreadingDecision $decision): Conversation
    {
        $subject = ConversationNumber::withoutMark($received->subject);
        $conversation = new Conversation;
        $conversation->forceFill([
            'subject' => mb_substr($subject === '' ? '(no subject)' : $subject, 0, 500),
            'bare_subject_key' => hash('sha256', BareSubject::of($received->subject)->text),
            'customer_id' => $this->customers->byHandle($received->sender)->id,
            'account_id' => $account->id,
            'channel' => $received->channel,
            'state' => ConversationState::Open,
            'team_id' => $account->team_id,
            'linked_conversation_id' => $decision->linksTo,
            'automatic' => $received->automatic,
            'last_message_at' => now(),
        ])->save();
        $this->journal->record(
            $conversation,
            JournalKind::Began,
            Actor::customer(),
            ['linked' => $decision->linksTo === null ? null : ConversationNumber::show($decision->linksTo)],
            $this->whyLinked($decision),
        );

        return $conversation;
    }

    private function storeMessage(Conversation $conversation, Account $account, ReceivedMessage $received): Message
    {
        $message = new Message;
        $message->forceFill([
            'conversation_id' => $conversation->id,
            'account_id' => $account->id,
            'direction' => Message::IN,
            'from_name' => mb_substr($received->sender->name, 0, 200),
            'from_address' => mb_substr($received->sender->shown, 0, 320),
            'reply_to' => $received->replyTo === null ? null : mb_substr($received->replyTo, 0, 320),
            'to' => $received->to,
            'cc' => $received->cc,
            'subject' => mb_substr($received->subject, 0, 1000),
            'message_id' => $received->messageId,
            'message_id_key' => Message::keyOfId($received->messageId === '' ? $received->onceKey : $received->messageId),
            'in_reply_to' => $received->inReplyTo,
            'references' => mb_strcut(implode(' ', array_slice($received->references, -60)), 0, 60_000),
            'text' => mb_strcut($received->text, 0, 16_000_000),
            'html' => $received->html === null ? null : mb_strcut($this->cleaner->clean($received->html), 0, 16_000_000),
            'automatic' => $received->automatic,
            'marks' => $received->marks,
            'sent_at' => $received->sentAt,
            'received_at' => now(),
            'original' => $received->original,
            'original_size' => $received->originalSize,
            'once_key' => $received->onceKey,
        ])->save();

        return $message;
    }

    /**
     * @param  list<string>  $files
     */
    private function storeAttachments(Message $message, ReceivedMessage $received, array $files): void
    {
        $now = now();
        $rows = [];
        foreach ($received->attachments as $index => $attachment) {
            $rows[] = [
                'message_id' => $message->id,
                'name' => $attachment->name,
                'media_type' => $attachment->mediaType,
                'size' => $attachment->size,
                'sha256' => $attachment->sha256,
                'content_id' => $attachment->contentId,
                'inline' => $attachment->inline,
                'file' => $files[$index],
                'created_at' => $now,
                'updated_at' => $now,
            ];
        }
        foreach (array_chunk($rows, 200) as $chunk) {
            Attachment::query()->insert($chunk);
        }
    }

    private function makeItOurTurn(Conversation $conversation, ReceivedMessage $received): void
    {
        $before = $conversation->state;
        $isOurTurn = ! $received->automaticAnswer || $before === ConversationState::Open;
        $waitingSince = $isOurTurn && ! $received->automaticAnswer ? $conversation->waiting_since ?? now() : $conversation->waiting_since;
        $conversation->forceFill([
            'preview' => self::preview($received->text),
            'last_message_at' => now(),
            'last_customer_message_at' => now(),
            'waiting_since' => $waitingSince,
            'due_at' => $waitingSince === null ? null : $this->hours->dueAt($waitingSince),
        ]);
        if ($isOurTurn && $before !== ConversationState::Open) {
            $conversation->forceFill([
                'state' => ConversationState::Open,
                'outcome_id' => null,
                'held_reason' => null,
                'bring_back_at' => null,
            ]);
            $this->journal->record(
                $conversation,
                JournalKind::StateChanged,
                Actor::application(),
                ['from' => $before->value, 'to' => ConversationState::Open->value],
                'the customer wrote',
            );
        }
        $conversation->save();
    }

    private function why(ThreadingDecision $decision): string
    {
        return $decision->continues === null ? '' : match ($decision->by) {
            ThreadedBy::References => 'it refers to an earlier message',
            ThreadedBy::ReplyToken => 'it was sent to the reply address of this conversation',
            ThreadedBy::NumberInSubject => 'its subject has this number',
            ThreadedBy::SenderAndSubject => 'same sender and subject within '.Threading::SAME_SUBJECT_DAYS.' days',
            null => '',
        };
    }

    private function whyLinked(ThreadingDecision $decision): string
    {
        return match (true) {
            $decision->linksTo === null => '',
            $decision->by === ThreadedBy::NumberInSubject => 'its subject has that number; closed, or written by somebody who takes no part in it',
            default => 'it answers a conversation that is closed',
        };
    }

    private static function preview(string $text): string
    {
        return Str::limit(Str::squish(FoldedText::of($text)->written), 200, '…');
    }
}
