<?php

declare(strict_types=1);

namespace App\History;

/**
 * The reader for a file of history.
 */
final class HistoryReaders
{
    public static function for(HistoryFormat $format, string $path): ReadsHistory
    {
        $largest = (int) config('cairnfield.mail.largest_message');

        return match ($format) {
            HistoryFormat::Mbox => new MboxReader($path, $largest),
            HistoryFormat::Eml => new EmlFolderReader($path, $largest),
            HistoryFormat::Csv => new CsvReader($path),
            HistoryFormat::JsonLines => new JsonLinesReader($path, $largest),
        };
    }
}
