<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\ReceivedAttachment;
use App\Support\HtmlLimits;
use Cairnfield\Core\Mail\FlowedText;
use Illuminate\Support\Str;
use ZBateson\MailMimeParser\IMessage;
use ZBateson\MailMimeParser\Message\IMessagePart;
use ZBateson\MailMimeParser\Message\IMimePart;
use ZBateson\MailMimeParser\Message\IMultiPart;

/**
 * Goes through the parts of a message (RFC 2045 to 2049, 2183, 2392) and sorts them into the text
 * to read, the HTML to show, and the files that came with it. Every part ends up in one of them.
 */
final class MailBody
{
    private const DEEPEST = 100;

    /** @var list<array{text: string, html: string|null}> */
    private array $pieces = [];

    /** @var list<ReceivedAttachment> */
    private array $attachments = [];

    /** @var list<string> */
    private array $marks = [];

    private function __construct() {}

    public static function of(IMessage $message): self
    {
        $body = new self;
        array_push($body->pieces, ...$body->read($message, 1));

        return $body;
    }

    public function text(): string
    {
        return trim(implode("\n\n", array_map(static fn (array $piece): string => trim($piece['text'], "\n"), $this->pieces)), "\n");
    }

    /**
     * Null where no part is HTML; else all pieces in their order, plain ones among them made HTML.
     */
    public function html(): ?string
    {
        $html = array_map(static fn (array $piece): string => $piece['html'] ?? nl2br(e($piece['text'])), $this->pieces);

        return array_filter(array_column($this->pieces, 'html')) === [] ? null : implode("\n<hr>\n", $html);
    }

    /**
     * @return list<ReceivedAttachment>
     */
    public function attachments(): array
    {
        return $this->attachments;
    }

    /**
     * @return list<string>
     */
    public function marks(): array
    {
        return array_values(array_unique($this->marks));
    }

    /**
     * @return list<array{text: string, html: string|null}>
     */
    private function read(IMessagePart $part, int $depth): array
    {
        $type = strtolower((string) $part->getContentType());
        $isMultipart = $part instanceof IMultiPart && $part->getChildCount() > 0 && str_starts_with($type, 'multipart/');
        if ($isMultipart && $depth <= self::DEEPEST) {
            $pieces = [];
            foreach ($part->getChildParts() as $child) {
                array_push($pieces, ...$this->read($child, $depth + 1));
            }

            return $type === 'multipart/alternative' ? $this->oneOf($pieces) : $pieces;
        }
        if ($isMultipart) {
            $this->marks[] = 'Parts are nested more than '.self::DEEPEST.' deep; the rest is in the original.';

            return [];
        }

        return $this->readLeaf($part, $type);
    }

    /**
     * @return list<array{text: string, html: string|null}>
     */
    private function readLeaf(IMessagePart $part, string $type): array
    {
        $pieces = [];
        $isFile = strtolower((string) $part->getContentDisposition()) === 'attachment' || (string) $part->getFilename() !== '';
        // A multipart that holds no part is text that lost its boundary.
        $isText = in_array($type, ['', 'text/plain', 'text/html'], true) || str_starts_with($type, 'multipart/');
        if ($isText && ! $isFile) {
            $pieces[] = $type === 'text/html' ? $this->htmlPiece($part) : ['text' => $this->decoded($part), 'html' => null];
        } else {
            $this->attachments[] = $this->file($part, $type === '' ? 'application/octet-stream' : $type);
        }
        // What stands before a part that was cut off (uuencode among text) are children of the leaf.
        if ($part instanceof IMultiPart) {
            foreach ($part->getChildParts() as $child) {
                array_push($pieces, ...$this->readLeaf($child, strtolower((string) $child->getContentType())));
            }
        }

        return $pieces;
    }

    /**
     * The same said several ways: the plain text to read, the HTML to show.
     *
     * @param  list<array{text: string, html: string|null}>  $pieces
     * @return list<array{text: string, html: string|null}>
     */
    private function oneOf(array $pieces): array
    {
        $plain = array_values(
            array_filter($pieces, static fn (array $piece): bool => $piece['html'] === null && trim($piece['text']) !== '')
        );
        $html = array_values(array_filter($pieces, static fn (array $piece): bool => $piece['html'] !== null));
        if ($html === []) {
            return array_slice($plain !== [] ? $plain : $pieces, 0, 1);
        }

        return [[
            'text' => $plain[0]['text'] ?? implode("\n\n", array_column($html, 'text')),
            'html' => implode("\n", array_column($html, 'html')),
        ]];
    }

    /**
     * @return array{text: string, html: string}
     */
    private function htmlPiece(IMessagePart $part): array
    {
        [$html, $isCut] = HtmlLimits::apply($this->decoded($part));
        if ($isCut) {
            $this->marks[] = 'It is built of more than can be shown: some of it stands as plain text, all of it is in the original.';
        }

        return ['text' => HtmlToText::convert($html), 'html' => $html];
    }

    private function decoded(IMessagePart $part): string
    {
        $charset = $part instanceof IMimePart ? $part->getHeaderParameter('Content-Type', 'charset') : null;
        [$text, $mark] = CharsetDecoder::decode($this->bytes($part), $charset);
        if ($mark !== null) {
            $this->marks[] = $mark;
        }

        return self::flowed($part, str_replace(["\r\n", "\r", "\0"], ["\n", "\n", ''], $text));
    }

    private static function flowed(IMessagePart $part, string $text): string
    {
        $says = static fn (string $name): string => $part instanceof IMimePart
            ? strtolower((string) $part->getHeaderParameter('Content-Type', $name))
            : '';

        return strtolower((string) $part->getContentType()) === 'text/plain' && $says('format') === 'flowed'
            ? FlowedText::joined($text, $says('delsp') === 'yes')
            : $text;
    }

    private function file(IMessagePart $part, string $type): ReceivedAttachment
    {
        $bytes = $this->bytes($part);
        $contentId = trim((string) $part->getContentId(), "<> \t");

        return new ReceivedAttachment(
            $this->fileName($part, $type, $bytes),
            mb_substr(mb_scrub($type, 'UTF-8'), 0, 150),
            $bytes,
            $contentId === '' ? null : mb_strcut(mb_scrub($contentId, 'UTF-8'), 0, 490),
            $contentId !== '' && str_starts_with($type, 'image/'),
        );
    }

    /**
     * The name it came with, made safe to show and to save: no path, no control characters.
     */
    private function fileName(IMessagePart $part, string $type, string $bytes): string
    {
        $name = (string) $part->getFilename();
        $name = mb_check_encoding($name, 'UTF-8') ? $name : CharsetDecoder::decode($name, null)[0];
        $name = (string) preg_replace('/^.*[\/\\\\]/su', '', $name);
        $name = trim((string) preg_replace('/[\x{0}-\x{1F}\x{7F}\x{202A}-\x{202E}\x{2066}-\x{2069}]+/u', '', $name), ' .');
        if ($name !== '') {
            return $this->shortened($name);
        }
        if ($type === 'message/rfc822') {
            $subject = preg_match('/^Subject:[ \t]*(.+)$/mi', substr($bytes, 0, 20_000), $line) === 1
                ? iconv_mime_decode(trim($line[1]), ICONV_MIME_DECODE_CONTINUE_ON_ERROR, 'UTF-8')
                : '';

            return $this->shortened(trim((string) preg_replace('/[^\p{L}\p{N} ._-]+/u', '', (string) $subject)) ?: 'message').'.eml';
        }

        return match ($type) {
            'application/ms-tnef' => 'winmail.dat',
            'text/calendar' => 'invitation.ics',
            'message/delivery-status' => 'delivery-report.txt',
            'text/rfc822-headers' => 'returned-header.txt',
            default => 'file-'.(count($this->attachments) + 1).$this->ending($type),
        };
    }

    private function ending(string $type): string
    {
        $ending = Str::afterLast($type, '/');

        return preg_match('/^[a-z0-9]{1,5}$/D', $ending) === 1 ? ".{$ending}" : '.bin';
    }

    private function shortened(string $name): string
    {
        if (mb_strlen($name) <= 200) {
            return $name;
        }
        $ending = mb_strlen($name) - (int) mb_strrpos($name, '.') <= 12 ? mb_substr($name, (int) mb_strrpos($name, '.')) : '';

        return mb_substr($name, 0, 180).'…'.$ending;
    }

    private function bytes(IMessagePart $part): string
    {
        return (string) $part->getBinaryContentStream()?->getContents();
    }
}
