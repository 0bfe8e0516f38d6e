<?php

declare(strict_types=1);

namespace App\Conversations;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * A short mark that is different whenever something has changed, for pages that ask every few
 * seconds. Every change writes a journal entry, so the newest entries tell.
 *
 * Entries get their number before their transaction ends, so a lower one can appear after a higher
 * one. The mark is therefore made of the newest numbers there are, not of the highest alone.
 */
final class ChangeMark
{
    private const NEWEST = 50;

    /** The second part where there are none. */
    private const NO_ORDERS = '0..0';

    public function ofAll(): string
    {
        // With the minute: time alone changes what stands where, and what is left.
        return $this->of(DB::table('journal')).'-'.intdiv(now()->getTimestamp(), 60) % 1440;
    }

    /**
     * The newest entry that is told of by a mark of a conversation.
     */
    public static function newest(string $mark): int
    {
        return (int) strtok($mark, '-');
    }

    public function ofConversation(Conversation $conversation): string
    {
        $entries = DB::table('journal')->whereIn('conversation_id', $conversation->withJoined());

        return $this->of($entries).'-'.$this->ofOrders($conversation, true);
    }

    /**
     * The mark of a page that has fetched all entries of its conversation.
     *
     * @param  list<int>  $entries  their numbers, in any order
     * @param  bool  $hasOrders  whether there may be any, where that is known
     */
    public function ofFetched(Conversation $conversation, array $entries, bool $hasOrders = true): string
    {
        rsort($entries);

        return self::ofNewest(array_slice($entries, 0, self::NEWEST)).'-'.$this->ofOrders($conversation, $hasOrders);
    }

    /**
     * The second part: what the shop and the carrier have told since, by versions and scans of the orders beside it.
     */
    private function ofOrders(Conversation $conversation, bool $hasOrders): string
    {
        if (! $hasOrders) {
            return self::NO_ORDERS;
        }
        $told = DB::table('conversation_order')
            ->join('orders', 'orders.id', '=', 'order_id')
            ->leftJoin('parcels', 'parcels.order_id', '=', 'orders.id')
            ->leftJoin('parcel_scans', 'parcel_scans.parcel_id', '=', 'parcels.id')
            ->where('conversation_id', $conversation->id)
            ->selectRaw('COUNT(DISTINCT orders.id) AS orders, SUM(orders.version) AS versions, COUNT(parcel_scans.id) AS scans')
            ->first();

        return "{$told?->orders}.{$told?->versions}.{$told?->scans}";
    }

    private function of(Builder $entries): string
    {
        return self::ofNewest(array_values($entries->orderByDesc('id')->limit(self::NEWEST)->pluck('id')->all()));
    }

    /**
     * @param  list<int>  $newest  the highest first
     */
    private static function ofNewest(array $newest): string
    {
        return ($newest[0] ?? 0).'-'.hash('crc32b', implode(',', $newest));
    }
}
