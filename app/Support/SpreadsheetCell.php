<?php

declare(strict_types=1);

namespace App\Support;

/**
 * A cell of a CSV file that is opened in a spreadsheet: what begins like a formula is computed there, and can be made to fetch or
 * start something (CWE-1236). An apostrophe before it makes it a text; read back, it is as it was.
 */
final class SpreadsheetCell
{
    /** What a formula begins with, also behind what is cut off in front of it. */
    private const FORMULA = '/^\'*[=+\-@\t\r\n＝＋－＠]/u';

    public static function write(string $text): string
    {
        return preg_match(self::FORMULA, $text) === 1 ? "'{$text}" : $text;
    }

    public static function read(string $cell): string
    {
        return str_starts_with($cell, "'") && preg_match(self::FORMULA, substr($cell, 1)) === 1 ? substr($cell, 1) : $cell;
    }
}
