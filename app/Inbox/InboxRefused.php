<?php

declare(strict_types=1);

namespace App\Inbox;

use RuntimeException;

/**
 * An action that is not possible as things stand, said to the person who tried it.
 */
final class InboxRefused extends RuntimeException
{
    public static function ownedBy(string $name): self
    {
        return new self("{$name} has taken this conversation in the meantime. Take it over if that is agreed.");
    }

    public static function nothingWritten(): self
    {
        return new self('There is nothing to send yet: write an answer or attach a file.');
    }

    public static function emptyNote(): self
    {
        return new self('The note is empty: write something for the team first.');
    }

    public static function nobodyToAnswer(): self
    {
        return new self('No message of this conversation has an address to answer to.');
    }

    public static function needsOutcome(): self
    {
        return new self('Choose an outcome: it says why the conversation is resolved.');
    }

    public static function needsReason(): self
    {
        return new self('Say who it is held for and why, so that the others know.');
    }

    public static function comesBackInThePast(): self
    {
        return new self('The time to bring it back has passed already. Choose a later one.');
    }

    public static function closed(string $number): self
    {
        return new self("{$number} is closed and stays so. A new message from the customer begins a new conversation that links to it.");
    }

    public static function notResolved(): self
    {
        return new self('Only a resolved conversation can be closed for good. Resolve it first.');
    }

    public static function file(string $name, string $why): self
    {
        return new self("“{$name}” was not attached: {$why}");
    }
}
