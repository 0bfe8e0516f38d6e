<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Support\SecurityLog;
use App\Team\Teammate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;

/**
 * What somebody types to show that it is them, a password or a code: after some wrong ones in a minute they wait.
 */
final class WrongTries
{
    private const MOST = 5;

    /**
     * @param  string  $field  in which it was typed
     * @param  callable(): bool  $isRight
     *
     * @throws ValidationException
     */
    public static function check(Teammate $teammate, string $field, callable $isRight, string $wrong): void
    {
        $tries = "shows-it-is-them|{$teammate->id}";
        if (RateLimiter::tooManyAttempts($tries, self::MOST)) {
            throw ValidationException::withMessages([$field => 'Too many wrong tries. Wait a minute.']);
        }
        if (! $isRight()) {
            RateLimiter::hit($tries);
            SecurityLog::note("{$field}.wrong", ['person' => $teammate->id]);
            throw ValidationException::withMessages([$field => $wrong]);
        }
        RateLimiter::clear($tries);
    }
}
