<?php

declare(strict_types=1);

namespace App\Channels;

use App\Team\Teammate;

final class AccountPolicy
{
    public function administer(Teammate $teammate): bool
    {
        return $teammate->role->administers();
    }
}
