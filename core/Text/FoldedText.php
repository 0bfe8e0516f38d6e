<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * A message's text in what was newly written and what can be folded away: the signature and the
 * quoted earlier text. Put together again the three are the whole text.
 */
final readonly class FoldedText
{
    private function __construct(public string $written, public string $signature, public string $quoted) {}

    /** Lines that mail programs put before the text they quote, in the common languages: those that begin with when. */
    private const DATED = '/^
        (?:on|am|den|le|el|il|em|op|dnia|w\sdniu)\b.{4,160}
        \b(?:wrote|schrieb|skrev|écrit|escribió|ha\sscritto|escreveu|schreef|napisał\(?a?\)?)\b.{0,80}:\s*
    $/iux';

    /** The others: those that begin with who, and rules between the texts. */
    private const NAMED = '/^(?:
        .{4,160}\b(?:rakstīja|wrote|schrieb|skrev|a\sécrit)\s*:\s*
        |-{2,}\s*(?:original\smessage|forwarded\smessage|ursprüngliche\snachricht|oprindelig\smeddelelse
            |message\sd\'origine|mensaje\soriginal)\s*-{2,}\s*
        |_{20,}\s*
    )$/iux';

    private const HEADER_LINE = '/^\s*\*?(?:from|von|fra|de|da|van|od|no)\s*:\*?\s.+@.+$/iu';

    private const SIGNATURE_MARK = '/^-- ?$/';

    private const SENT_FROM_DEVICE = '/^(?:sent from my|gesendet von meinem|sendt fra min|envoyé de mon|enviado desde mi|nosūtīts '
        .'no)\b.{0,60}$/iu';

    /**
     * @param  string  $text  UTF-8, lines ended by LF
     */
    public static function of(string $text): self
    {
        $lines = explode("\n", $text);
        $quote = self::firstQuotedLine($lines);
        $signature = self::signatureLine($lines, $quote);

        return new self(
            implode("\n", array_slice($lines, 0, $signature)),
            implode("\n", array_slice($lines, $signature, $quote - $signature)),
            implode("\n", array_slice($lines, $quote)),
        );
    }

    /**
     * What was newly written, piece by piece, with the quotes that it answers in place: put together again with line breaks between, it is
     * `written`. A quote takes along the line that introduces it.
     *
     * @return list<array{string, bool}> each text, and whether it is quoted
     */
    public function pieces(): array
    {
        $pieces = [];
        $lines = explode("\n", $this->written);
        foreach ($lines as $index => $line) {
            $next = $lines[$index + 1] ?? '';
            $below = $next === '' ? $lines[$index + 2] ?? '' : $next;
            $isQuoted = self::isQuoted($line) || (self::isQuoted($below) && self::introduces($line));
            $last = array_key_last($pieces);
            // An empty line belongs to what it stands in.
            $isSame = $last !== null && ($pieces[$last][1] === $isQuoted || trim($line) === '');
            if ($isSame) {
                $pieces[$last][0][] = $line;
            } else {
                $pieces[] = [[$line], $isQuoted];
            }
        }

        return array_map(static fn (array $piece): array => [implode("\n", $piece[0]), $piece[1]], $pieces);
    }

    /**
     * What was newly written, without the quotes in it.
     */
    public function own(): string
    {
        return implode("\n", array_column(array_filter($this->pieces(), static fn (array $piece): bool => ! $piece[1]), 0));
    }

    /**
     * The line from which on everything is quoted. Text written between or below quoted lines is an
     * answer in place: then nothing is folded before its last line.
     *
     * @param  list<string>  $lines
     */
    private static function firstQuotedLine(array $lines): int
    {
        $lastIntroduction = self::lastThatMayIntroduce($lines);
        foreach ($lines as $index => $line) {
            $opens = self::introduces($line)
                || (self::isQuoted($lines[$index + 2] ?? '') && self::introduceTogether($line, $lines[$index + 1] ?? ''))
                || (preg_match(self::HEADER_LINE, $line) === 1 && self::looksLikeHeader($lines, $index));
            if ($opens && ! self::isQuoted($line) && $index >= $lastIntroduction) {
                return $index;
            }
        }
        $last = count($lines);
        while ($last > 0 && (self::isQuoted($lines[$last - 1]) || trim($lines[$last - 1]) === '')) {
            $last--;
        }

        return self::hasQuote($lines, $last) ? $last : count($lines);
    }

    private static function introduces(string $line): bool
    {
        return preg_match(self::DATED, trim($line)) === 1 || preg_match(self::NAMED, trim($line)) === 1;
    }

    /**
     * An introduction broken over two lines. What was written right above a whole one does not belong to it.
     */
    private static function introduceTogether(string $line, string $next): bool
    {
        $both = trim($line.' '.$next);

        return match (true) {
            preg_match(self::DATED, trim($next)) === 1 => false,
            preg_match(self::DATED, $both) === 1 => true,
            default => preg_match(self::NAMED, $both) === 1 && preg_match(self::NAMED, trim($next)) !== 1,
        };
    }

    /**
     * @param  list<string>  $lines
     */
    private static function hasQuote(array $lines, int $from): bool
    {
        foreach (array_slice($lines, $from) as $line) {
            if (self::isQuoted($line)) {
                return true;
            }
        }

        return false;
    }

    /**
     * From which line on an introduction is one: what follows it is quoted throughout, with marks on every
     * line, or without a single mark, as programs do that put the old message below unmarked. So no line
     * that is marked may stand before one that is not. One way through the lines, however many look like introductions.
     *
     * @param  list<string>  $lines
     */
    private static function lastThatMayIntroduce(array $lines): int
    {
        $hasUnmarkedBelow = false;
        for ($index = count($lines) - 1; $index >= 0; $index--) {
            if (! self::isQuoted($lines[$index])) {
                $hasUnmarkedBelow = $hasUnmarkedBelow || trim($lines[$index]) !== '';
            } elseif ($hasUnmarkedBelow) {
                return $index;
            }
        }

        return 0;
    }

    private static function isQuoted(string $line): bool
    {
        return preg_match('/^\s{0,3}>/', $line) === 1;
    }

    /**
     * @param  list<string>  $lines
     */
    private static function looksLikeHeader(array $lines, int $index): bool
    {
        $named = 0;
        foreach (array_slice($lines, $index + 1, 4) as $line) {
            $named += (int) preg_match('/^\s*\*?\p{L}{2,12}(?:\s\p{L}{1,10})?\s*:\*?\s.+$/u', $line);
        }

        return $named >= 2;
    }

    /**
     * @param  list<string>  $lines
     */
    private static function signatureLine(array $lines, int $end): int
    {
        $isLast = true;
        for ($index = $end - 1; $index >= 0; $index--) {
            $line = rtrim($lines[$index], "\r\t");
            if (preg_match(self::SIGNATURE_MARK, $line) === 1 || ($isLast && preg_match(self::SENT_FROM_DEVICE, trim($line)) === 1)) {
                return $index;
            }
            $isLast = $isLast && trim($line) === '';
        }

        return $end;
    }
}
