<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Conversations\Changes\ChangeRefused;
use App\Support\Refused;

/**
 * A change to many that is not possible as things stand.
 */
final class BulkRefused extends Refused
{
    public static function nothingChosen(): self
    {
        return new self('nothing_chosen', 'No conversation is chosen. Choose some with X, or with the boxes beside them.');
    }

    public static function tooMany(int $most): self
    {
        return new self('too_many', "More than {$most} conversations fit. Narrow the view, and change them in parts.");
    }

    public static function noChange(): self
    {
        return new self('no_change', 'Choose what is to be done with them.');
    }

    public static function change(string $phrase, ChangeRefused $why): self
    {
        return new self('change', ucfirst($phrase).": {$why->getMessage()}");
    }

    public static function templateGone(): self
    {
        return new self('template_gone', 'The template that was chosen is not there any more. Choose another.');
    }

    public static function tooLate(): self
    {
        return new self('too_late', 'It cannot be undone any more: that is possible for ten minutes.');
    }
}
