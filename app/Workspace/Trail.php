<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Channels\Account;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Message;
use App\Team\Teammate;
use Closure;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * A conversation as it is shown: its journal with the messages and notes, on one time line. A fixed
 * number of queries, whatever its length.
 */
final class Trail
{
    /** Kept in the record, and shown with the message they belong to or not at all. */
    private const UNSHOWN = [JournalKind::Delivered, JournalKind::SendingAgain, JournalKind::PromiseSetApplied];

    /**
     * All that was written down of it.
     *
     * @return Collection<int, JournalEntry>
     */
    public function journal(Conversation $conversation): Collection
    {
        return JournalEntry::query()->whereIn('conversation_id', $conversation->withJoined())->orderBy('at')->orderBy('id')->get();
    }

    /**
     * @param  Collection<int, JournalEntry>  $journal
     * @param  bool  $hasFiles  whether there may be any, where that is known
     * @return list<TrailItem>
     */
    public function of(Conversation $conversation, Collection $journal, bool $hasFiles): array
    {
        $items = [];
        $ids = $conversation->withJoined();
        foreach ($this->entries($conversation, $journal, $hasFiles) as $entry) {
            // What was split off is told by its own entry, and read where it is now.
            if ($entry->message !== null && ! in_array($entry->message->conversation_id, $ids, true)) {
                continue;
            }
            $last = array_key_last($items);
            if ($last !== null && $items[$last]->takesUp($entry)) {
                $items[$last] = new TrailItem([...$items[$last]->entries, $entry]);
            } else {
                $items[] = new TrailItem([$entry]);
            }
        }

        return array_values($items);
    }

    /**
     * What was said, as it was fetched for the trail.
     *
     * @param  list<TrailItem>  $trail
     * @return Collection<int, Message>
     */
    public static function messages(array $trail): Collection
    {
        $messages = [];
        foreach ($trail as $item) {
            foreach ($item->entries as $entry) {
                $entry->message === null ?: $messages[$entry->message->id] = $entry->message;
            }
        }

        return new Collection(array_values($messages));
    }

    public function lastSeen(Conversation $conversation): int
    {
        return (int) JournalEntry::query()->whereIn('conversation_id', $conversation->withJoined())->max('id');
    }

    /**
     * Those that are shown, with what they tell of.
     *
     * @param  Collection<int, JournalEntry>  $journal
     * @return Collection<int, JournalEntry>
     */
    private function entries(Conversation $conversation, Collection $journal, bool $hasFiles): Collection
    {
        $entries = $journal
            ->reject(static fn (JournalEntry $entry): bool => in_array($entry->kind, self::UNSHOWN, true)
                || ($entry->kind === JournalKind::Began && $entry->details === []))
            ->values()
            ->load(['message', 'note']);
        /** @var Collection<int, Message> $messages */
        $messages = new Collection($entries->pluck('message')->filter()->unique('id')->values()->all());
        $this->tellBy($conversation, $messages);
        $this->tellWho($conversation, $entries, $messages);
        $hasFiles ? $messages->load('attachments') : $messages->each->setRelation('attachments', new Collection);
        self::loadFor($messages, 'outboxItem', static fn (Message $message): bool => $message->direction === Message::OUT);
        self::loadFor($messages, 'channelItem', static fn (Message $message): bool => ! $message->account->channel->isMail());
        // An entry of its own may name the same message.
        $byId = $messages->keyBy('id');
        foreach ($entries as $entry) {
            $entry->message === null ?: $entry->setRelation('message', $byId[$entry->message->id]);
        }

        return $entries;
    }

    /**
     * By which accounts: each is fetched once, whatever names it.
     *
     * @param  Collection<int, Message>  $messages
     */
    private function tellBy(Conversation $conversation, Collection $messages): void
    {
        $ids = [$conversation->account_id, ...$messages->pluck('account_id')->all()];
        $accounts = Account::query()->whereKey(array_unique($ids))->get()->keyBy('id');
        foreach ([$conversation, ...$messages] as $one) {
            $one->setRelation('account', $accounts[$one->account_id] ?? null);
        }
    }

    /**
     * Who: each person is fetched once, whatever they did.
     *
     * @param  Collection<int, JournalEntry>  $entries
     * @param  Collection<int, Message>  $messages
     */
    private function tellWho(Conversation $conversation, Collection $entries, Collection $messages): void
    {
        $did = [...$entries, ...$messages, ...$entries->pluck('note')->filter()];
        $ids = array_filter(
            [$conversation->owner_id, ...array_map(static fn (Model $one): ?int => $one->getAttribute('teammate_id'), $did)]
        );
        $people = $ids === [] ? new Collection : Teammate::query()->whereKey(array_unique($ids))->get()->keyBy('id');
        $conversation->setRelation('owner', $people[$conversation->owner_id ?? 0] ?? null);
        foreach ($did as $one) {
            $one->setRelation('teammate', $people[$one->getAttribute('teammate_id') ?? 0] ?? null);
        }
    }

    /**
     * @param  Collection<int, Message>  $messages
     * @param  Closure(Message): bool  $mayHave  whether there may be one; the others have none
     */
    private static function loadFor(Collection $messages, string $relation, Closure $mayHave): void
    {
        [$these, $others] = $messages->partition($mayHave);
        $these->isEmpty() ?: (new Collection($these->all()))->load($relation);
        foreach ($others as $other) {
            $other->setRelation($relation, null);
        }
    }
}
