<?php

declare(strict_types=1);

namespace App\History;

/**
 * The open formats in which history comes and goes.
 */
enum HistoryFormat: string
{
    /** RFC 4155, lines beginning with "From " quoted by a ">". */
    case Mbox = 'mbox';
    /** A folder of messages (RFC 5322), as a zip file or on this machine's disk. */
    case Eml = 'eml';
    /** RFC 4180 with a line of headings, one message a line. */
    case Csv = 'csv';
    /** One conversation a line, as JSON. */
    case JsonLines = 'jsonl';

    public function label(): string
    {
        return match ($this) {
            self::Mbox => 'mbox',
            self::Eml => 'folder of .eml (zip)',
            self::Csv => 'CSV, a message a line',
            self::JsonLines => 'JSON Lines, a conversation a line',
        };
    }

    /**
     * By how the file is named; null where that does not tell.
     */
    public static function ofName(string $name): ?self
    {
        return match (strtolower(pathinfo($name, PATHINFO_EXTENSION))) {
            'mbox', 'mbx' => self::Mbox,
            'zip' => self::Eml,
            'csv' => self::Csv,
            'jsonl', 'ndjson' => self::JsonLines,
            default => null,
        };
    }
}
