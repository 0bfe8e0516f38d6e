<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use Illuminate\Support\Facades\DB;

/**
 * Messages of a mailbox that could not be stored when they were read, and are read again in turn, while others go on.
 */
final class MailToReadAgain
{
    /** Seconds until it is tried again, by how often it was; the last stays. */
    private const PAUSES = [15, 30, 60];

    /** In one turn, so that new mail has its turn too. */
    private const AT_ONCE = 5;

    /**
     * @return list<int> UIDs, those first that wait longest
     */
    public static function due(Account $account): array
    {
        return array_map(intval(...), array_values(DB::table('mail_to_read_again')
            ->where('account_id', $account->id)
            ->where('next_at', '<=', now())
            ->orderBy('next_at')
            ->limit(self::AT_ONCE)
            ->pluck('uid')
            ->all()));
    }

    public static function later(Account $account, int $uid): void
    {
        $of = DB::table('mail_to_read_again')->where('account_id', $account->id)->where('uid', $uid);
        $attempts = 1 + (int) (clone $of)->value('attempts');
        DB::table('mail_to_read_again')->upsert([[
            'account_id' => $account->id, 'uid' => $uid, 'attempts' => $attempts,
            'next_at' => now()->addSeconds(self::PAUSES[min($attempts, count(self::PAUSES)) - 1]),
        ]], ['account_id', 'uid'], ['attempts', 'next_at']);
    }

    /**
     * One that had no room has it now: the others have waited long enough.
     */
    public static function hasRoomAgain(Account $account): void
    {
        DB::table('mail_to_read_again')->where('account_id', $account->id)->update(['next_at' => now()]);
    }

    public static function done(Account $account, int $uid): void
    {
        DB::table('mail_to_read_again')->where('account_id', $account->id)->where('uid', $uid)->delete();
    }

    public static function count(Account $account): int
    {
        return DB::table('mail_to_read_again')->where('account_id', $account->id)->count();
    }

    /**
     * The server numbers anew, and all is read again anyway.
     */
    public static function forget(Account $account): void
    {
        DB::table('mail_to_read_again')->where('account_id', $account->id)->delete();
    }
}
