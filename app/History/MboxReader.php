<?php

declare(strict_types=1);

namespace App\History;

use Generator;

/**
 * Reads an mbox (RFC 4155): a message begins at each line that starts with "From " after an empty
 * line. Lines quoted with ">" before "From " are given back as they were (mboxrd).
 */
final readonly class MboxReader implements ReadsHistory
{
    private const LARGEST_LINE = 1_000_000;

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
            yield from $this->messages($file, $position);
        } finally {
            fclose($file);
        }
    }

    /**
     * @param  resource  $file
     * @return Generator<int, HistoryItem>
     */
    private function messages($file, int $start): Generator
    {
        $raw = null;
        $tooLarge = false;
        $at = $start;
        $afterEmpty = true;
        while (($line = fgets($file, self::LARGEST_LINE)) !== false) {
            $length = strlen($line);
            if ($afterEmpty && str_starts_with($line, 'From ')) {
                if ($raw !== null) {
                    yield $this->item($raw, $start, $at, $tooLarge);
                }
                [$raw, $tooLarge, $start] = ['', false, $at];
            } elseif ($raw === null) {
                throw HistoryRefused::unreadableFile(basename($this->path), 'it does not begin with a line “From …”, so it is no mbox.');
            } elseif (strlen($raw) + $length > $this->largest) {
                $tooLarge = true;
            } else {
                $raw .= preg_match('/^>+From /', $line) === 1 ? substr($line, 1) : $line;
            }
            $afterEmpty = trim($line, "\r\n") === '';
            $at += $length;
        }
        if ($raw !== null) {
            yield $this->item($raw, $start, $at, $tooLarge);
        }
    }

    private function item(string $raw, int $start, int $next, bool $tooLarge): HistoryItem
    {
        // The empty line before the next "From " belongs to the mbox, not to the message.
        $raw = (string) preg_replace('/\r?\n\r?\n\z/', "\n", $raw);

        return new HistoryItem(
            "message at byte {$start}",
            $next,
            $tooLarge ? null : $raw,
            problem: $tooLarge ? 'It is larger than '.intdiv($this->largest, 1024 * 1024).' MB.' : null,
        );
    }
}
