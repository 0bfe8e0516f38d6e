<?php

declare(strict_types=1);

namespace App\Team;

use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;

/**
 * Who is signed in: the one place that says so.
 */
final class SignedIn
{
    /**
     * @throws AuthenticationException where nobody is; then they are asked to sign in
     */
    public static function teammate(Request $request): Teammate
    {
        $teammate = $request->user();

        return $teammate instanceof Teammate ? $teammate : throw new AuthenticationException;
    }
}
