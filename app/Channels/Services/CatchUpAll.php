<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Has every connected service asked for what happened.
 */
final class CatchUpAll implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    public int $uniqueFor = 60;

    public function __construct()
    {
        $this->onQueue('intake');
    }

    public function handle(): void
    {
        Account::query()
            ->whereIn('channel', array_filter(Channel::cases(), static fn (Channel $channel): bool => $channel->isService()))
            ->where('state', AccountState::Active)
            ->pluck('id')
            ->each(static fn (int $id) => CatchUp::dispatch($id));
    }
}
