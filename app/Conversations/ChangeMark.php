<?php

declare(strict_types=1);

namespace App\Conversations;

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

    /** What `ofOrders` says where there are none. */
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

    /**
     * @param  bool  $hasOrders  whether there may be orders beside it, where that is known
     */
    public function ofConversation(Conversation $conversation, bool $hasOrders = true): string
    {
        return $this->of(DB::table('journal')->whereIn('conversation_id', $conversation->withJoined())).'-'
            .($hasOrders ? $this->ofOrders($conversation) : self::NO_ORDERS);
    }

    /**
     * What the shop and the carrier have told since: versions and scans of the orders beside it.
     */
    private function ofOrders(Conversation $conversation): string
    {
        $told = DB::table('conversation_order')
            ->join('orders', 'orders.id', '=', 'order_id')
            ->leftJoin('parcels', 'parcels.order_id', '=', 'orders.id')
            ->leftJoin('parcel_scans', 'parcel_scans.parcel_id', '=', 'parcels.id')
            ->where('conversation_id', $conversation->id)
            ->selectRaw('COUNT(DISTINCT orders.id) AS orders, SUM(orders.version) AS versions, COUNT(parcel_scans.id) AS scans')
            ->first();

        return "{$told?->orders}.{$told?->versions}.{$told?->scans}";
    }

    private function of(\Illuminate\Database\Query\Builder $entries): string
    {
        $newest = $entries->orderByDesc('id')->limit(self::NEWEST)->pluck('id');

        return $newest->first(default: 0).'-'.hash('crc32b', $newest->implode(','));
    }
}
