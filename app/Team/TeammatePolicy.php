<?php

declare(strict_types=1);

namespace App\Team;

use Illuminate\Auth\Access\Response;

/**
 * Who may say of whom that they are away.
 */
final class TeammatePolicy
{
    public function setAway(Teammate $teammate, Teammate $who): Response
    {
        return $who->is($teammate) || $teammate->role->arranges()
            ? Response::allow()
            : Response::deny('Only they themselves, or a lead, say when somebody is away.');
    }
}
