<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Team\Teammate;

/**
 * Who or what does something: a teammate, the customer, or the application by itself.
 */
final readonly class Actor
{
    private function __construct(public string $kind, public ?Teammate $teammate) {}

    public static function teammate(Teammate $teammate): self
    {
        return new self('teammate', $teammate);
    }

    public static function customer(): self
    {
        return new self('customer', null);
    }

    /**
     * As an entry of the journal names it, where it is no person of the team.
     */
    public static function of(string $kind): self
    {
        return new self($kind, null);
    }

    public static function application(): self
    {
        return new self('application', null);
    }
}
