<?php

declare(strict_types=1);

namespace App\Lookout;

use App\Channels\Account;
use App\Channels\Services\PublicNetwork;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Conversations\ChannelItem;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Queue\InteractsWithQueue;

/**
 * Likes or re-posts a public item, or takes that back. Shown at once; where the network refuses it
 * for good, what is shown is put right again.
 */
final class React implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 5;

    public function __construct(public readonly int $itemId, public readonly string $what, public readonly bool $undo)
    {
        $this->onQueue('outbox');
    }

    /**
     * What can be done with an item of this account.
     *
     * @return list<string>
     */
    public static function possible(Account $account): array
    {
        $type = $account->channel->type();

        return $type instanceof PublicNetwork ? $type->reactions() : [];
    }

    public static function column(string $what): string
    {
        return $what === PublicNetwork::LIKE ? 'liked_at' : 'reposted_at';
    }

    /**
     * @return list<int>
     */
    public function backoff(): array
    {
        return [5, 15, 60, 300];
    }

    public function handle(ServiceClient $client): void
    {
        $item = ChannelItem::query()->with('account')->findOrFail($this->itemId);
        $type = $item->channel->type();
        try {
            $type instanceof PublicNetwork && $client->send(
                $item->account, $this->undo ? 'DELETE' : 'PUT', "{$type->pathOf($item->outside_id)}/{$this->what}"
            );
        } catch (ServiceFault $fault) {
            if (! $fault->isFinal && $this->attempts() < $this->tries) {
                throw $fault;
            }
            $item->forceFill([self::column($this->what) => $this->undo ? now() : null])->save();
            $item->account->wentWrong($fault->getMessage());
        }
    }
}
