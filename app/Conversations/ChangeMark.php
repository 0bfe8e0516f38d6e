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
        return $this->ofEntries($conversation).'-'.$this->ofOrders($conversation);
    }

    /**
     * The first part of the mark: what was written down.
     */
    public function ofEntries(Conversation $conversation): string
    {
        return $this->of(DB::table('journal')->whereIn('conversation_id', $conversation->withJoined()));
    }

    /**
     * The second part: what the shop and the carrier have told since, by versions and scans of the orders beside it.
     *
     * @param  bool  $hasOrders  whether there may be any, where that is known
     */
    public function ofOrders(Conversation $conversation, bool $hasOrders = true): string
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

    private function of(\Illuminate\Database\Query\Builder $entries): string
    {
        $newest = $entries->orderByDesc('id')->limit(self::NEWEST)->pluck('id');

        return $newest->first(default: 0).'-'.hash('crc32b', $newest->implode(','));
    }
}
