<?php

declare(strict_types=1);

namespace App\History;

use RuntimeException;

/**
 * What of a history cannot be taken over. Its message says what is wrong and how to mend it.
 */
final class HistoryRefused extends RuntimeException
{
    public static function item(string $why): self
    {
        return new self($why);
    }

    public static function unreadableFile(string $name, string $why): self
    {
        return new self("{$name} cannot be read: {$why}");
    }

    public static function unknownFormat(string $name): self
    {
        return new self(
            "It cannot be told from “{$name}” what it is. Name it .mbox, .zip (a folder of .eml), .csv or .jsonl, or choose the format."
        );
    }
}
