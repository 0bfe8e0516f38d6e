<?php

declare(strict_types=1);

namespace App\Channels;

enum AccountState: string
{
    case Active = 'active';
    case Paused = 'paused';
}
