<?php

declare(strict_types=1);

namespace App\History;

use Generator;

/**
 * Reads JSON Lines: one conversation a line, in UTF-8. Empty lines are passed over.
 */
final readonly class JsonLinesReader implements ReadsHistory
{
    public function __construct(private string $path, private int $largest) {}

    public function size(): int
    {
        return (int) filesize($this->path);
    }

    public function from(int $position): Generator
    {
        $file = @fopen($this->path, 'rb') ?: throw HistoryRefused::unreadableFile(basename($this->path), 'it is not there any more.');
        try {
            fseek($file, $position);
            $number = (new LinesBefore($this->path))->lineAt($position);
            for (; ($line = fgets($file)) !== false; $number++) {
                $position += strlen($line);
                if (trim($line) !== '') {
                    yield $this->item($line, "line {$number}", $position);
                }
            }
        } finally {
            fclose($file);
        }
    }

    private function item(string $line, string $place, int $next): HistoryItem
    {
        if (strlen($line) > $this->largest) {
            return new HistoryItem($place, $next, problem: 'It is larger than '.intdiv($this->largest, 1024 * 1024).' MB.');
        }
        $values = json_decode(ltrim($line, "\u{FEFF}"), true, 32);

        return is_array($values) && ! array_is_list($values)
            ? new HistoryItem($place, $next, values: $values)
            : new HistoryItem($place, $next, problem: 'It is not a JSON object: '.json_last_error_msg().'.');
    }
}
