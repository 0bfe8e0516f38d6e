<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Conversations\Changes\ChangeRefused;
use RuntimeException;

/**
 * A change to many that is not possible as things stand.
 */
final class BulkRefused extends RuntimeException
{
    public static function nothingChosen(): self
    {
        return new self('No conversation is chosen. Choose some with X, or with the boxes beside them.');
    }

    public static function tooMany(int $most): self
    {
        return new self("More than {$most} conversations fit. Narrow the view, and change them in parts.");
    }

    public static function noChange(): self
    {
        return new self('Choose what is to be done with them.');
    }

    public static function change(string $phrase, ChangeRefused $why): self
    {
        return new self(ucfirst($phrase).": {$why->getMessage()}");
    }

    public static function templateGone(): self
    {
        return new self('The template that was chosen is not there any more. Choose another.');
    }

    public static function tooLate(): self
    {
        return new self('It cannot be undone any more: that is possible for ten minutes.');
    }
}
