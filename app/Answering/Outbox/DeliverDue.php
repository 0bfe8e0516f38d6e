<?php

declare(strict_types=1);

namespace App\Answering\Outbox;

use App\Conversations\OutboxItem;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;

/**
 * Finds outbox rows whose time has come, also those that a dead worker let go of.
 */
final class DeliverDue implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    private const AT_ONCE = 200;

    public int $uniqueFor = 30;

    public function __construct()
    {
        $this->onQueue('outbox');
    }

    public function handle(): void
    {
        OutboxItem::freeOfTheDead();
        OutboxItem::query()
            ->where('state', OutboxItem::DUE)
            ->where('due_at', '<=', now())
            ->where(fn ($query) => $query->whereNull('lease_until')->orWhere('lease_until', '<', now()))
            ->orderBy('due_at')
            ->limit(self::AT_ONCE)
            ->pluck('id')
            ->each(static fn (int $id) => DeliverOutboxItem::dispatch($id));
    }
}
