<?php

declare(strict_types=1);

namespace App\Channels\Mail;

/**
 * Cuts a message down to what can be read in time, before it is parsed: so many fields, so long, so many parts, so deep. Goes
 * through it once, and says in marks what was left out; what is kept of it is the original.
 */
final class MailLimits
{
    private const MOST_FIELDS = 500;

    /** In bytes. */
    private const LONGEST_HEADER = 262_144;

    private const LONGEST_FIELD = 8_192;

    /** Are read however many others stand before them. */
    private const ALWAYS = [
        'from', 'sender', 'reply-to', 'return-path', 'to', 'cc', 'subject', 'date', 'message-id', 'in-reply-to', 'references',
        'delivered-to', 'mime-version', 'content-type', 'content-transfer-encoding', 'content-disposition', 'auto-submitted',
    ];

    /** Some fields are read to another length, in bytes. */
    private const LONGEST = [
        'to' => 65_536, 'cc' => 65_536, 'references' => 32_768, 'content-type' => 2_048, 'content-disposition' => 2_048,
    ];

    /** As often as one field is read that stands there several times. */
    private const MOST_ALIKE = 50;

    private const MOST_PARTS = 500;

    private const DEEPEST = 50;

    private const MOST_UUENCODED = 100;

    /** @var list<string> */
    private array $marks = [];

    private function __construct() {}

    /**
     * @return array{string, list<string>} what is to be read, and what a reader should know of it
     */
    public static function apply(string $raw): array
    {
        $limits = new self;

        return [$limits->message($raw), array_values(array_unique($limits->marks))];
    }

    private function message(string $raw): string
    {
        $end = self::endOfHeader($raw, 0);
        $header = $this->header(substr($raw, 0, $end));
        $body = substr($raw, $end);

        return $header.$this->uuencoded($this->parts($body, $raw));
    }

    /**
     * @return int where the empty line begins that ends it, with the line end before it; the end of the text where there is none
     */
    private static function endOfHeader(string $text, int $from): int
    {
        return preg_match('/\r?\n\r?\n/', $text, $gap, PREG_OFFSET_CAPTURE, $from) === 1 ? $gap[0][1] : strlen($text);
    }

    private function header(string $header): string
    {
        if (strlen($header) <= self::LONGEST['content-type'] && substr_count($header, "\n") < self::MOST_ALIKE) {
            return $header;
        }
        $kept = [];
        $size = 0;
        $alike = [];
        for ($from = 0; $from < strlen($header); $from = $end) {
            $end = self::endOfField($header, $from);
            $field = substr($header, $from, $end - $from);
            $name = strtolower(trim(substr($field, 0, min(80, (int) strpos($field.':', ':')))));
            $alike[$name] = ($alike[$name] ?? 0) + 1;
            $isEnough = count($kept) >= self::MOST_FIELDS || $size > self::LONGEST_HEADER;
            if ($alike[$name] > self::MOST_ALIKE || ($isEnough && ! in_array($name, self::ALWAYS, true))) {
                $this->marks[] = 'Its header has more fields than are read; all of them are in the original.';

                continue;
            }
            $kept[] = $field = $this->field($field, self::LONGEST[$name] ?? self::LONGEST_FIELD, $name);
            $size += strlen($field);
        }

        return rtrim(implode('', $kept), "\r\n");
    }

    /**
     * Where the field ends that begins there, with the lines that go on with it.
     */
    private static function endOfField(string $header, int $from): int
    {
        $end = $from;
        do {
            $end += strcspn($header, "\n", $end) + 1;
        } while (($header[$end] ?? '') === ' ' || ($header[$end] ?? '') === "\t");

        return min($end, strlen($header));
    }

    private function field(string $field, int $longest, string $name): string
    {
        if (strlen($field) <= $longest) {
            return $field;
        }
        $this->marks[] = 'The field “'.ucwords($name, '-').'” is longer than is read; all of it is in the original.';
        // Of what it refers to the last counts, of anything else the first.
        if ($name === 'references') {
            return 'References: '.ltrim((string) strstr(substr($field, -$longest), '<'));
        }
        // In the middle of a character it would no longer be read as what it is, nor would the fields beside it.
        $cut = mb_check_encoding($field, 'UTF-8') ? mb_strcut($field, 0, $longest, 'UTF-8') : substr($field, 0, $longest);
        $gap = max(strrpos($cut, ','), strrpos($cut, ';'), strrpos($cut, ' '));
        $cut = rtrim($gap > intdiv($longest, 2) ? substr($cut, 0, $gap) : $cut);
        // Who wrote it stands at the end, behind the name.
        $address = $name === 'from' && preg_match('/<[^<>\s]{3,320}>(?=\s*\z)/', substr($field, -400), $end) === 1 ? " {$end[0]}" : '';

        return $cut.$address."\r\n";
    }

    /**
     * @param  string  $raw  all of it, in which the lines are named that part it
     */
    private function parts(string $body, string $raw): string
    {
        if (preg_match_all('/boundary\s*+=\s*+(?:"([^"\r\n]{1,200})"|([^\s";]{1,200}))/i', $raw, $named, PREG_SET_ORDER) < 1) {
            return $body;
        }
        $boundaries = [];
        foreach ($named as $one) {
            $boundaries[$one[2] ?? $one[1]] = true;
        }
        $kept = '';
        $from = $parts = 0;
        $seen = [];
        $at = str_starts_with($body, '--') ? 0 : self::nextLine($body, 0);
        while ($at !== null) {
            $line = substr($body, $at + 2, strcspn($body, "\r\n", $at + 2, 210));
            $boundary = isset($boundaries[$line]) ? $line : null;
            if ($boundary !== null) {
                $seen[$boundary] = true;
                if (++$parts > self::MOST_PARTS || count($seen) > self::DEEPEST) {
                    $this->marks[] = $parts > self::MOST_PARTS
                        ? 'It has more than '.self::MOST_PARTS.' parts; the rest is in the original.'
                        : 'Its parts are nested more than '.self::DEEPEST.' deep; the rest is in the original.';

                    return $kept.substr($body, $from, $at - $from);
                }
                $begins = $at + 2 + strlen($line);
                $ends = self::endOfHeader($body, $begins);
                $kept .= substr($body, $from, $begins - $from).$this->header(substr($body, $begins, $ends - $begins));
                $from = $ends;
            }
            $at = self::nextLine($body, max($at + 2, $from));
        }

        return $kept.substr($body, $from);
    }

    /**
     * Where the next line begins that may part it.
     */
    private static function nextLine(string $body, int $from): ?int
    {
        $at = strpos($body, "\n--", $from);

        return $at === false ? null : $at + 1;
    }

    /**
     * Files among the text, as they were sent before there was MIME.
     */
    private function uuencoded(string $body): string
    {
        $count = 0;

        return (string) preg_replace_callback('/^begin [0-7]{3,4} /m', function (array $line) use (&$count): string {
            if (++$count <= self::MOST_UUENCODED) {
                return $line[0];
            }
            $this->marks[] = 'It has more than '.self::MOST_UUENCODED.' files among its text; the rest stands as text.';

            // As lines are kept from meaning something in mailbox files.
            return ">{$line[0]}";
        }, $body);
    }
}
