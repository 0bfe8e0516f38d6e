<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Team\Teammate;

/**
 * Everybody on the team reads and notes; those who write to customers answer and resolve.
 */
final class ConversationPolicy
{
    public function viewAny(Teammate $teammate): bool
    {
        return $teammate->may_sign_in;
    }

    public function view(Teammate $teammate): bool
    {
        return $teammate->may_sign_in;
    }

    public function note(Teammate $teammate): bool
    {
        return $teammate->may_sign_in;
    }

    public function take(Teammate $teammate): bool
    {
        return $teammate->may_sign_in;
    }

    public function hold(Teammate $teammate): bool
    {
        return $teammate->may_sign_in;
    }

    public function reply(Teammate $teammate): bool
    {
        return $teammate->role->answersCustomers();
    }

    public function resolve(Teammate $teammate): bool
    {
        return $teammate->role->answersCustomers();
    }
}
