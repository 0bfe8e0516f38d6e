<?php

declare(strict_types=1);

namespace App\Joining;

use App\Channels\SenderHandle;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Happened\Began;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Conversations\Message;
use App\Conversations\PlaceInQueue;
use App\Customers\FindOrAddCustomer;
use App\Joining\Happened\MessageSplitOff;
use App\Orders\AttachOrders;
use App\Receiving\Happened\MessageReceived;
use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Cairnfield\Core\Mood\Mood;
use Illuminate\Support\Facades\DB;

/**
 * Makes a message of the customer a conversation of its own: another matter came in the same thread. Joining
 * the two undoes it.
 */
final readonly class SplitOff
{
    public function __construct(
        private Journal $journal, private AttachOrders $attachOrders, private ChangeState $state,
        private FindOrAddCustomer $customers, private WhoMayRead $whoMayRead
    ) {}

    /**
     * @throws ConversationRefused when it is the only message, or not the customer's
     */
    public function split(Message $message, Teammate $teammate): Conversation
    {
        return DB::transaction(function () use ($message, $teammate): Conversation {
            $from = Conversation::query()->lockForUpdate()->findOrFail($message->conversation_id);
            $message->refresh();
            if (! $message->isIncoming() || $message->partner_thread_id !== null) {
                throw ConversationRefused::notTheCustomers();
            }
            if (Message::query()->where('conversation_id', $from->id)->count() < 2) {
                throw ConversationRefused::onlyMessage();
            }
            $actor = Actor::teammate($teammate);
            $own = $this->begin($from, $message);
            $message->forceFill(['conversation_id' => $own->id])->save();
            $this->journal->record($own, new Began(new Named($from->id, $from->number())), $actor, 'split off from it');
            $this->journal->record(
                $own, new MessageReceived($from->channel, (string) $from->account?->address, true, null), Actor::customer(), '', $message,
                at: $message->received_at
            );
            foreach ($from->orders()->get() as $order) {
                $this->attachOrders->one($own, $order, 'hand', $actor);
            }
            $this->goOnWithout($from, $actor);
            $this->journal->record($from, new MessageSplitOff(new Named($own->id, $own->number())), $actor);

            return $own;
        });
    }

    private function begin(Conversation $from, Message $message): Conversation
    {
        // A stranger who wrote into the thread does not become its customer by being split off.
        $customerId = $message->from_address === '' ? $from->customer_id : $this->customers->byHandle(SenderHandle::of(
            $message->account->channel->handleKind(), mb_strtolower($message->from_address), $message->from_address,
            (string) $message->from_name
        ))->id;

        return Conversation::begin([
            'subject' => $from->subject,
            'bare_subject_key' => $from->bare_subject_key,
            'customer_id' => $customerId,
            'customer_place' => PlaceInQueue::placeOf($customerId),
            'account_id' => $message->account_id,
            'channel' => $from->channel,
            'kind' => $message->kind,
            'public' => $message->public,
            'state' => ConversationState::Open,
            'team_id' => $from->team_id,
            'category_id' => $this->whoMayRead->staysIn($from->category_id),
            'linked_conversation_id' => $from->id,
            'language' => $message->language ?? $from->language,
            'mood' => $message->mood ?? Mood::Neutral,
            'preview' => Message::previewOf($message->text),
            'waiting_since' => $message->received_at,
            'last_message_at' => $message->received_at,
            'last_customer_message_at' => $message->received_at,
        ]);
    }

    /**
     * Whoever waits in the other one is found anew.
     */
    private function goOnWithout(Conversation $from, Actor $actor): void
    {
        $lastAnswer = (int) Message::query()
            ->where('conversation_id', $from->id)
            ->where('direction', Message::OUT)
            ->whereNull('called_back_at')
            ->max('id');
        $oldest = Message::query()
            ->where('conversation_id', $from->id)
            ->where('direction', Message::IN)
            ->where('automatic', false)
            ->where('id', '>', $lastAnswer)
            ->orderBy('id')
            ->first();
        $latest = Message::query()->where('conversation_id', $from->id)->orderByDesc('id')->first();
        if ($from->waiting_since !== null) {
            $from->forceFill(['waiting_since' => $oldest?->received_at]);
            if ($oldest === null && $lastAnswer > 0 && $from->state === ConversationState::Open) {
                $this->state->set($from, ConversationState::Waiting, $actor, [], 'what was split off was the last to wait');
            }
        }
        $from->forceFill(['preview' => $latest === null ? '' : Message::previewOf($latest->text)])->save();
    }
}
