<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\AccountState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\Cache;
use Throwable;

/**
 * Reads what is new in one account's mailbox, from where it stopped (UIDVALIDITY and UID, RFC 3501,
 * 2.3.1.1). The place is remembered after each message: killed at any moment, it reads at most one
 * message again, which is then recognised.
 */
final class FetchMailbox implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $tries = 1;

    public int $timeout = 300;

    public function __construct(public readonly int $accountId)
    {
        $this->onQueue('intake');
    }

    public function handle(TakeMail $takeMail): void
    {
        // One reader at a time. The lock outlives a killed worker only by its length.
        $lock = Cache::lock("fetch-mailbox-{$this->accountId}", 20);
        if (! $lock->get()) {
            return;
        }
        try {
            $account = Account::query()->find($this->accountId);
            if ($account !== null && $account->state === AccountState::Active) {
                $this->fetch($account, $takeMail);
            }
        } finally {
            $lock->release();
        }
    }

    private function fetch(Account $account, TakeMail $takeMail): void
    {
        try {
            $mailbox = Mailbox::open($account);
        } catch (MailboxFault $fault) {
            $account->wentWrong($fault->getMessage());

            return;
        }
        try {
            $this->readOn($account, $mailbox, $takeMail);
            $account->heard();
        } catch (MailboxFault $fault) {
            $account->wentWrong($fault->getMessage());
        } catch (Throwable $fault) {
            // The message stays in the mailbox and its place is not passed: it is read again.
            report($fault);
            $account->wentWrong("A message could not be stored: {$fault->getMessage()} It is read again until it can.");
        } finally {
            $mailbox->close();
        }
    }

    private function readOn(Account $account, Mailbox $mailbox, TakeMail $takeMail): void
    {
        if ($account->uid_validity !== $mailbox->uidValidity) {
            // The server numbers anew: all is read again, and what is here already is recognised.
            $account->forceFill(['uid_validity' => $mailbox->uidValidity, 'last_uid' => 0])->save();
        }
        foreach ($mailbox->uidsAfter($account->last_uid) as $uid) {
            $takeMail->take($mailbox->raw($uid), $account);
            $account->forceFill(['last_uid' => $uid])->save();
        }
    }
}
