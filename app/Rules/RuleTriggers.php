<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\JournalEntry;
use App\Conversations\JournalKind;
use App\Conversations\Message;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Support\Facades\DB;

/**
 * Reads from the journal what happened, as rules look at it.
 */
final class RuleTriggers
{
    /** Entries of one transaction have numbers close to each other. */
    private const BESIDE = 20;

    /** What rules ask of a message. Its HTML and headers can be long, and none does. */
    private const OF_MESSAGE = ['id', 'conversation_id', 'direction', 'automatic', 'from_address', 'subject', 'text'];

    /** How `ReceiveMessage` says it. */
    private const CUSTOMER_WROTE = 'the customer wrote';

    /**
     * @param  list<int>  $ids  of journal entries
     * @param  list<string>  $reads  what will be asked beside the conversation itself, see RuleFields::reads
     * @return list<RuleTrigger> in the order in which they happened
     */
    public function ofEntries(array $ids, array $reads = []): array
    {
        $entries = JournalEntry::query()->whereKey($ids)->whereIn('kind', RuleEvent::KINDS)
            ->with([
                'conversation', 'message' => static fn (Relation $message): mixed => $message->select(self::OF_MESSAGE),
                ...array_map(static fn (string $one): string => str_starts_with($one, 'message.') ? $one : "conversation.{$one}", $reads),
            ])
            ->orderBy('id')->get();
        if ($entries->isEmpty()) {
            return [];
        }
        $first = $this->firstMessages($entries);
        $latest = $this->latestMessages($entries->whereNull('message_id')->pluck('conversation_id')->unique()->values()->all());
        $before = $this->statesBefore($entries);
        $closed = $this->goingOnFromClosed($entries);
        $triggers = [];
        foreach ($entries as $entry) {
            // Tens of thousands are looked at when a rule is tried out: as they were read.
            ['id' => $id, 'message_id' => $message, 'conversation_id' => $conversation] = $entry->getAttributes();
            $events = RuleEvent::of(
                $entry, isset($first[$message ?? 0]), $before[$id] ?? null,
                isset($closed[$entry->conversation->getAttributes()['linked_conversation_id'] ?? 0])
            );
            ['joined_into_id' => $joined, 'junk' => $junk] = $entry->conversation->getAttributes();
            // What was joined into another goes on there, and being put with the junk is no state that anybody waits for.
            if ($events !== [] && $joined === null && ! ($junk && $entry->kind === JournalKind::StateChanged)) {
                $triggers[] = RuleTrigger::ofEntry(
                    $entry, $events, ($message === null ? null : $entry->message) ?? $latest[$conversation] ?? null,
                    $before[$id] ?? null
                );
            }
        }

        return $triggers;
    }

    /**
     * What time alone made happen.
     *
     * @param  array<int, string>  $keys  of the events, by conversation
     * @param  list<string>  $reads
     * @return list<RuleTrigger>
     */
    public function ofTime(array $keys, array $reads = []): array
    {
        $conversations = Conversation::query()->whereKey(array_keys($keys))->whereNull('joined_into_id')->where('junk', false)
            ->with(array_values(array_filter($reads, static fn (string $one): bool => ! str_starts_with($one, 'message.'))))
            ->orderBy('id')
            ->get();
        $latest = $this->latestMessages(array_values($conversations->modelKeys()));

        return array_values(
            $conversations->map(
                static fn (Conversation $conversation): RuleTrigger => RuleTrigger::ofTime(
                    $conversation, $latest[$conversation->id] ?? null, $keys[$conversation->id], CarbonImmutable::now()
                )
            )->all()
        );
    }

    /**
     * The same again, from its key; null where it is gone.
     */
    public function again(string $key, int $conversation): ?RuleTrigger
    {
        return str_starts_with($key, 'entry-')
            ? $this->ofEntries([(int) substr($key, 6)])[0] ?? null
            : $this->ofTime([$conversation => $key])[0] ?? null;
    }

    /**
     * @param  Collection<int, JournalEntry>  $entries
     * @return array<int, true> the first message of each conversation
     */
    private function firstMessages(Collection $entries): array
    {
        $conversations = [];
        foreach ($entries as $entry) {
            if ($entry->getRawOriginal('kind') === JournalKind::MessageReceived->value) {
                $conversations[$entry->conversation_id] = $entry->conversation_id;
            }
        }

        return $conversations === []
            ? []
            : array_fill_keys(
                DB::table('messages')
                    ->whereIn('conversation_id', $conversations)
                    ->groupBy('conversation_id')
                    ->selectRaw('MIN(id) AS id')
                    ->pluck('id')
                    ->all(),
                true
            );
    }

    /**
     * @param  Collection<int, JournalEntry>  $entries
     * @return array<int, true> the closed conversations that others go on from
     */
    private function goingOnFromClosed(Collection $entries): array
    {
        $from = [];
        foreach ($entries as $entry) {
            $linked = $entry->conversation->getAttributes()['linked_conversation_id'];
            if ($linked !== null && $entry->getRawOriginal('kind') === JournalKind::MessageReceived->value) {
                $from[$linked] = $linked;
            }
        }

        return $from === []
            ? []
            : array_fill_keys(
                DB::table('conversations')->whereIn('id', $from)->where('state', ConversationState::Closed)->pluck('id')->all(),
                true
            );
    }

    /**
     * @param  array<int>  $conversations
     * @return array<int, Message> by conversation, what the customer wrote last
     */
    private function latestMessages(array $conversations): array
    {
        $ids = $conversations === []
            ? []
            : DB::table('messages')->whereIn('conversation_id', $conversations)->where('direction', Message::IN)->groupBy('conversation_id')->selectRaw('MAX(id) AS id')->pluck('id')->all();

        return $ids === []
            ? []
            : Message::query()->whereKey($ids)->with('attachments')->get(self::OF_MESSAGE)->keyBy('conversation_id')->all();
    }

    /**
     * Where a customer's message changed the state, the entry that says so stands right beside that of the message.
     *
     * @param  Collection<int, JournalEntry>  $entries
     * @return array<int, ConversationState> by the entry of the message
     */
    private function statesBefore(Collection $entries): array
    {
        $messages = [];
        foreach ($entries as $entry) {
            if ($entry->getRawOriginal('kind') === JournalKind::MessageReceived->value) {
                $messages[] = [
                    'id' => $entry->id, 'conversation_id' => $entry->conversation_id, 'at' => (string) $entry->getRawOriginal('at'),
                ];
            }
        }
        if ($messages === []) {
            return [];
        }
        $changes = [];
        foreach (DB::table('journal')->whereIn(
            'conversation_id', array_values(array_unique(array_column($messages, 'conversation_id')))
        )->where('kind', JournalKind::StateChanged)
            ->where('id', '>', $messages[0]['id'] - self::BESIDE)
            ->where('why', self::CUSTOMER_WROTE)
            ->orderBy('id')
            ->get(['id', 'conversation_id', 'details', 'at']) as $change) {
            $changes[(int) $change->conversation_id][] = $change;
        }
        $before = [];
        foreach ($messages as $message) {
            foreach ($changes[$message['conversation_id']] ?? [] as $change) {
                if (
                    abs((int) $change->id - $message['id']) < self::BESIDE && abs(
                        strtotime((string) $change->at) - strtotime($message['at'])
                    ) <= 5
                ) {
                    $from = ConversationState::tryFrom((string) (json_decode((string) $change->details, true)['from'] ?? ''));
                    $from === null ?: $before[$message['id']] = $from;
                    break;
                }
            }
        }

        return $before;
    }
}
