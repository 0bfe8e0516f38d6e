<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\Mail\AddressDetails;
use App\Channels\ReceivedMessage;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Customers\Handle;
use Cairnfield\Core\Threading\BareSubject;
use Cairnfield\Core\Threading\Candidate;
use Cairnfield\Core\Threading\ConversationNumber;
use Cairnfield\Core\Threading\IncomingHints;
use Cairnfield\Core\Threading\Threading;
use Cairnfield\Core\Threading\ThreadingDecision;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;

/**
 * Gathers the conversations that a message might belong to, and has the core decide.
 */
final class FindThread
{
    /** More than these a mail program does not need to find its thread; the newest count. */
    private const MOST_REFERENCES = 60;

    /**
     * @param  int|null  $customerId  whose handle the sender is; null where nobody has it
     * @param  CarbonImmutable|null  $at  when it was written; now, but for what is taken over from elsewhere
     */
    public function for(ReceivedMessage $received, ?int $customerId, ?CarbonImmutable $at = null): ThreadingDecision
    {
        $hints = new IncomingHints(
            [...array_slice($received->references, -self::MOST_REFERENCES), ...$this->cameBackFor($received)],
            $this->freshToken($received),
            ConversationNumber::inSubject($received->subject),
            $received->sender->value,
            BareSubject::of($received->subject),
            $at ?? CarbonImmutable::now(),
        );

        return Threading::decide($hints, ...$this->candidates($hints, $received, $customerId, $at !== null));
    }

    /**
     * An address that was handed on, or lies in an old mailbox, is no key for ever.
     */
    private function freshToken(ReceivedMessage $received): ?int
    {
        return $received->replyTokenNumber === null ? null : Conversation::query()
            ->whereKey($received->replyTokenNumber)
            ->where('last_message_at', '>', now()->subDays(AddressDetails::REPLIES_FOR))
            ->value('id');
    }

    /**
     * An out-of-office note often names nothing of what it answers, but comes to the address that was made for it.
     *
     * @return list<string>
     */
    private function cameBackFor(ReceivedMessage $received): array
    {
        return $received->returned === null ? [] : array_values(array_filter(Message::query()
            ->whereKey($received->returned)
            ->where('direction', Message::OUT)
            ->where('created_at', '>', now()->subDays(AddressDetails::REPORTS_FOR))
            ->pluck('message_id')
            ->all()));
    }

    /**
     * @return list<Candidate>
     */
    private function candidates(IncomingHints $hints, ReceivedMessage $received, ?int $customerId, bool $isHistory): array
    {
        $referred = $this->referredTo($hints->references);
        // What a message refers to decides alone, whoever takes part in it.
        $ids = $referred !== [] ? array_keys($referred) : [
            ...array_filter([$hints->tokenNumber, $hints->subjectNumber]),
            ...$this->sameSubject($hints, $received, $customerId),
        ];
        if ($ids === []) {
            return [];
        }
        $conversations = Conversation::query()->whereKey(array_unique($ids))
            ->when($referred === [], fn ($query) => $query->with('customer.handles'))
            ->get(['id', 'state', 'subject', 'customer_id', 'history_import_id', 'last_message_at']);
        $recipients = $referred !== [] ? [] : $this->recipients($conversations->modelKeys());

        return array_values($conversations->map(fn (Conversation $conversation): Candidate => new Candidate(
            $conversation->id,
            // History is closed from the beginning; more of it goes on there all the same.
            $conversation->state === ConversationState::Closed && ! ($isHistory && $conversation->history_import_id !== null),
            $referred[$conversation->id] ?? [],
            $referred !== [] ? [] : array_values(array_unique([
                ...$conversation->customer->handles->map(static fn (Handle $handle): string => $handle->value)->all(),
                ...$recipients[$conversation->id] ?? [],
            ])),
            BareSubject::of($conversation->subject),
            $conversation->last_message_at,
        ))->all());
    }

    /**
     * @param  list<string>  $ids
     * @return array<int, list<string>> message ids by conversation
     */
    private function referredTo(array $ids): array
    {
        $found = [];
        if ($ids !== []) {
            $messages = Message::query()
                ->whereIn('message_id_key', array_map(Message::keyOfId(...), $ids))
                ->get(['conversation_id', 'message_id']);
            foreach ($messages as $message) {
                $found[$message->conversation_id][] = $message->message_id;
            }
        }

        return $found;
    }

    /**
     * @return list<int>
     */
    private function sameSubject(IncomingHints $hints, ReceivedMessage $received, ?int $customerId): array
    {
        if ($customerId === null || $hints->subject->isEmpty() || ! $received->sender->isKnown()) {
            return [];
        }

        return array_values(Conversation::query()
            ->where('bare_subject_key', hash('sha256', $hints->subject->text))
            ->where('last_message_at', '>=', CarbonImmutable::instance($hints->receivedAt)->subDays(Threading::SAME_SUBJECT_DAYS))
            ->where('customer_id', $customerId)
            ->orderByDesc('last_message_at')
            ->limit(20)
            ->pluck('id')
            ->all());
    }

    /**
     * Everybody our messages went to and everybody who wrote, by conversation.
     *
     * @param  array<int, int>  $conversationIds
     * @return array<int, list<string>>
     */
    private function recipients(array $conversationIds): array
    {
        return Message::query()
            ->whereIn('conversation_id', $conversationIds)
            ->get(['conversation_id', 'direction', 'from_address', 'to', 'cc'])
            ->groupBy('conversation_id')
            ->map(static fn (Collection $messages): array => array_values(array_unique($messages->flatMap(
                static fn (Message $message): array => array_map(
                    mb_strtolower(...),
                    $message->isIncoming() ? [$message->from_address] : [...$message->to, ...$message->cc],
                ),
            )->all())))
            ->all();
    }
}
