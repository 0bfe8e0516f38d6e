<?php

declare(strict_types=1);

namespace App\People;

use App\Support\Refused;

final class PeopleRefused extends Refused
{
    public static function ownRole(): self
    {
        return new self('own_role', 'Nobody changes their own role: another administrator does.');
    }

    public static function oneself(): self
    {
        return new self('oneself', 'Nobody deactivates themselves: another administrator does.');
    }

    public static function lastAdministrator(string $name): self
    {
        return new self('last_administrator', "{$name} is the only administrator who can sign in. Make somebody else one first.");
    }

    public static function isThere(string $name): self
    {
        return new self('is_there', "{$name} can sign in already.");
    }

    public static function notHere(): self
    {
        return new self('not_here', 'Whoever takes over must be somebody else who may sign in. Choose again.');
    }
}
