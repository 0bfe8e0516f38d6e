<?php

declare(strict_types=1);

namespace App\Answering;

use App\Answering\Happened\PartnerAnswered;
use App\Answering\Happened\PartnerAsked;
use App\Answering\Outbox\DeliverOutboxItem;
use App\Channels\ReceivedMessage;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Support\RandomUuid;
use App\Team\Role;
use App\Team\Teammate;
use Cairnfield\Core\Threading\ConversationNumber;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Asks a partner from within a conversation, which is held meanwhile, and takes their answer in: then it is
 * our turn again.
 */
final readonly class AskPartner
{
    public function __construct(private Journal $journal, private ChangeState $changeState) {}

    /**
     * @param  PartnerThread|null  $thread  an earlier one to go on in; null for a new one
     *
     * @throws ConversationRefused when there is nothing to ask, nobody to ask, or the conversation is closed
     */
    public function ask(
        Conversation $conversation, Teammate $teammate, ?PartnerThread $thread, string $name, string $address, string $text,
        string $onceKey
    ): Message {
        if (trim($text) === '') {
            throw ConversationRefused::nothingWritten();
        }
        $address = $thread->address ?? (Recipients::read($address)[0] ?? throw ConversationRefused::nobodyToForwardTo());
        $key = Message::onceKeyOfQuestion($teammate->id, $onceKey);

        return DB::transaction(function () use ($conversation, $teammate, $thread, $name, $address, $text, $key): Message {
            $locked = Conversation::query()->lockForUpdate()->with('account')->findOrFail($conversation->id);
            // The same form sent once more, also in the same moment.
            $sent = Message::query()->where('once_key', $key)->first();
            if ($sent !== null) {
                return $sent;
            }
            if ($locked->state === ConversationState::Closed) {
                throw ConversationRefused::closed($locked->number());
            }
            if ($thread === null) {
                $this->refuseStranger($locked, $teammate, $address);
            }
            $thread ??= $this->begin($locked, $teammate, $name, $address);
            $message = $this->store($locked, $teammate, $thread, $text, $key);
            $item = OutboxItem::queue($message, [$thread->address]);
            $thread->forceFill(['answered_at' => null])->save();
            $actor = Actor::teammate($teammate);
            $this->journal->record($locked, new PartnerAsked(new Named($thread->id, $thread->name)), $actor, message: $message);
            if (! $locked->state->isDone()) {
                $this->changeState->hold($locked, $actor, "{$thread->name} was asked", null);
            }
            DeliverOutboxItem::dispatch($item->id)->afterCommit();

            return $message;
        });
    }

    /**
     * A customer is answered, not asked. And whoever does not write to customers asks only those whom somebody who does has asked
     * before: any other address could be anybody’s.
     */
    private function refuseStranger(Conversation $conversation, Teammate $teammate, string $address): void
    {
        $isCustomer = in_array(mb_strtolower($address), AnswerRoutes::ownAddresses($conversation), true)
            || Message::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->whereNull('partner_thread_id')
                ->where('direction', Message::IN)
                ->where('from_address', $address)
                ->exists();
        if ($isCustomer) {
            throw ConversationRefused::askedCustomer($address);
        }
        $isKnown = $teammate->role->answersCustomers() || PartnerThread::query()
            ->where('address', $address)
            ->whereIn('teammate_id', Teammate::query()->whereIn('role', Role::answering())->select('id'))
            ->exists();
        if (! $isKnown) {
            throw ConversationRefused::strangePartner($address);
        }
    }

    /**
     * The thread that something received belongs to: it refers to what we wrote there, or comes from the
     * partner who was asked.
     */
    public function threadOf(ReceivedMessage $received, Conversation $conversation): ?PartnerThread
    {
        $threads = PartnerThread::query()->whereIn('conversation_id', $conversation->withJoined())->orderByDesc('id')->get();
        if ($threads->isEmpty()) {
            return null;
        }
        $keys = array_map(Message::keyOfId(...), array_slice($received->references, -60));
        $referred = $keys === []
            ? null
            : Message::query()->whereIn(
                'conversation_id', $conversation->withJoined()
            )->whereIn('message_id_key', $keys)->orderByDesc('id')->first();

        return match (true) {
            $referred !== null => $referred->partner_thread_id === null ? null : $threads->firstWhere('id', $referred->partner_thread_id),
            default => $threads->first(
                static fn (PartnerThread $thread): bool => mb_strtolower($thread->address) === mb_strtolower($received->sender->value)
            ),
        };
    }

    /**
     * In the transaction of the arrival; the conversation is locked.
     */
    public function answered(Conversation $conversation, PartnerThread $thread, Message $message): void
    {
        $message->forceFill(['partner_thread_id' => $thread->id])->save();
        $this->journal->record(
            $conversation, new PartnerAnswered(new Named($thread->id, $thread->name)), Actor::application(), message: $message
        );
        if ($message->automatic) {
            return;
        }
        $thread->forceFill(['answered_at' => now()])->save();
        if ($conversation->state === ConversationState::Held) {
            $this->changeState->open($conversation, Actor::application(), "{$thread->name} answered");
        }
    }

    private function begin(Conversation $conversation, Teammate $teammate, string $name, string $address): PartnerThread
    {
        $thread = new PartnerThread;
        $thread->forceFill([
            'conversation_id' => $conversation->id,
            'teammate_id' => $teammate->id,
            'name' => mb_substr(trim($name) === '' ? Str::before($address, '@') : trim($name), 0, 120),
            'address' => $address,
            'subject' => mb_substr(ConversationNumber::mark($conversation->subject, $conversation->id), 0, 300),
        ])->save();

        return $thread;
    }

    private function store(Conversation $conversation, Teammate $teammate, PartnerThread $thread, string $text, string $key): Message
    {
        $account = $conversation->account->answersByMail() ?? throw ConversationRefused::nobodyToAnswer();
        $last = Message::query()->where('partner_thread_id', $thread->id)->orderByDesc('id')->first();
        $messageId = RandomUuid::make().'.p@'.Str::after($account->address, '@');
        $message = new Message;
        $message->forceFill([
            'conversation_id' => $conversation->id,
            'account_id' => $account->id,
            'teammate_id' => $teammate->id,
            'partner_thread_id' => $thread->id,
            'direction' => Message::OUT,
            'from_name' => $account->sender_name, 'from_address' => $account->address, 'to' => [$thread->address], 'cc' => [],
            'subject' => $last === null ? $thread->subject : "Re: {$thread->subject}",
            'message_id' => $messageId, 'message_id_key' => Message::keyOfId($messageId),
            'in_reply_to' => $last?->message_id,
            'references' => $last === null ? '' : trim(implode(' ', array_slice([...$last->referenceIds(), $last->message_id], -20))),
            'text' => str_replace(["\r\n", "\r"], "\n", rtrim($text)),
            'marks' => [],
            'sent_at' => now(),
            'received_at' => now(),
            'once_key' => $key,
        ])->save();

        return $message;
    }
}
