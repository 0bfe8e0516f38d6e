<?php

declare(strict_types=1);

namespace App\Channels\Mail;

/**
 * Turns the bytes of a text into UTF-8 by the charset it claims, and says so where that claim
 * cannot be true. Nothing is thrown away: Windows-1252 stands in, since it reads every byte.
 */
final class CharsetDecoder
{
    public const FALLBACK = 'Windows-1252';

    /** Labels that name their superset in practice (WHATWG Encoding Standard). */
    private const ALIASES = [
        'ISO-8859-1' => self::FALLBACK,
        'LATIN1' => self::FALLBACK,
        'US-ASCII' => 'UTF-8',
        'ASCII' => 'UTF-8',
        'ANSI_X3.4-1968' => 'UTF-8',
        'UTF8' => 'UTF-8',
        'UNICODE-1-1-UTF-7' => 'UTF-7',
        'KS_C_5601-1987' => 'CP949',
        'KS_C_5601' => 'CP949',
        'GB2312' => 'GB18030',
        'X-SJIS' => 'CP932',
        'SHIFT_JIS' => 'CP932',
        'X-MAC-ROMAN' => 'MACINTOSH',
        'X-UNKNOWN' => '',
        'UNKNOWN-8BIT' => '',
        '8BIT' => '',
        'BINARY' => '',
        'DEFAULT' => '',
    ];

    /**
     * @return array{string, string|null} the text in UTF-8, and what a reader should know of it
     */
    public static function decode(string $bytes, ?string $claimed): array
    {
        $label = strtoupper(trim((string) $claimed, " \t\"'"));
        $charset = self::ALIASES[$label] ?? $label;
        if ($charset === '') {
            return [self::detect($bytes), $label === '' || preg_match('/[\x80-\xFF]/', $bytes) !== 1
                ? null
                : "It is not said in which charset the text is (“{$label}”); it is shown as ".self::nameOfDetected($bytes).'.'];
        }
        if ($charset === 'UTF-8') {
            // Mail that claims ASCII or UTF-8 and holds other bytes was written in the writer's old charset.
            return mb_check_encoding($bytes, 'UTF-8')
                ? [self::withoutByteOrderMark($bytes), null]
                : [self::fallBack($bytes), "The text claims to be {$label} and is not; it is shown as ".self::FALLBACK.'.'];
        }
        if (! self::isKnown($charset)) {
            return [self::detect($bytes), "The charset “{$label}” is not known; the text is shown as ".self::nameOfDetected($bytes).'.'];
        }
        $decoded = @iconv($charset, 'UTF-8', $bytes);
        if ($decoded !== false) {
            return [self::withoutByteOrderMark($decoded), null];
        }
        if ($charset === self::FALLBACK) {
            return [self::fallBack($bytes), null];
        }

        return [self::detect($bytes), "The text claims to be {$label} and is not; it is shown as ".self::nameOfDetected($bytes).'.'];
    }

    public static function isKnown(string $charset): bool
    {
        $charset = self::ALIASES[strtoupper($charset)] ?? $charset;

        return preg_match('/^[A-Za-z0-9][A-Za-z0-9_.:()+-]{0,40}$/D', $charset) === 1 && self::reads($charset);
    }

    private static function reads(string $charset): bool
    {
        return @iconv($charset, 'UTF-8', '') !== false;
    }

    private static function detect(string $bytes): string
    {
        return mb_check_encoding($bytes, 'UTF-8') ? self::withoutByteOrderMark($bytes) : self::fallBack($bytes);
    }

    private static function nameOfDetected(string $bytes): string
    {
        return mb_check_encoding($bytes, 'UTF-8') ? 'UTF-8' : self::FALLBACK;
    }

    private static function fallBack(string $bytes): string
    {
        return mb_convert_encoding($bytes, 'UTF-8', self::FALLBACK);
    }

    private static function withoutByteOrderMark(string $text): string
    {
        return str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
    }
}
