<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\Mail\AddressDetails;
use App\Channels\ReceivedMessage;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use Cairnfield\Core\Threading\BareSubject;
use Cairnfield\Core\Threading\Candidate;
use Cairnfield\Core\Threading\ConversationNumber;
use Cairnfield\Core\Threading\IncomingHints;
use Cairnfield\Core\Threading\Threading;
use Cairnfield\Core\Threading\ThreadingDecision;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
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
     * @param  bool  $isTheirs  whether the sender may be who they say; else they take part nowhere
     * @param  CarbonImmutable|null  $at  when it was written; now, but for what is taken over from elsewhere
     */
    public function for(
        ReceivedMessage $received, ?int $customerId, ?CarbonImmutable $at = null, bool $isTheirs = true
    ): ThreadingDecision {
        $hints = new IncomingHints(
            array_slice($received->references, -self::MOST_REFERENCES),
            $this->freshToken($received) ?? $this->cameBackFor($received),
            ConversationNumber::inSubject($received->subject),
            $isTheirs ? $received->sender->value : '',
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
     * An out-of-office note often names nothing of what it answers, but comes to the address that was made and signed for it.
     */
    private function cameBackFor(ReceivedMessage $received): ?int
    {
        return $received->returned === null ? null : Message::query()
            ->whereKey($received->returned)
            ->where('direction', Message::OUT)
            ->where('created_at', '>', now()->subDays(AddressDetails::REPORTS_FOR))
            ->value('conversation_id');
    }

    /**
     * @return list<Candidate>
     */
    private function candidates(IncomingHints $hints, ReceivedMessage $received, ?int $customerId, bool $isHistory): array
    {
        $referred = $this->referredTo($hints->references);
        $ids = [
            ...array_filter([$hints->tokenNumber]),
            // What a message refers to goes before what its subject says.
            ...($referred !== []
                ? array_keys($referred)
                : [...array_filter([$hints->subjectNumber]), ...$this->sameSubject($hints, $received, $customerId)]),
        ];
        if ($ids === []) {
            return [];
        }
        $conversations = Conversation::query()->whereKey(array_unique($ids))
            ->with('customer.handles')
            ->get(['id', 'state', 'subject', 'customer_id', 'history_import_id', 'last_message_at', 'standing_copies']);
        $isIn = $this->takesPartIn($conversations, $hints->sender);

        return array_values($conversations->map(fn (Conversation $conversation): Candidate => new Candidate(
            $conversation->id,
            // History is closed from the beginning; more of it goes on there all the same.
            $conversation->state === ConversationState::Closed && ! ($isHistory && $conversation->history_import_id !== null),
            $referred[$conversation->id] ?? [],
            in_array($conversation->id, $isIn, true) ? [$hints->sender] : [],
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
     * In which of them somebody takes part: as the customer, as one who wrote or was written to, or whom the customer had in copy.
     *
     * @param  Collection<int, Conversation>  $conversations
     * @return list<int>
     */
    private function takesPartIn(Collection $conversations, string $sender): array
    {
        if ($sender === '') {
            return [];
        }
        $handles = $conversations->flatMap(static fn (Conversation $one): array => $one->customer->handles->pluck('value')->all());
        // As the columns have it.
        $written = '%'.addcslashes((string) json_encode($sender), '%_\\').'%';
        $isAmong = static fn (Builder $messages) => $messages
            ->whereRaw('lower(`to`) like ?', [$written])
            ->orWhereRaw('lower(`cc`) like ?', [$written]);
        $byMessages = Message::query()
            ->whereIn('conversation_id', $conversations->pluck('id'))
            ->where(static fn (Builder $any): Builder => $any
                ->where(static fn (Builder $in): Builder => $in->where('direction', Message::IN)->where('from_address', $sender))
                ->orWhere(static fn (Builder $out): Builder => $out->where('direction', Message::OUT)->where($isAmong))
                ->orWhere(static fn (Builder $in): Builder => $in->where('direction', Message::IN)
                    ->whereIn('from_address', $handles)->where($isAmong)))
            ->distinct()
            ->pluck('conversation_id')
            ->all();
        $byThemselves = $conversations
            ->filter(static fn (Conversation $one): bool => $one->customer->handles->contains('value', $sender)
                || in_array($sender, array_map(mb_strtolower(...), $one->standing_copies ?? []), true))
            ->pluck('id')
            ->all();

        return array_values(array_unique([...$byMessages, ...$byThemselves]));
    }
}
