<?php

declare(strict_types=1);

namespace App\Joining;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use Illuminate\Database\Eloquent\Collection;

/**
 * Of what was said while two conversations were one, which belongs to the one that was joined: what answers something of
 * it, came by its way alone, or comes from somebody who wrote in it and not in the other.
 */
final class TellApart
{
    /**
     * @param  int  $sinceEntry  the journal entry of the kept one by which they were joined
     * @return array{Collection<int, JournalEntry>, Collection<int, JournalEntry>} the entries of the joined one's messages, and
     *   those of the others
     */
    public function since(Conversation $kept, Conversation $joined, int $sinceEntry): array
    {
        $own = $this->known($joined);
        $others = $this->known($kept, $sinceEntry);
        $said = JournalEntry::query()
            ->where('conversation_id', $kept->id)
            ->where('id', '>', $sinceEntry)
            ->whereHas('message', static fn ($message) => $message->where('conversation_id', $kept->id))
            ->with(['message', 'teammate'])
            ->orderBy('id')
            ->get();

        return [...$said->partition(function (JournalEntry $entry) use (&$own, $others, $kept, $joined): bool {
            $isOfJoined = $entry->message !== null && $this->isOf($entry->message, $own, $others, $kept, $joined);
            // What answers it in turn belongs to it as well.
            $own = $isOfJoined ? [...$own, ...self::marksOf($entry->message)] : $own;

            return $isOfJoined;
        })];
    }

    /**
     * @param  array<string, true>  $own
     * @param  array<string, true>  $others
     */
    private function isOf(Message $message, array $own, array $others, Conversation $kept, Conversation $joined): bool
    {
        foreach (array_reverse([...$message->referenceIds(), (string) $message->in_reply_to]) as $answered) {
            if (isset($own["id {$answered}"]) !== isset($others["id {$answered}"])) {
                return isset($own["id {$answered}"]);
            }
        }
        if ($message->account_id !== $kept->account_id || $message->account_id !== $joined->account_id) {
            return $message->account_id === $joined->account_id;
        }
        $address = mb_strtolower($message->isIncoming() ? $message->from_address : (string) ($message->to[0] ?? ''));

        return isset($own["from {$address}"]) && ! isset($others["from {$address}"]);
    }

    /**
     * By what its messages are referred to, and who wrote them.
     *
     * @param  int|null  $untilEntry  only what was said before
     * @return array<string, true>
     */
    private function known(Conversation $conversation, ?int $untilEntry = null): array
    {
        $messages = Message::query()->where('conversation_id', $conversation->id)
            ->when($untilEntry !== null, static fn ($before) => $before->whereIn('id', JournalEntry::query()
                ->where('conversation_id', $conversation->id)->where('id', '<', $untilEntry)
                ->whereNotNull('message_id')
                ->select('message_id')))
            ->get();
        $known = [];
        foreach ($messages as $message) {
            $known = [...$known, ...self::marksOf($message)];
        }

        return $known;
    }

    /**
     * @return array<string, true>
     */
    private static function marksOf(Message $message): array
    {
        $marks = [];
        foreach (array_filter([$message->message_id, $message->outside_id]) as $id) {
            $marks["id {$id}"] = true;
        }
        if ($message->isIncoming()) {
            $marks['from '.mb_strtolower($message->from_address)] = true;
        }

        return $marks;
    }
}
