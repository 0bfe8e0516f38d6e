<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Answering\Outbox\DeliverOutboxItem;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Receiving\Happened\ReceiptSent;
use App\Support\RandomUuid;
use Cairnfield\Core\Threading\ConversationNumber;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Tells a customer by email that what they wrote has arrived, and under which number. Sent once,
 * marked as automatic, and no answer in the sense of the promises.
 */
final readonly class SendReceipt
{
    public function __construct(private Journal $journal) {}

    public function send(Conversation $conversation, Message $received, string $address, string $name): void
    {
        $account = $conversation->account()->firstOrFail()->answersByMail();
        if ($account === null || $received->automatic) {
            return;
        }
        DB::transaction(function () use ($conversation, $received, $address, $name, $account): void {
            $messageId = RandomUuid::make().'.'.$conversation->id.'@'.Str::after($account->address, '@');
            $message = new Message;
            $message->forceFill([
                'conversation_id' => $conversation->id,
                'account_id' => $account->id,
                'direction' => Message::OUT,
                'from_name' => $account->sender_name,
                'from_address' => $account->address,
                'to' => [$address],
                'cc' => [],
                'subject' => ConversationNumber::mark("We have your message: {$conversation->subject}", $conversation->id),
                'message_id' => $messageId,
                'message_id_key' => Message::keyOfId($messageId),
                'references' => '',
                'text' => $this->text($conversation, $received, $name),
                'automatic' => true,
                'marks' => [],
                'sent_at' => now(),
                'received_at' => now(),
                'once_key' => hash('sha256', "receipt:{$received->once_key}"),
            ])->save();
            $item = OutboxItem::queue($message, [$address]);
            $this->journal->record($conversation, new ReceiptSent($address), Actor::application(), message: $message);
            DeliverOutboxItem::dispatch($item->id)->afterCommit();
        });
    }

    private function text(Conversation $conversation, Message $received, string $name): string
    {
        $first = explode(' ', trim($name))[0];
        $quoted = '> '.str_replace("\n", "\n> ", trim($received->text));

        return "Hello {$first},\n\nthank you for writing. Your message has arrived, and somebody will read it soon. Its number is "
            ."{$conversation->number()}; you can answer to this mail if you want to add anything.\n\nYou wrote:\n{$quoted}";
    }
}
