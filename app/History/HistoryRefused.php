<?php

declare(strict_types=1);

namespace App\History;

use App\Support\Refused;

/**
 * What of a history cannot be taken over. Its message says what is wrong and how to mend it.
 */
final class HistoryRefused extends Refused
{
    public static function item(string $why): self
    {
        return new self('item', $why);
    }

    public static function unreadableFile(string $name, string $why): self
    {
        return new self('unreadable_file', "{$name} cannot be read: {$why}");
    }

    public static function unknownFormat(string $name): self
    {
        return new self('unknown_format',
            "It cannot be told from “{$name}” what it is. Name it .mbox, .zip (a folder of .eml), .csv or .jsonl, or choose the format."
        );
    }
}
