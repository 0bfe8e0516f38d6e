<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;

/**
 * Has every connected mailbox read.
 */
final class FetchMailboxes implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    public int $uniqueFor = 30;

    public function __construct()
    {
        $this->onQueue('intake');
    }

    public function handle(): void
    {
        Account::query()
            ->whereIn('channel', Channel::mail())
            ->where('state', AccountState::Active)
            ->pluck('id')
            ->each(static fn (int $id) => FetchMailbox::dispatch($id));
    }
}
