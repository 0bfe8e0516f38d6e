<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Answering\Outbox\DeliverOutboxItem;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Hours\OpeningInWords;
use App\Hours\StoreHours;
use App\Receiving\Happened\ReceiptSent;
use App\Sorting\BringsAlong;
use App\Store\Store;
use App\Support\RandomUuid;
use Cairnfield\Core\Threading\ConversationNumber;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;

/**
 * Tells a customer by email that what they wrote has arrived, and under which number. Sent once,
 * marked as automatic, and no answer in the sense of the promises. Anybody can type anybody's address into a form: what
 * goes there carries nothing of what was typed, and an address gets few of them.
 */
final readonly class SendReceipt
{
    public function __construct(private Journal $journal, private StoreHours $hours) {}

    /** To one address, within an hour. */
    private const MOST = 3;

    public function send(Conversation $conversation, Message $received, string $address): void
    {
        $account = $conversation->account()->firstOrFail()->answersByMail();
        if ($account === null || $received->automatic || $this->hadEnough($address)) {
            return;
        }
        $language = $conversation->language ?? Store::current()->language;
        $own = BringsAlong::of($conversation->category()->first())->receipt;
        DB::transaction(function () use ($conversation, $received, $address, $account, $language, $own): void {
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
                'subject' => ConversationNumber::mark(ReceiptText::subject($language), $conversation->id),
                'message_id' => $messageId,
                'message_id_key' => Message::keyOfId($messageId),
                'references' => '',
                'text' => $own !== '' ? sprintf("%s\n\n%s", $own, $conversation->number()) : ReceiptText::text(
                    $language, $conversation->number(),
                    OpeningInWords::sentence($this->hours, ReceiptText::language($language), now())
                ),
                'automatic' => true,
                'marks' => [],
                'sent_at' => now(),
                'received_at' => now(),
                'once_key' => self::onceKey($received),
            ])->save();
            $item = OutboxItem::queue($message, [$address]);
            $this->journal->record($conversation, new ReceiptSent($address), Actor::application(), message: $message);
            DeliverOutboxItem::dispatch($item->id)->afterCommit();
        });
    }

    public static function isSentFor(Message $received): bool
    {
        return Message::query()->where('once_key', self::onceKey($received))->exists();
    }

    private static function onceKey(Message $received): string
    {
        return hash('sha256', "receipt:{$received->once_key}");
    }

    private function hadEnough(string $address): bool
    {
        $key = 'receipt|'.hash('sha256', mb_strtolower($address));
        if (RateLimiter::tooManyAttempts($key, self::MOST)) {
            return true;
        }
        RateLimiter::hit($key, 3600);

        return false;
    }
}
