<?php

declare(strict_types=1);

namespace App\CreditNotes;

use App\Support\Refused;

/**
 * A correction of a credit note that is not possible.
 */
final class CreditNoteRefused extends Refused
{
    public static function noName(): self
    {
        return new self('no_name', 'Say whom it names.', 'name');
    }

    public static function corrected(string $title, string $latest): self
    {
        return new self('corrected', "{$title} has been corrected already, by {$latest}.");
    }

    public static function same(): self
    {
        return new self('same', 'Nothing of it is different.');
    }
}
