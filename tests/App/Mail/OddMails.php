<?php

declare(strict_types=1);

namespace Tests\App\Mail;

use Tests\App\Mails;

/**
 * A corpus of odd messages, each with what must come of it (dotted keys of what `mail:take` prints).
 */
final class OddMails
{
    /**
     * @return array<string, array{string, array<string, mixed>}>
     */
    public static function all(): array
    {
        return [
            ...self::headers(), ...self::charsets(), ...self::structures(), ...self::attachments(), ...self::extremes(),
            ...self::automatic(),
        ];
    }

    /**
     * @return array<string, array{string, array<string, mixed>}>
     */
    private static function headers(): array
    {
        $text = ['text' => "Hello,\nmy kite has not come."];

        return [
            'encoded words in base 64' => [
                Mails::raw(['Subject' => '=?UTF-8?B?'.base64_encode('Grüße aus Łódź').'?=']),
                ['subject' => 'Grüße aus Łódź', ...$text],
            ],
            'encoded words next to each other' => [
                Mails::raw(['Subject' => "=?UTF-8?Q?Dr=C3=A5?=\r\n =?UTF-8?Q?ke?="]), ['subject' => 'Dråke', ...$text],
            ],
            'an encoded word in Latin 1' => [Mails::raw(['Subject' => '=?iso-8859-1?Q?Gr=FC=DFe?=']), ['subject' => 'Grüße']],
            'an encoded word in a charset nobody knows' => [Mails::raw(['Subject' => '=?x-klingon?Q?Gr=FC=DFe?=']), ['subject' => 'Grüße']],
            'an encoded word that lies about UTF-8' => [Mails::raw(['Subject' => '=?utf-8?Q?Gr=FC=DFe?=']), ['subject' => 'Grüße']],
            'raw 8-bit bytes in the subject' => [Mails::raw(['Subject' => "Gr\xFC\xDFe"]), ['subject' => 'Grüße']],
            'raw UTF-8 in subject and name' => [
                Mails::raw(['Subject' => 'Žluťoučký drak', 'From' => 'Tomáš <tomas@hruby.example>']),
                ['subject' => 'Žluťoučký drak', 'from' => 'tomas@hruby.example'],
            ],
            'no subject' => [Mails::raw(['Subject' => null]), ['subject' => '', 'conversation_subject' => '(no subject)']],
            'an empty subject' => [Mails::raw(['Subject' => '']), ['subject' => '']],
            'a subject of 3,000 characters' => [
                Mails::raw(['Subject' => str_repeat('kite ', 600)]), ['subject' => trim(str_repeat('kite ', 600))],
            ],
            'a subject of emoji' => [Mails::raw(['Subject' => '🪁🪁🪁']), ['subject' => '🪁🪁🪁']],
            'a subject from right to left' => [Mails::raw(['Subject' => 'איפה העפיפון שלי']), ['subject' => 'איפה העפיפון שלי']],
            'no From, but a Reply-To' => [
                Mails::raw(['From' => null, 'Reply-To' => 'ana@wrenfield.example']), ['from' => 'ana@wrenfield.example'],
            ],
            'nobody at all' => [Mails::raw(['From' => null]), ['from' => '', ...$text]],
            'a From without an address' => [Mails::raw(['From' => 'The kite club']), ['from' => '', 'customer' => 'The kite club']],
            'several in From' => [Mails::raw(['From' => 'a@club.example, b@club.example']), ['from' => 'a@club.example']],
            'a name with a comma in quotes' => [
                Mails::raw(['From' => '"Hrubý, Tomas" <tomas@hruby.example>']),
                ['from' => 'tomas@hruby.example', 'customer' => 'Hrubý, Tomas'],
            ],
            'an address with capitals' => [Mails::raw(['From' => 'Tomas@HRUBY.example']), ['from' => 'Tomas@HRUBY.example']],
            'no Message-ID' => [Mails::raw(['Message-ID' => null]), ['message_id' => null, ...$text]],
            'a Message-ID without brackets' => [Mails::raw(['Message-ID' => 'bare@hruby.example']), ['message_id' => 'bare@hruby.example']],
            'no Date' => [Mails::raw(['Date' => null]), $text],
            'a date that is none' => [Mails::raw(['Date' => 'Someday, 99 Foo 20x6']), $text],
            'a date in 1970' => [Mails::raw(['Date' => 'Thu, 01 Jan 1970 00:00:00 +0000']), ['sent_year' => '1970', ...$text]],
            'a date in 2099' => [Mails::raw(['Date' => 'Thu, 31 Dec 2099 23:59:59 +0000']), ['sent_year' => '2099', ...$text]],
            'no recipient' => [Mails::raw(['To' => null]), ['to' => []]],
            'recipients that are not told' => [Mails::raw(['To' => 'undisclosed-recipients:;']), ['to' => []]],
            '200 recipients' => [
                Mails::raw(['To' => implode(', ', array_map(static fn (int $n): string => "friend{$n}@club.example", range(1, 200)))]),
                ['to.199' => 'friend200@club.example', ...$text],
            ],
            'folded header lines' => [Mails::raw(['Subject' => "Where\r\n is\r\n\tmy kite"]), ['subject' => 'Where is my kite']],
            'a folder separator on top' => [
                "From tomas@hruby.example Mon Nov 23 09:52:00 2026\n".str_replace("\r\n", "\n", Mails::raw()),
                ['subject' => 'Where is my kite', ...$text],
            ],
            'an encoded word in a charset that is not said' => [
                Mails::raw(['Subject' => '=?unknown-8bit?Q?Gr=FC=DFe?=', 'From' => '=?x-unknown?Q?Tom=E1=9A?= <tomas@hruby.example>']),
                ['subject' => 'Grüße', 'from' => 'tomas@hruby.example', 'customer' => 'Tomáš', 'marks' => 2, ...$text],
            ],
            'an encoded word of plain letters in a charset that is not said' => [
                Mails::raw(['Subject' => '=?x-unknown?Q?Kite?=']), ['subject' => 'Kite', 'marks' => 0, ...$text],
            ],
            'a header that begins with a broken line' => [
                "this is no header line\r\n and goes on\r\n".Mails::raw(),
                [
                    'subject' => 'Where is my kite', 'from' => 'tomas@hruby.example', 'to' => ['care@brindle.example'], 'marks' => 1,
                    ...$text,
                ],
            ],
            'a text that begins like a header and is none' => [
                "Hello,\r\nSubject: my kite\r\n\r\nWhere is it?", ['text_contains' => 'Where is it?', 'subject' => ''],
            ],
            'a subject of 20,000 letters beyond ASCII, not encoded' => [
                Mails::raw(['Subject' => str_repeat('ž', 20_000), 'From' => 'Tomáš <tomas@hruby.example>']),
                ['customer' => 'Tomáš', 'marks' => 1, ...$text],
            ],
            '30,000 references' => [
                Mails::raw(['References' => self::repeated("<m%d@x.example>\r\n ", 30_000).'<last@x.example>']),
                ['marks' => 1, ...$text],
            ],
            '20,000 encoded words in the name' => [
                Mails::raw(['From' => str_repeat("=?utf-8?Q?A?=\r\n ", 20_000).'<ana@wrenfield.example>']),
                ['from' => 'ana@wrenfield.example', 'marks' => 1, ...$text],
            ],
            '20,000 parameters of its type' => [
                Mails::raw(['Content-Type' => 'text/plain'.self::repeated(";\r\n a%d=x", 20_000)]),
                ['marks' => 1, ...$text],
            ],
            'no header at all' => ["just a line of text\r\nand one more", ['text' => "just a line of text\nand one more"]],
            'lines ended by LF alone' => [str_replace("\r\n", "\n", Mails::raw()), ['subject' => 'Where is my kite', ...$text]],
            'a header line that is none' => [
                str_replace('Date:', "this is no header line\r\nDate:", Mails::raw()), ['subject' => 'Where is my kite', ...$text],
            ],
            'NUL bytes' => [Mails::raw([], "Hel\0lo"), ['text' => 'Hello']],
        ];
    }

    /**
     * @return array<string, array{string, array<string, mixed>}>
     */
    private static function charsets(): array
    {
        $plain = static fn (string $charset, string $bytes, string $encoding = '8bit'): string => Mails::raw(
            ['MIME-Version' => '1.0', 'Content-Type' => "text/plain; charset={$charset}", 'Content-Transfer-Encoding' => $encoding],
            $bytes
        );

        return [
            'Latin 1' => [$plain('iso-8859-1', "Gr\xFC\xDFe"), ['text' => 'Grüße', 'marks' => 0]],
            'Windows-1252 that calls itself Latin 1' => [$plain('iso-8859-1', "\x8412 \x80\x93"), ['text' => '„12 €“', 'marks' => 0]],
            'Windows-1257, Latvian' => [
                $plain('windows-1257', iconv('UTF-8', 'WINDOWS-1257', 'Rēķins')), ['text' => 'Rēķins', 'marks' => 0],
            ],
            'ISO-2022-JP' => [$plain('iso-2022-jp', iconv('UTF-8', 'ISO-2022-JP', '返品したい'), '7bit'), ['text' => '返品したい', 'marks' => 0]],
            'Shift JIS in base 64' => [
                $plain('shift_jis', base64_encode(iconv('UTF-8', 'CP932', '凧が届かない')), 'base64'), ['text' => '凧が届かない', 'marks' => 0],
            ],
            'KOI8-R' => [$plain('koi8-r', iconv('UTF-8', 'KOI8-R', 'Где змей?')), ['text' => 'Где змей?', 'marks' => 0]],
            'GB2312 with characters beyond it' => [$plain('gb2312', iconv('UTF-8', 'GB18030', '风筝€')), ['text' => '风筝€', 'marks' => 0]],
            'UTF-16 with a mark in front' => [
                $plain('utf-16', base64_encode("\xFE\xFF".iconv('UTF-8', 'UTF-16BE', 'Žlutý')), 'base64'),
                ['text' => 'Žlutý', 'marks' => 0],
            ],
            'a charset nobody knows' => [$plain('x-klingon', "Gr\xFC\xDFe"), ['text' => 'Grüße', 'marks' => 1]],
            'a charset of nonsense' => [$plain('"../../etc; rm"', 'kite'), ['text' => 'kite', 'marks' => 1]],
            'claims UTF-8 and is Latin 1' => [$plain('utf-8', "Gr\xFC\xDFe"), ['text' => 'Grüße', 'marks' => 1]],
            'claims ASCII and is UTF-8' => [$plain('us-ascii', 'Grüße'), ['text' => 'Grüße', 'marks' => 0]],
            'says nothing and is UTF-8' => [Mails::raw([], 'Grüße'), ['text' => 'Grüße', 'marks' => 0]],
            'broken quoted-printable' => [
                $plain('utf-8', "Gr=C3=BC=C3=9Fe =ZZ end=\r\n.", 'quoted-printable'), ['text_contains' => 'Grüße'],
            ],
            'broken base 64' => [$plain('utf-8', base64_encode('Hello kite').'!!!@@@', 'base64'), ['text_contains' => 'Hello kite']],
            'an encoding nobody knows' => [$plain('utf-8', 'Hello', 'x-rot13'), ['text' => 'Hello']],
        ];
    }

    /**
     * @return array<string, array{string, array<string, mixed>}>
     */
    private static function structures(): array
    {
        $multi = static fn (
            string $body, string $type = 'multipart/mixed; boundary="B"'
        ): string => Mails::raw(['MIME-Version' => '1.0', 'Content-Type' => $type], $body);
        $deep = "Content-Type: text/plain\r\n\r\nvery deep";
        for ($level = 0; $level < 40; $level++) {
            $deep = "Content-Type: multipart/mixed; boundary=\"L{$level}\"\r\n\r\n--L{$level}\r\n{$deep}\r\n--L{$level}--";
        }

        return [
            'an empty body' => [Mails::raw([], ''), ['text' => '']],
            'only white space' => [Mails::raw([], "\r\n  \r\n"), []],
            'plain and HTML' => [
                $multi(
                    "--B\r\nContent-Type: text/plain\r\n\r\nplain kite\r\n--B\r\nContent-Type: text/html\r\n\r\n<p>html "
                        ."<b>kite</b></p>\r\n--B--",
                    'multipart/alternative; boundary="B"'
                ),
                ['text' => 'plain kite', 'html_contains' => '<b>kite</b>'],
            ],
            'HTML alone' => [
                Mails::raw(['Content-Type' => 'text/html; charset=utf-8'], '<p>Hello</p><p>Kite<br>gone</p><script>alert(1)</script>'),
                ['text' => "Hello\n\nKite\ngone", 'html_lacks' => 'alert'],
            ],
            'HTML with an empty plain part' => [
                $multi(
                    "--B\r\nContent-Type: text/plain\r\n\r\n \r\n--B\r\nContent-Type: text/html\r\n\r\n<p>only here</p>\r\n--B--",
                    'multipart/alternative; boundary="B"'
                ),
                ['text' => 'only here'],
            ],
            'text, HTML and text again' => [
                $multi(
                    "--B\r\nContent-Type: text/plain\r\n\r\nabove\r\n--B\r\nContent-Type: "
                        ."text/html\r\n\r\n<p>middle</p>\r\n--B\r\nContent-Type: text/plain\r\n\r\nlist footer\r\n--B--"
                ),
                ['text' => "above\n\nmiddle\n\nlist footer", 'html_contains' => 'list footer'],
            ],
            'a boundary that never ends' => [$multi("--B\r\nContent-Type: text/plain\r\n\r\nno end"), ['text' => 'no end']],
            'a boundary that never begins' => [$multi("there is only text here\r\n"), ['text_contains' => 'there is only text here']],
            'no boundary named' => [$multi("--B\r\n\r\nstill readable\r\n--B--", 'multipart/mixed'), ['text_contains' => 'still readable']],
            'a boundary with odd characters' => [
                $multi("--=_(B)'+_,-./:=?\r\n\r\nodd\r\n--=_(B)'+_,-./:=?--", 'multipart/mixed; boundary="=_(B)\'+_,-./:=?"'),
                ['text' => 'odd'],
            ],
            'nested 40 deep' => [
                substr(Mails::raw(), 0, -strlen("\r\n\r\nHello,\r\nmy kite has not come.\r\n"))."\r\n{$deep}",
                ['text' => 'very deep'],
            ],
            'nested 300 deep' => [self::nested(300), ['result' => 'new']],
            'a content type that is none' => [
                Mails::raw(['Content-Type' => ';;;charset'], 'still here'), ['text_contains' => 'still here'],
            ],
            'two content types' => [
                str_replace('Subject:', "Content-Type: text/plain\r\nContent-Type: text/html\r\nSubject:", Mails::raw([], 'twice')),
                ['text_contains' => 'twice'],
            ],
        ];
    }

    /**
     * @return array<string, array{string, array<string, mixed>}>
     */
    private static function attachments(): array
    {
        $with = static fn (string $headers, string $content): string => Mails::raw(
            ['MIME-Version' => '1.0', 'Content-Type' => 'multipart/mixed; boundary="B"'],
            "--B\r\nContent-Type: text/plain\r\n\r\nsee file\r\n--B\r\n{$headers}\r\n\r\n{$content}\r\n--B--\r\n"
        );
        $sha = static fn (string $bytes): string => hash('sha256', $bytes);

        return [
            'a name in RFC 2231 pieces' => [
                $with(
                    "Content-Type: application/pdf\r\nContent-Disposition: attachment; filename*0*=utf-8''Rechnung%20; "
                        .'filename*1*=%E2%82%AC.pdf',
                    'x'
                ),
                ['attachments.0.name' => 'Rechnung €.pdf', 'attachments.0.size' => 1, 'attachments.0.sha256' => $sha('x')],
            ],
            'a name in encoded words' => [
                $with("Content-Type: image/png; name=\"=?utf-8?Q?Dr=C3=A5ke.png?=\"\r\nContent-Disposition: attachment", 'x'),
                ['attachments.0.name' => 'Dråke.png'],
            ],
            'a name with a path' => [
                $with("Content-Type: text/plain\r\nContent-Disposition: attachment; filename=\"../../etc/passwd\"", 'x'),
                ['attachments.0.name' => 'passwd'],
            ],
            'a name with a Windows path' => [
                $with("Content-Type: text/plain\r\nContent-Disposition: attachment; filename=\"C:\\\\kites\\\\plan.txt\"", 'x'),
                ['attachments.0.name' => 'plan.txt'],
            ],
            'no name' => [$with('Content-Type: image/jpeg', 'x'), ['attachments.0.name' => 'file-1.jpeg']],
            'a name of 400 characters' => [
                $with("Content-Type: text/plain\r\nContent-Disposition: attachment; filename=\"".str_repeat('k', 400).'.txt"', 'x'),
                ['attachments.0.size' => 1],
            ],
            'binary in base 64' => [
                $with(
                    "Content-Type: application/zip\r\nContent-Transfer-Encoding: base64\r\nContent-Disposition: attachment; filename=a.zip",
                    chunk_split(base64_encode("PK\x03\x04\0\xFF"))
                ),
                ['attachments.0.size' => 6, 'attachments.0.sha256' => $sha("PK\x03\x04\0\xFF")],
            ],
            'a message inside the message' => [
                $with('Content-Type: message/rfc822', "Subject: =?utf-8?Q?Dr=C3=A5ke?=\r\nFrom: q@z.example\r\n\r\nInner text"),
                ['attachments.0.name' => 'Dråke.eml', 'text' => 'see file'],
            ],
            'winmail.dat' => [
                $with("Content-Type: application/ms-tnef\r\nContent-Transfer-Encoding: base64", base64_encode("\x78\x9f\x3e\x22 tnef")),
                ['attachments.0.name' => 'winmail.dat', 'attachments.0.size' => 9],
            ],
            'an empty file' => [
                $with("Content-Type: text/plain\r\nContent-Disposition: attachment; filename=empty.txt", ''),
                ['attachments.0.size' => 0],
            ],
            'a text shown inline with a name' => [
                $with("Content-Type: text/plain\r\nContent-Disposition: inline; filename=notes.txt", 'notes'),
                ['attachments.0.name' => 'notes.txt', 'text' => 'see file'],
            ],
            'an invitation' => [
                $with('Content-Type: text/calendar; method=REQUEST', 'BEGIN:VCALENDAR'), ['attachments.0.name' => 'invitation.ics'],
            ],
            'nothing but a picture' => [
                Mails::raw(
                    [
                        'Content-Type' => 'image/png', 'Content-Transfer-Encoding' => 'base64',
                        'Content-Disposition' => 'attachment; filename=kite.png',
                    ],
                    base64_encode('png')
                ),
                ['attachments.0.name' => 'kite.png', 'text' => ''],
            ],
        ];
    }

    /**
     * @return array<string, array{string, array<string, mixed>}>
     */
    private static function extremes(): array
    {
        return [
            'a line of 200,000 characters' => [Mails::raw([], str_repeat('kite ', 40_000)), ['text_contains' => 'kite kite']],
            '60,000 lines' => [Mails::raw([], str_repeat("a\r\n", 60_000)), ['text_contains' => "a\na"]],
            '500 references' => [
                Mails::raw(['References' => implode(' ', array_map(static fn (int $n): string => "<r{$n}@x.example>", range(1, 500)))]),
                ['text_contains' => 'kite'],
            ],
            'a Message-ID of 3,000 characters' => [
                Mails::raw(['Message-ID' => '<'.str_repeat('m', 3000).'@x.example>']), ['text_contains' => 'kite'],
            ],
            'an address of 600 characters' => [Mails::raw(['From' => str_repeat('a', 600).'@x.example']), ['text_contains' => 'kite']],
            'a name of 900 characters' => [
                Mails::raw(['From' => str_repeat('Tomas ', 150).'<tomas@hruby.example>']), ['from' => 'tomas@hruby.example'],
            ],
            '20,000 elements in each other' => [
                Mails::raw(['Content-Type' => 'text/html'], str_repeat('<b>', 20_000).'deep'.str_repeat('</b>', 20_000).'<p>after</p>'),
                ['text' => 'deep after', 'html_contains' => '<b>', 'html_lacks' => '<p>after', 'marks' => 1],
            ],
            '6,000 rows of a table' => [
                Mails::raw(['Content-Type' => 'text/html'], '<table>'.str_repeat('<tr><td>red</td></tr>', 6000).'</table>The end.'),
                ['text_contains' => 'The end.', 'html_contains' => '<td>red</td>', 'marks' => 1],
            ],
            '800 rows of a table' => [
                Mails::raw(['Content-Type' => 'text/html'], '<table>'.str_repeat('<tr><td>red<td>blue', 800).'</table>The end.'),
                ['text_contains' => 'The end.', 'html_contains' => '<td>blue</td>', 'marks' => 0],
            ],
            'a picture as data in the text' => [
                Mails::raw(
                    ['Content-Type' => 'text/html'],
                    '<p>See <img alt="the tear" src="data:image/png;base64,'.str_repeat('QUJD', 50_000).'"> here</p>'
                ),
                ['text' => 'See [the tear] here', 'marks' => 0],
            ],
            'HTML of 800,001 letters beyond ASCII' => [
                Mails::raw(['Content-Type' => 'text/html; charset=utf-8'], '<p>a'.str_repeat('ž', 800_001).'</p>'),
                ['text_contains' => 'žž', 'html_contains' => 'žž', 'marks' => 2],
            ],
            'less-than signs and quotes that are not closed' => [
                Mails::raw(['Content-Type' => 'text/html'], '<p title="x>1 < 2 and <b>"bold</b> 3 <4 <a href=\'https://x.example/'),
                ['text_contains' => '3 <4', 'marks' => 0],
            ],
            '2,000 parts' => [
                Mails::raw(['Content-Type' => 'multipart/mixed; boundary=b'], str_repeat("--b\r\n\r\nkite\r\n", 2000).'--b--'),
                ['text_contains' => "kite\n\nkite", 'marks' => 1],
            ],
            '300 files among the text' => [
                Mails::raw([], "Here they are.\r\n".str_repeat("begin 644 a.txt\r\n#86)C\r\n`\r\nend\r\n", 300)),
                ['text_contains' => 'Here they are.', 'marks' => 1],
            ],
            'a text of 1,200,000 characters' => [
                Mails::raw([], str_repeat("Where is my large kite?\r\n", 50_000).'The end.'),
                ['text_contains' => 'large kite', 'marks' => 1],
            ],
            'HTML 2,000 elements deep' => [
                Mails::raw(['Content-Type' => 'text/html'], str_repeat('<div>', 2000).'deep'.str_repeat('</div>', 2000)),
                ['text_contains' => 'deep'],
            ],
        ];
    }

    /**
     * @return array<string, array{string, array<string, mixed>}>
     */
    private static function automatic(): array
    {
        return [
            'an ordinary message' => [Mails::raw(), ['automatic' => false]],
            'Auto-Submitted: no' => [Mails::raw(['Auto-Submitted' => 'no']), ['automatic' => false]],
            'an out-of-office note' => [Mails::raw(['Auto-Submitted' => 'auto-replied (vacation)']), ['automatic' => true]],
            'made by a machine' => [Mails::raw(['Auto-Submitted' => 'auto-generated; owner-email="x@y.example"']), ['automatic' => true]],
            'bulk' => [Mails::raw(['Precedence' => 'Bulk']), ['automatic' => true]],
            'a list' => [Mails::raw(['List-Id' => 'Kite friends <friends.club.example>']), ['automatic' => true]],
            'an empty return path' => [Mails::raw(['Return-Path' => '<>']), ['automatic' => true]],
            'a mail system' => [Mails::raw(['From' => 'MAILER-DAEMON@mx.example']), ['automatic' => true]],
            'nobody reads it' => [Mails::raw(['From' => 'no-reply@marrowby.example']), ['automatic' => true]],
            'a report' => [
                Mails::raw(
                    ['Content-Type' => 'multipart/report; report-type=delivery-status; boundary=B'],
                    "--B\r\n\r\nnot delivered\r\n--B\r\nContent-Type: message/delivery-status\r\n\r\nStatus: 5.1.1\r\n--B--"
                ),
                ['automatic' => true, 'text' => 'not delivered'],
            ],
        ];
    }

    private static function nested(int $depth): string
    {
        $body = "Content-Type: text/plain\r\n\r\nbottom";
        for ($level = 0; $level < $depth; $level++) {
            $body = "Content-Type: multipart/mixed; boundary=\"N{$level}\"\r\n\r\n--N{$level}\r\n{$body}\r\n--N{$level}--";
        }

        return "From: Tomas <tomas@hruby.example>\r\nTo: care@brindle.example\r\nSubject: deep\r\nMessage-ID: "
            ."<deep{$depth}@x.example>\r\nMIME-Version: 1.0\r\n{$body}";
    }

    private static function repeated(string $format, int $times): string
    {
        return implode('', array_map(static fn (int $number): string => sprintf($format, $number), range(1, $times)));
    }
}
