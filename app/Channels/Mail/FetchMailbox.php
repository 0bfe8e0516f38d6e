<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Support\NotStored;
use App\Support\SessionLock;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Throwable;

/**
 * Reads what is new in one account's mailbox, from where it stopped (UIDVALIDITY and UID, RFC 3501,
 * 2.3.1.1). The place is remembered after each message: killed at any moment, it reads at most one
 * message again, which is then recognised. Which one is begun is remembered before: one that was begun
 * and not ended is read once more alone, and then set aside with the reason.
 *
 * Each account has its turn, so that much in one does not hold up the others.
 */
final class FetchMailbox implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $tries = 1;

    /** Seconds, after which a worker is ended; far more than the worst message takes. */
    public int $timeout = 60;

    /** Seconds after which the next account has its turn. */
    private const TURN = 8;

    /** After so many in a row that could not be stored there is no room, and the rest waits in the mailbox. */
    private const MOST_UNSTORED = 3;

    /** How often the reading of one message is begun. */
    private const MOST_ATTEMPTS = 2;

    public function __construct(public readonly int $accountId)
    {
        $this->onQueue('intake');
    }

    public function handle(TakeMail $takeMail): void
    {
        // One reader at a time.
        $hasMore = SessionLock::during("fetch-mailbox-{$this->accountId}", function () use ($takeMail): bool {
            $account = Account::query()->find($this->accountId);

            return $account !== null && $account->state === AccountState::Active && $this->fetch($account, $takeMail);
        });
        // Behind the others who wait for their turn.
        $hasMore !== true ?: self::dispatch($this->accountId);
    }

    /**
     * @return bool whether there is more to read, when it is its turn again
     */
    private function fetch(Account $account, TakeMail $takeMail): bool
    {
        try {
            $mailbox = Mailbox::open($account);
        } catch (MailboxFault $fault) {
            $account->wentWrong($fault->getMessage());

            return false;
        }
        try {
            $hasMore = $this->readOn($account, $mailbox, $takeMail);
            $waiting = MailToReadAgain::count($account);
            $waiting === 0 ? $account->heard() : $account->wentWrong(self::waits($waiting));

            return $hasMore;
        } catch (MailboxFault $fault) {
            $account->wentWrong($fault->getMessage());
        } catch (Throwable $fault) {
            // The message stays in the mailbox and its place is not passed: it is read again.
            report($fault);
            $account->wentWrong("A message could not be stored: {$fault->getMessage()} It is read again until it can.");
        } finally {
            $mailbox->close();
        }

        return false;
    }

    private function readOn(Account $account, Mailbox $mailbox, TakeMail $takeMail): bool
    {
        if ($account->uid_validity !== $mailbox->uidValidity) {
            // The server numbers anew: all is read again, and what is here already is recognised.
            $account->forceFill([
                'uid_validity' => $mailbox->uidValidity, 'last_uid' => 0, 'reading_uid' => null, 'reading_attempts' => 0,
            ])->save();
            MailToReadAgain::forget($account);
        }
        $until = now()->addSeconds(self::TURN);
        $hasRoomAgain = false;
        foreach (MailToReadAgain::due($account) as $uid) {
            // Somebody may have taken it away in between.
            $isThere = $mailbox->has($uid);
            if ($isThere && ! $this->readOne($account, $mailbox, $takeMail, $uid)) {
                // There is no room yet.
                break;
            }
            MailToReadAgain::done($account, $uid);
            $hasRoomAgain = $hasRoomAgain || $isThere;
        }
        ! $hasRoomAgain ?: MailToReadAgain::hasRoomAgain($account);
        $unstored = 0;
        foreach ($mailbox->uidsAfter($account->last_uid) as $uid) {
            $wasBroken = $account->reading_uid === $uid;
            $unstored = $this->readOne($account, $mailbox, $takeMail, $uid) ? 0 : $unstored + 1;
            $account->forceFill(['last_uid' => $uid])->save();
            // What had been broken off is read alone; else it is enough for once when the turn is over.
            if ($wasBroken || now()->greaterThan($until)) {
                return true;
            }
            if ($unstored >= self::MOST_UNSTORED) {
                break;
            }
        }

        return $hasRoomAgain && MailToReadAgain::due($account) !== [];
    }

    /**
     * @return bool false where it could not be stored just now, and is read again later
     */
    private function readOne(Account $account, Mailbox $mailbox, TakeMail $takeMail, int $uid): bool
    {
        $begun = $account->reading_uid === $uid ? $account->reading_attempts : 0;
        $account->forceFill(['reading_uid' => $uid, 'reading_attempts' => $begun + 1])->save();
        try {
            $raw = $mailbox->raw($uid);
            $begun >= self::MOST_ATTEMPTS
                ? $takeMail->setAside($raw, $account, UnreadableMailException::neverEnded($begun))
                : $takeMail->take($raw, $account);

            return true;
        } catch (NotStored) {
            MailToReadAgain::later($account, $uid);

            return false;
        } finally {
            // It ended, also with what may pass.
            $account->forceFill(['reading_uid' => null, 'reading_attempts' => 0])->save();
        }
    }

    private static function waits(int $messages): string
    {
        return trans_choice(
            '{1} One message waits in the mailbox|[2,*] :count messages wait in the mailbox', $messages, ['count' => $messages]
        ).' until there is room: the file store cannot be written to. What waits is read again by itself.';
    }
}
