<?php

declare(strict_types=1);

namespace App\History;

use App\Support\SpreadsheetCell;
use Generator;

/**
 * Reads CSV (RFC 4180) with a line of headings: one message a line, lines of one conversation after
 * each other or not. A semicolon or tab in place of the comma is understood.
 */
final readonly class CsvReader implements ReadsHistory
{
    /** Without these a line cannot become a message. */
    private const NEEDED = ['conversation', 'direction', 'at', 'text'];

    public function __construct(private string $path) {}

    public function size(): int
    {
        return (int) filesize($this->path);
    }

    public function from(int $position): Generator
    {
        $file = @fopen($this->path, 'rb') ?: throw HistoryRefused::unreadableFile(basename($this->path), 'it is not there any more.');
        try {
            [$headings, $separator] = $this->headings($file);
            if ($position > 0) {
                fseek($file, $position);
            }
            $lines = new LinesBefore($this->path);
            for ($start = (int) ftell($file); ($row = fgetcsv($file, null, $separator, '"', '')) !== false; $start = (int) ftell($file)) {
                if ($row !== [null]) {
                    yield $this->item($row, $headings, 'line '.$lines->lineAt($start), (int) ftell($file));
                }
            }
        } finally {
            fclose($file);
        }
    }

    /**
     * @param  resource  $file
     * @return array{list<string>, string} the headings, and what separates the fields
     */
    private function headings($file): array
    {
        $line = ltrim((string) fgets($file), "\u{FEFF}");
        foreach ([',', ';', "\t"] as $separator) {
            $headings = array_map(
                static fn (?string $heading): string => strtolower(trim((string) $heading)), str_getcsv($line, $separator, '"', '')
            );
            if (array_diff(self::NEEDED, $headings) === []) {
                return [array_values($headings), $separator];
            }
        }
        throw HistoryRefused::unreadableFile(
            basename($this->path),
            'its first line must name the columns, these at least: '
                .implode(', ', self::NEEDED)
                .'. Known are also: subject, channel, name, address, category, id.'
        );
    }

    /**
     * @param  list<string|null>  $row
     * @param  list<string>  $headings
     */
    private function item(array $row, array $headings, string $place, int $next): HistoryItem
    {
        $row = array_map(static fn (?string $cell): string => SpreadsheetCell::read((string) $cell), $row);
        if (count($row) !== count($headings)) {
            return new HistoryItem($place, $next, problem: 'It has '.count($row).' fields, and the headings name '.count($headings).'.');
        }
        $value = array_map(strval(...), array_combine($headings, $row));
        $isIncoming = in_array(strtolower($value['direction']), ['in', 'incoming', 'received'], true);
        if (! $isIncoming && ! in_array(strtolower($value['direction']), ['out', 'outgoing', 'sent'], true)) {
            return self::wrong($place, $next, $headings, 'direction', "Its “direction” is “{$value['direction']}”. It must be in or out.");
        }
        $fields = HistoryFields::of($value);
        $reads = ['at' => $fields->instant(...), 'channel' => $fields->channel(...), 'address' => $fields->address(...)];
        foreach ($reads as $column => $read) {
            try {
                $read($column);
            } catch (HistoryRefused $why) {
                return self::wrong($place, $next, $headings, $column, $why->getMessage());
            }
        }

        return new HistoryItem($place, $next, values: [
            'id' => $value['conversation'],
            'subject' => $value['subject'] ?? '',
            'channel' => $value['channel'] ?? '',
            'category' => $value['category'] ?? '',
            'customer' => ['name' => $value['name'] ?? '', 'address' => $value['address'] ?? ''],
            'messages' => [
                ['id' => $value['id'] ?? '', 'direction' => $isIncoming ? 'in' : 'out', 'at' => $value['at'], 'text' => $value['text']],
            ],
        ]);
    }

    /**
     * @param  list<string>  $headings
     */
    private static function wrong(string $place, int $next, array $headings, string $column, string $why): HistoryItem
    {
        $number = array_search($column, $headings, true);

        return new HistoryItem(is_int($number) ? "{$place}, column ".($number + 1) : $place, $next, problem: $why);
    }
}
