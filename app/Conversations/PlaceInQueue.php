<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Store\Store;
use Cairnfield\Core\Queue\DueGroup;
use Cairnfield\Core\Queue\NextUp;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Text\Folding;
use Carbon\CarbonImmutable;
use Carbon\CarbonInterface;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Keeps with each conversation where it stands in the queue, so that lists are sorted by an index.
 * Set whenever a conversation is saved; time alone moves it to the next group every few seconds.
 */
final class PlaceInQueue
{
    public const NO_GROUP = 5;

    private const AT_ONCE = 1000;

    /** What is not open stands behind all that is, also in a list of both. */
    public const NOT_OPEN = 500_000_000_000_000;

    /** Behind all that have a time to come back. */
    private const NO_TIME = 99_999_999_999;

    /**
     * @param  array<string, mixed>  $values  of a conversation, by column, as they are worked with
     * @return array{due_group: int, next_up: int, subject_folded: string}
     */
    public function of(array $values): array
    {
        $state = $values['state'];
        $dueAt = $values['due_at'] ?? null;
        $group = DueGroup::of(
            $dueAt instanceof CarbonInterface ? $dueAt->toDateTimeImmutable() : null, now()->toDateTimeImmutable(),
            $this->endOfDay()
        );
        $time = match ($state) {
            ConversationState::Held => $values['bring_back_at'] ?? null,
            ConversationState::Open => $values['waiting_since'] ?? null,
            default => $values['last_message_at'] ?? null,
        };

        return [
            'due_group' => $group->value,
            'next_up' => $state === ConversationState::Open ? NextUp::of(
                $group,
                ($values['priority'] ?? null) instanceof Priority ? $values['priority'] : Priority::Normal,
                (int) ($values['customer_place'] ?? self::NO_GROUP),
                $time instanceof CarbonInterface ? $time->toDateTimeImmutable() : null,
            )->key : self::NOT_OPEN + ($time instanceof CarbonInterface ? $time->getTimestamp() : self::NO_TIME),
            'subject_folded' => mb_substr(Folding::fold((string) ($values['subject'] ?? '')), 0, 600),
        ];
    }

    public function set(Conversation $conversation): void
    {
        $conversation->forceFill($this->of([
            'state' => $conversation->state,
            'due_at' => $conversation->due_at,
            'waiting_since' => $conversation->waiting_since,
            'bring_back_at' => $conversation->bring_back_at,
            'last_message_at' => $conversation->last_message_at,
            'priority' => $conversation->priority,
            'customer_place' => $conversation->customer_place,
            'subject' => $conversation->subject,
        ]));
    }

    /**
     * Moves on what has come closer to falling due. Safe to repeat, and quick where nothing has.
     *
     * @return int how many moved
     */
    public function moveOn(): int
    {
        $moved = 0;
        foreach ([DueGroup::Missed, DueGroup::WithinTheHour, DueGroup::Today] as $to) {
            foreach (array_filter(DueGroup::cases(), static fn (DueGroup $from): bool => $from->value > $to->value) as $from) {
                $moved += DB::table('conversations')
                    ->where('state', ConversationState::Open->value)
                    ->where('due_group', $from->value)
                    ->where('due_at', '<=', $to->until(now()->toDateTimeImmutable(), $this->endOfDay())?->format('Y-m-d H:i:s'))
                    ->update(['due_group' => $to->value, 'next_up' => DB::raw('next_up - '.NextUp::keyBetween($from, $to))]);
            }
        }

        return $moved;
    }

    /**
     * The customers of a group stand elsewhere now: their conversations that are not done do, too.
     *
     * @param  list<int>  $customerIds
     */
    public function customersMoved(array $customerIds): void
    {
        foreach (array_chunk($customerIds, self::AT_ONCE) as $ids) {
            $places = DB::table('customer_group_members')->join('customer_groups', 'customer_groups.id', '=', 'group_id')
                ->whereIn('customer_id', $ids)
                ->groupBy('customer_id')
                ->selectRaw('customer_id, MIN(place) AS place')
                ->pluck('place', 'customer_id');
            Conversation::query()->whereIn('customer_id', $ids)
                ->whereIn('state', [ConversationState::Open, ConversationState::Waiting, ConversationState::Held])
                ->eachById(static function (Conversation $conversation) use ($places): void {
                    $place = (int) ($places[$conversation->customer_id] ?? self::NO_GROUP);
                    if ($place !== $conversation->customer_place) {
                        $conversation->forceFill(['customer_place' => $place])->save();
                    }
                }, self::AT_ONCE);
        }
    }

    public static function placeOf(int $customerId): int
    {
        return (int) (DB::table('customer_group_members')->join('customer_groups', 'customer_groups.id', '=', 'group_id')
            ->where('customer_id', $customerId)->min('place') ?? self::NO_GROUP);
    }

    /**
     * All conversations anew, for installations from before places were kept.
     */
    public function everything(): void
    {
        Conversation::query()->eachById(static fn (Conversation $conversation) => $conversation->save(), self::AT_ONCE);
    }

    private function endOfDay(): DateTimeImmutable
    {
        return CarbonImmutable::now()
            ->setTimezone(Store::current()->timeZone)
            ->endOfDay()
            ->utc()
            ->toDateTimeImmutable();
    }
}
