<?php

declare(strict_types=1);

namespace App\Routing;

use App\Support\Refused;

final class RoutingRefused extends Refused
{
    public static function withoutReason(): self
    {
        return new self('without_reason', 'Write why a lead is needed, in a few words.', 'reason');
    }

    public static function noLead(): self
    {
        return new self(
            'no_lead',
            'There is no lead to reach who reads it. An administrator lets one in, under People, or among the members of its category.'
        );
    }

    public static function goesOnUnread(): self
    {
        return new self('goes_on_unread', 'It would go on in a conversation that is for the members of its category alone.');
    }

    public static function isDone(string $number): self
    {
        return new self('is_done', "{$number} is done. Make it open first.");
    }
}
