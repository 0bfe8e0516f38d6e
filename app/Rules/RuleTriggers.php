<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Message;
use App\Receiving\Happened\MessageReceived;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Support\Facades\DB;

/**
 * Reads from the journal what happened, as rules look at it.
 */
final class RuleTriggers
{
    /** What rules ask of a message. Its HTML and headers can be long, and none does. */
    private const OF_MESSAGE = ['id', 'conversation_id', 'direction', 'automatic', 'from_address', 'sender_check', 'subject', 'text'];

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
        $latest = $this->latestMessages($entries->whereNull('message_id')->pluck('conversation_id')->unique()->values()->all());
        $closed = $this->goingOnFromClosed($entries);
        $triggers = [];
        foreach ($entries as $entry) {
            // Tens of thousands are looked at when a rule is tried out: as they were read.
            ['message_id' => $message, 'conversation_id' => $conversation] = $entry->getAttributes();
            $events = RuleEvent::of($entry, isset($closed[$entry->conversation->getAttributes()['linked_conversation_id'] ?? 0]));
            ['joined_into_id' => $joined, 'junk' => $junk] = $entry->conversation->getAttributes();
            // What was joined into another goes on there, and being put with the junk is no state that anybody waits for.
            if ($events !== [] && $joined === null && ! ($junk && $entry->kind === JournalKind::StateChanged)) {
                $what = $entry->payload();
                $triggers[] = RuleTrigger::ofEntry(
                    $entry, $events, ($message === null ? null : $entry->message) ?? $latest[$conversation] ?? null,
                    $what instanceof MessageReceived ? $what->before : null
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
            : DB::table('messages')->whereIn('conversation_id', $conversations)
                ->where('direction', Message::IN)
                ->groupBy('conversation_id')
                ->selectRaw('MAX(id) AS id')
                ->pluck('id')
                ->all();

        return $ids === []
            ? []
            : Message::query()->whereKey($ids)->with('attachments')->get(self::OF_MESSAGE)->keyBy('conversation_id')->all();
    }
}
