<?php

declare(strict_types=1);

namespace Tests\Fixtures;

use Closure;

/**
 * Mail that was made to hold up whoever reads it: nesting, repetition, and very many of whatever is counted, looked up or
 * matched. Each kind grows to any size.
 */
final class HostileMail
{
    private const HTML = ['Content-Type' => 'text/html; charset=utf-8'];

    /**
     * @return array<string, Closure(int): string> by what it is: a raw message of about so many bytes
     */
    public static function kinds(): array
    {
        return [...self::inHtml(), ...self::inText(), ...self::inHeaders(), ...self::inParts(), ...self::inEncodings()];
    }

    /**
     * @return array<string, Closure(int): string>
     */
    private static function inHtml(): array
    {
        $html = static fn (string $piece, string $before = '', string $after = ''): Closure => static fn (int $size): string => self::mail(
            self::HTML, $before.self::filled($piece, $size).$after
        );
        $nested = static fn (string $open, string $close): Closure => static function (int $size) use ($open, $close): string {
            $depth = intdiv($size, strlen($open.$close));

            return self::mail(self::HTML, str_repeat($open, $depth).'Deep down.'.str_repeat($close, $depth));
        };

        return [
            'nested bold' => $nested('<b>', '</b>'),
            'nested bold, never closed' => $html('<b>'),
            'nested divs' => $nested('<div>', '</div>'),
            'nested quotes' => $nested('<blockquote>', '</blockquote>'),
            'nested lists' => $nested('<ul><li>', '</li></ul>'),
            'nested tables' => $nested('<table><tr><td>', '</td></tr></table>'),
            'table rows' => $html('<tr><td>A</td></tr>', '<table>', '</table>'),
            'table rows, never closed' => $html('<tr><td>', '<table>'),
            'cells of one row' => $html('<td>', '<table><tr>'),
            'attributes of one element' => static fn (int $size): string => self::mail(
                self::HTML, '<p '.self::counted('a%d=x ', $size).'>Hello</p>'
            ),
            'one attribute' => $html('x', '<p title="', '">Hello</p>'),
            'pictures' => $html('<img src="https://x.example/a.png">'),
            'empty quotes' => $html('<blockquote></blockquote>'),
            'links' => $html('<a href="https://x.example/">x</a> '),
            'links, never closed' => $html('<a href="https://x.example/">'),
            'bold and slanted, crossed' => $html('<b><i><u></b></i></u><p>'),
            'entities' => $html('&amp;'),
            'broken entities' => $html('&#x1F4A'),
            'opening signs' => $html('<'),
            'comments, never closed' => $html('<!-- '),
            'style sheets' => $html('<style>p{color:red}</style>'),
            'one script' => $html('x=1;', '<script>', '</script>Hello'),
            'one long address' => $html('a/', '<a href="https://x.example/', '">x</a>'),
            'choices' => $html('<option>', '<select>'),
            'paragraphs' => $html('<p>Where is my <b>kite</b>, please?</p>'),
            'line breaks' => $html('<br>'),
            'drawings' => $html('<svg><g>', ''),
            'numbers between tags' => $html('4<b>1</b>'),
        ];
    }

    /**
     * @return array<string, Closure(int): string>
     */
    private static function inText(): array
    {
        $text = static fn (string $piece): Closure => static fn (int $size): string => self::mail([], self::filled($piece, $size));
        $counted = static fn (string $format): Closure => static fn (int $size): string => self::mail([], self::counted($format, $size));

        return [
            'one word' => $text('kite'),
            'spaces' => $text(' '),
            'empty lines' => $text("\r\n"),
            'quote signs' => $text('>'),
            'quoted lines' => $text("> > > Hello\r\n"),
            'digits' => $text('7'),
            'digits and spaces' => $text('4 1 '),
            'card numbers, almost' => $text('4111 1111 1111 1112 '),
            'card numbers' => $text('4111 1111 1111 1111 '),
            'bank accounts, almost' => $text('DK50 0040 0440 1162 44 '),
            'order numbers' => $counted("B-%05d\r\n"),
            'telephone numbers' => $counted('+45 %08d '),
            'conversation numbers' => $counted('C-%d '),
            'addresses' => $counted('p%d@post.example '),
            'web addresses' => $counted('https://x.example/%d '),
            'uuencoded files that never end' => $text("begin 644 a\r\n"),
            'uuencoded files' => $text("begin 644 a\r\n#86)C\r\n`\r\nend\r\n"),
            'signature lines' => $text("-- \r\n"),
            'lines of an answer' => $text("On Monday somebody wrote:\r\n"),
            'combining marks' => $text("e\u{301}\u{302}\u{303}"),
            'right to left' => $text("\u{202E}שלום "),
            'exclamation marks' => $text('!'),
            'angry words' => $text('terrible awful broken never again '),
        ];
    }

    /**
     * @return array<string, Closure(int): string>
     */
    private static function inHeaders(): array
    {
        $field = static fn (string $name, string $piece, string $before = '', string $after = ''): Closure => static fn (
            int $size
        ): string => self::mail([$name => $before.self::filled($piece, $size).$after], 'Hello');
        $counted = static fn (string $name, string $format): Closure => static fn (int $size): string => self::mail(
            [$name => rtrim(self::counted($format, $size), ", \r\n")], 'Hello'
        );

        return [
            'encoded words in From' => $field('From', "=?utf-8?Q?A?=\r\n ", '', '<a@x.example>'),
            'encoded words in Subject' => $field('Subject', "=?utf-8?B?w6Y=?=\r\n "),
            'encoded words of an unknown charset' => $field('Subject', "=?x-unknown?Q?=E6?=\r\n "),
            'one encoded word' => $field('Subject', 'QQ==', '=?utf-8?B?', '?='),
            'references' => $counted('References', "<m%d@x.example>\r\n "),
            'recipients' => $counted('To', "p%d@post.example,\r\n "),
            'recipients in groups' => $counted('Cc', "g%d: a@x.example;,\r\n "),
            'recipients, one quoted name' => $field('To', '\\"', '"', '" <a@x.example>'),
            'comments in an address' => $field('From', '(', '', ' a@x.example'),
            'one header line' => $field('X-Long', 'x'),
            'folded header lines' => $field('X-Long', "x\r\n "),
            'traces' => static fn (int $size): string => self::filled(
                "Received: from a by b; Mon, 23 Nov 2026 09:52:00 +0100\r\n", $size
            ).self::mail([], 'Hello'),
            'headers that differ' => static fn (int $size): string => self::counted("X-%d: x\r\n", $size).self::mail([], 'Hello'),
            'senders' => static fn (int $size): string => self::counted("From: p%d@x.example\r\n", $size).self::mail([], 'Hello'),
            'parameters of a type' => static fn (int $size): string => self::mail(
                ['Content-Type' => 'text/plain; '.self::counted("a%d=x;\r\n ", $size).'charset=utf-8'], 'Hello'
            ),
            'continued parameters' => static fn (int $size): string => self::mail(
                ['Content-Disposition' => 'attachment; '.self::counted("filename*%d=x;\r\n ", $size)], 'Hello'
            ),
            'a header without an end' => static fn (int $size): string => self::counted("X-%d: x\r\n", $size),
        ];
    }

    /**
     * @return array<string, Closure(int): string>
     */
    private static function inParts(): array
    {
        return [
            'nested parts' => static function (int $size): string {
                $open = '';
                for ($depth = 0; strlen($open) < $size; $depth++) {
                    $open .= "Content-Type: multipart/mixed; boundary=b{$depth}\r\n\r\n--b{$depth}\r\n";
                }

                return self::mail([], '', $open."\r\nHello");
            },
            'parts' => static fn (int $size): string => self::mail(
                ['Content-Type' => 'multipart/mixed; boundary=b'], self::filled("--b\r\n\r\nx\r\n", $size).'--b--'
            ),
            'files' => static fn (int $size): string => self::mail(
                ['Content-Type' => 'multipart/mixed; boundary=b'],
                self::counted("--b\r\nContent-Disposition: attachment; filename=f%d\r\n\r\nx\r\n", $size).'--b--'
            ),
            'parts of HTML' => static fn (int $size): string => self::mail(
                ['Content-Type' => 'multipart/mixed; boundary=b'],
                self::filled("--b\r\nContent-Type: text/html\r\n\r\n<p>x</p>\r\n", $size).'--b--'
            ),
            'lines like boundaries' => static fn (int $size): string => self::mail(
                ['Content-Type' => 'multipart/mixed; boundary=b'], "--b\r\n\r\n".self::filled("--c\r\n", $size).'--b--'
            ),
            'messages within messages' => static function (int $size): string {
                $one = "Content-Type: message/rfc822\r\n\r\n";

                return self::mail([], '', self::filled($one, $size)."Subject: Deep down\r\n\r\nHello");
            },
            'alternatives' => static fn (int $size): string => self::mail(
                ['Content-Type' => 'multipart/alternative; boundary=b'],
                self::filled("--b\r\nContent-Type: text/plain\r\n\r\nx\r\n--b\r\nContent-Type: text/html\r\n\r\nx\r\n", $size).'--b--'
            ),
            'one large file' => static fn (int $size): string => self::mail([
                'Content-Type' => 'multipart/mixed; boundary=b',
            ], "--b\r\n\r\nHello\r\n--b\r\nContent-Type: application/pdf; name=a.pdf\r\nContent-Transfer-Encoding: base64\r\n\r\n"
                .self::filled(str_repeat('QUJD', 19)."\r\n", $size).'--b--'),
        ];
    }

    /**
     * @return array<string, Closure(int): string>
     */
    private static function inEncodings(): array
    {
        $encoded = static fn (string $encoding, string $piece, string $type = 'text/plain; charset=utf-8'): Closure => static fn (
            int $size
        ): string => self::mail(['Content-Type' => $type, 'Content-Transfer-Encoding' => $encoding], self::filled($piece, $size));

        return [
            'soft line breaks' => $encoded('quoted-printable', "=\r\n"),
            'broken quoted-printable' => $encoded('quoted-printable', '=ZZ='),
            'broken base64' => $encoded('base64', '*='),
            'bytes that are no UTF-8' => $encoded('8bit', "\xE6\xFF"),
            'a charset that nobody knows' => $encoded('8bit', "\xE6 kite ", 'text/plain; charset=x-unknown'),
            'UTF-7' => $encoded('7bit', '+2D3dqQ-', 'text/plain; charset=utf-7'),
            'UTF-16' => $encoded('8bit', "\0k\0i\0t\0e", 'text/plain; charset=utf-16be'),
            'ISO-2022 shifts' => $encoded('7bit', "\e\$B\e(B", 'text/plain; charset=iso-2022-jp'),
            'zero bytes' => $encoded('8bit', "\0"),
        ];
    }

    /**
     * @param  array<string, string>  $headers
     * @param  string|null  $rest  headers that follow, and the body after them, in place of the body
     */
    private static function mail(array $headers, string $body, ?string $rest = null): string
    {
        $one = bin2hex(random_bytes(8));
        $usual = [
            'From' => "Tomas <tomas-{$one}@hruby.example>", 'To' => 'care@brindle.example', 'Subject' => 'Where is my kite',
            'Date' => 'Mon, 23 Nov 2026 09:52:00 +0100', 'Message-ID' => "<{$one}@hruby.example>",
        ];
        $lines = '';
        foreach ([...$usual, ...$headers] as $name => $value) {
            $lines .= "{$name}: {$value}\r\n";
        }

        return $rest === null ? "{$lines}\r\n{$body}" : $lines.$rest;
    }

    private static function filled(string $piece, int $size): string
    {
        return str_repeat($piece, max(1, intdiv($size, strlen($piece))));
    }

    private static function counted(string $format, int $size): string
    {
        $all = '';
        for ($number = 1; strlen($all) < $size; $number++) {
            $all .= sprintf($format, $number);
        }

        return $all;
    }
}
