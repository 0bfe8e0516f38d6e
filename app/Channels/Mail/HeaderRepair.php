<?php

declare(strict_types=1);

namespace App\Channels\Mail;

/**
 * Mends a message's header before it is parsed, so that nothing in it is dropped: raw 8-bit bytes
 * become UTF-8, encoded words (RFC 2047) with a charset that nobody knows or that is not true are
 * relabelled, and a message without any header gets an empty one.
 *
 * Works on a copy for reading; what is kept is the original.
 */
final class HeaderRepair
{
    private const FIELD = '/\A[\x21-\x39\x3B-\x7E]+[ \t]*:/';

    /** How many of the fields that every message has must be there for it to be a header, and how far they are looked for. */
    private const SURE = 3;

    private const LOOKED_AT = 50_000;

    /** @var list<string> */
    private array $marks = [];

    private function __construct() {}

    /**
     * @return array{string, list<string>} the mended message, and what a reader should know of it
     */
    public static function mend(string $raw): array
    {
        $repair = new self;

        return [$repair->mendMessage($raw), array_values(array_unique($repair->marks))];
    }

    private function mendMessage(string $raw): string
    {
        // A mail folder's separator line is none of the message's own.
        $raw = (string) preg_replace('/\A(?:>?From [^\r\n]*\r?\n)+/', '', $raw);
        if (preg_match('/\A\r?\n/', $raw) !== 1 && preg_match(self::FIELD, $raw) !== 1) {
            $raw = $this->mendBeginning($raw);
        }
        if (preg_match('/\r?\n\r?\n/', $raw, $gap, PREG_OFFSET_CAPTURE) !== 1) {
            return $this->mendHeader($raw);
        }
        $end = $gap[0][1];

        return $this->mendHeader(substr($raw, 0, $end)).substr($raw, $end);
    }

    /**
     * What begins with a line that is no field: a header with a broken first line, or a message that has none.
     */
    private function mendBeginning(string $raw): string
    {
        $header = preg_split('/\r?\n\r?\n/', substr($raw, 0, self::LOOKED_AT), 2)[0] ?? '';
        $fields = preg_match_all('/^(?:From|To|Subject|Date|Message-ID|Received|Return-Path|MIME-Version|Content-Type)[ \t]*:/mi', $header);
        if ($fields < self::SURE) {
            $this->marks[] = 'The message has no header; all of it is shown as text.';

            return "\r\n".$raw;
        }
        $this->marks[] = 'The header begins with a line that says nothing; what follows it is read.';
        $from = 0;
        while (preg_match(self::FIELD, substr($raw, $from, 1_000)) !== 1) {
            $from += strcspn($raw, "\n", $from) + 1;
        }

        return substr($raw, $from);
    }

    private function mendHeader(string $header): string
    {
        if (! mb_check_encoding($header, 'UTF-8')) {
            $header = CharsetDecoder::decode($header, null)[0];
        }
        // The parser takes raw bytes for Latin 1, so what is not ASCII is handed over as encoded words.
        $header = (string) preg_replace_callback(
            '/[^\x00-\x7F]+(?:[ \t]+[^\x00-\x7F]+)*/',
            static fn (array $raw): string => '=?UTF-8?B?'.base64_encode($raw[0]).'?=',
            $header,
        );

        // It also drops the end of lines that are far longer than RFC 5322 (2.1.1) allows: fold them.
        $header = (string) preg_replace('/([^\r\n]{600,900}?)[ \t]+(?=[^\s])/', "$1\r\n ", $header);

        return (string) preg_replace_callback(
            '/=\?([^?\s*]+)(\*[^?\s]*)?\?([BbQq])\?([^?\s]*)\?=/',
            fn (array $word): string => $this->mendWord($word[0], $word[1], $word[3], $word[4]),
            $header,
        );
    }

    private function mendWord(string $word, string $charset, string $encoding, string $content): string
    {
        $bytes = strtoupper($encoding) === 'B'
            ? (string) base64_decode($content)
            : quoted_printable_decode(str_replace('_', ' ', $content));
        [$text, $mark] = CharsetDecoder::decode($bytes, $charset);
        if ($mark === null && CharsetDecoder::isKnown($charset)) {
            return $word;
        }
        $mark === null ?: $this->marks[] = 'In the header: '.$mark;

        return '=?UTF-8?B?'.base64_encode($text).'?=';
    }
}
