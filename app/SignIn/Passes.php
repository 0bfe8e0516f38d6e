<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Support\SecurityLog;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Makes one-time links, and takes them.
 */
final class Passes
{
    /**
     * Earlier ones of the same purpose cannot be used any more.
     *
     * @param  bool  $isAnotherTry  it is not known whether the one before has arrived: that one works, too
     * @return string the key that the link carries, which is not stored
     */
    public function make(Teammate $teammate, PassPurpose $purpose, ?Teammate $by, bool $isAnotherTry = false): string
    {
        $key = rtrim(strtr(base64_encode(random_bytes(24)), '+/', '-_'), '=');
        DB::transaction(static function () use ($teammate, $purpose, $by, $key, $isAnotherTry): void {
            $isAnotherTry || Pass::query()
                ->where('teammate_id', $teammate->id)
                ->where('purpose', $purpose)
                ->whereNull('used_at')
                ->delete();
            (new Pass)->forceFill([
                'teammate_id' => $teammate->id, 'made_by_id' => $by?->id, 'purpose' => $purpose, 'key_hash' => self::hash($key),
                'made_at' => now(), 'expires_at' => now()->addHours($purpose->hours()),
            ])->save();
        });

        return $key;
    }

    /**
     * One that can be used: not used before, not expired, of somebody who may sign in.
     */
    public function open(string $key): ?Pass
    {
        return $this->usable($key)->with('teammate')->first();
    }

    /**
     * Uses it: the password is theirs from now on, and whoever was signed in as them is not any more. Used by two at once, it is
     * of the first.
     *
     * @return Teammate|null null where it cannot be used any more
     */
    public function use(string $key, string $password): ?Teammate
    {
        return DB::transaction(function () use ($key, $password): ?Teammate {
            $pass = $this->usable($key)->lockForUpdate()->first();
            if ($pass === null) {
                return null;
            }
            $pass->forceFill(['used_at' => now()])->save();
            self::choosePassword($pass->teammate, $password);
            SecurityLog::note('password.by_link', ['person' => $pass->teammate_id]);
            SignIns::endAll($pass->teammate);

            return $pass->teammate;
        });
    }

    /**
     * Links to choose another one are of no use once one was chosen.
     */
    public static function choosePassword(Teammate $teammate, string $password): void
    {
        $teammate->forceFill(['password' => $password, 'password_chosen_at' => now()])->save();
        self::forget($teammate);
    }

    /**
     * What was sent to them is of no use any more.
     */
    public static function forget(Teammate $teammate): void
    {
        Pass::query()->where('teammate_id', $teammate->id)->whereNull('used_at')->delete();
    }

    public static function address(string $key): string
    {
        return url("/pass/{$key}");
    }

    /**
     * @return Builder<Pass>
     */
    private function usable(string $key): Builder
    {
        return Pass::query()
            ->where('key_hash', self::hash($key))
            ->whereNull('used_at')
            ->where('expires_at', '>', now())
            ->whereHas('teammate', static fn (Builder $people) => $people->where('may_sign_in', true));
    }

    private static function hash(string $key): string
    {
        return hash('sha256', $key);
    }
}
