<?php

declare(strict_types=1);

namespace App\Answering;

use App\Answering\Happened\DeliveryFailed;
use App\Channels\Bounce;
use App\Channels\Mail\AddressDetails;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Journal;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Customers\Handle;
use Illuminate\Support\Str;

/**
 * Notes on an answer of ours that it did not reach somebody, or not yet: the conversation is our turn again, and the address is
 * known not to work until its owner writes from it.
 */
final readonly class NoteUndelivered
{
    public function __construct(private Journal $journal, private ChangeState $state) {}

    /**
     * The answer that a report is about: it came to the address made for that, or names it, and says of one whom it went to
     * that it did not reach them.
     */
    public function messageOf(Bounce $bounce): ?Message
    {
        $sure = $bounce->message === null ? null : Message::query()
            ->where('direction', Message::OUT)
            ->where('created_at', '>', now()->subDays(AddressDetails::REPORTS_FOR))
            ->find($bounce->message);
        if ($sure !== null) {
            return $sure;
        }
        if ($bounce->messageIds === []) {
            return null;
        }
        $messages = Message::query()
            ->whereIn('message_id_key', array_map(Message::keyOfId(...), $bounce->messageIds))
            ->where('direction', Message::OUT)
            ->with('outboxItem')
            ->orderByDesc('id')
            ->get();

        return $messages->first(fn (Message $message): bool => $bounce->addresses === [] || $this->reached($message, $bounce) !== []);
    }

    /**
     * @param  Conversation  $locked  in which it is told
     */
    public function bounced(Conversation $locked, Message $message, Bounce $bounce): void
    {
        $to = $this->reached($message, $bounce) ?: $message->to;
        $list = implode(', ', $to);
        if (! $bounce->isFinal) {
            $this->mark($message, "Not with {$list} yet, it is tried on: {$bounce->why}.");

            return;
        }
        $why = "{$list}: {$bounce->why}.";
        $this->mark($message, "Did not reach {$why}");
        $item = $message->outboxItem;
        if ($item !== null && $item->state === OutboxItem::SENT && array_diff($item->recipients, $to) === []) {
            // Nobody has it: it can be sent again.
            $item->forceFill(['state' => OutboxItem::FAILED, 'last_error' => Str::limit($why, 990)])->save();
        }
        $this->markAddresses($to, $bounce->why);
        $this->note($locked, $message, $to, $bounce->why);
    }

    /**
     * It was not taken over, and is not tried again.
     *
     * @param  list<string>  $to
     */
    public function refused(Conversation $locked, Message $message, array $to, string $why): void
    {
        // Only where it is the address that is refused, and there is but one it can be.
        count($to) === 1 && preg_match('/\b5\.1\.\d+\b/', $why) === 1 && $this->markAddresses($to, $why);
        $this->note($locked, $message, $to, $why);
    }

    /**
     * @param  list<string>  $addresses
     */
    private function markAddresses(array $addresses, string $why): void
    {
        Handle::query()->where('kind', 'email')->whereIn('value', array_map(mb_strtolower(...), $addresses))->update([
            'undeliverable_since' => now(), 'undeliverable_why' => mb_substr($why, 0, 300),
        ]);
    }

    /**
     * @param  list<string>  $to  whom it did not reach
     */
    private function note(Conversation $locked, Message $message, array $to, string $why): void
    {
        $this->journal->record($locked, new DeliveryFailed($to), Actor::application(), $why, $message);
        $endsWith = [ConversationState::Waiting, ConversationState::Held, ConversationState::Resolved];
        if (in_array($locked->state, $endsWith, true) && ! $locked->junk) {
            $this->state->set(
                $locked, ConversationState::Open, Actor::application(), ['waiting_since' => now()], 'an answer could not be delivered'
            );
        }
    }

    /**
     * Whoever writes from an address has it.
     */
    public static function works(string $address): void
    {
        Handle::query()
            ->where('kind', 'email')
            ->where('value', mb_strtolower($address))
            ->whereNotNull('undeliverable_since')
            ->update(['undeliverable_since' => null, 'undeliverable_why' => null]);
    }

    private function mark(Message $message, string $mark): void
    {
        $marks = array_values(array_unique([...$message->marks, mb_substr($mark, 0, 600)]));
        $message->forceFill(['marks' => $marks])->save();
    }

    /**
     * Those named in it whom the answer went to, as they were written there.
     *
     * @return list<string>
     */
    private function reached(Message $message, Bounce $bounce): array
    {
        $named = array_map(mb_strtolower(...), $bounce->addresses);
        $all = $message->outboxItem->recipients ?? [...$message->to, ...$message->cc];

        return array_values(array_filter($all, static fn (string $to): bool => in_array(mb_strtolower($to), $named, true)));
    }
}
