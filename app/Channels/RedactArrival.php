<?php

declare(strict_types=1);

namespace App\Channels;

use App\Channels\Mail\MailParser;
use App\Channels\Mail\UnreadableMailException;
use App\Support\StoreSettings;
use Cairnfield\Core\Text\FoundSecret;
use Cairnfield\Core\Text\PatternRedaction;
use Cairnfield\Core\Text\Places;
use Cairnfield\Core\Text\Redaction;
use Cairnfield\Core\Text\SecretKind;

/**
 * Takes card numbers, bank accounts and the numbers that the team has set out of what arrives. The one place through which everything
 * goes that is stored or indexed of it. Left as they are: addresses and the ids of messages, which would lead nowhere else.
 */
final readonly class RedactArrival
{
    /** The setting's name: masks by the word that is put in their place. */
    public const PATTERNS = 'redaction.patterns';

    /** Mails inside mails that are longer, in bytes, are not taken apart. */
    private const LONGEST_READ = 2_000_000;

    public function __construct(private StoreSettings $settings) {}

    /**
     * Everything of a received message but its HTML, which is cleaned first.
     *
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    public function message(ReceivedMessage $received, array &$found): ReceivedMessage
    {
        $text = function (string $written) use (&$found): string {
            return $this->text(mb_scrub($written, 'UTF-8'), $found);
        };
        $textOrNone = static fn (?string $written): ?string => $written === null ? null : $text($written);
        $fields = [];
        foreach ($received->fields as $name => $value) {
            $fields[$name] = $text($value);
        }
        $item = $received->item;
        $files = [];
        foreach ($received->attachments as $file) {
            $files[] = $this->file($file, $found);
        }

        return $received->replacing([
            'sender' => SenderHandle::of(
                $received->sender->kind, $received->sender->value, $received->sender->shown, $text($received->sender->name)
            ),
            'subject' => $text($received->subject),
            'text' => $text($received->text),
            'marks' => array_map($text, $received->marks),
            'fields' => $fields,
            'attachments' => $files,
            'item' => $item?->replacing([
                'aboutTitle' => $textOrNone($item->aboutTitle), 'aboutUrl' => $textOrNone($item->aboutUrl),
                'orderNumber' => $textOrNone($item->orderNumber),
            ]),
        ]);
    }

    /**
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    public function text(string $text, array &$found): string
    {
        // Without masks of its own the core does all of it, and a million finds are not held twice.
        if ($this->masks() !== []) {
            return Places::replace($text, $this->places($text, $found));
        }
        if (preg_match('/\p{Nd}/u', $text) !== 1) {
            return $text;
        }
        $redacted = Redaction::of(SecretKind::Card, SecretKind::Iban)->widely()->redact($text);
        self::note($redacted->found, $found);

        return $redacted->text;
    }

    /**
     * @param  list<array{kind: string, last4: string}>  $found  added to
     * @return list<array{int, int, string}> where something is to be replaced, in order: begin and length in bytes, and by what
     */
    private function places(string $text, array &$found): array
    {
        if (preg_match('/\p{Nd}/u', $text) !== 1) {
            return [];
        }
        $places = [];
        $secrets = Redaction::of(SecretKind::Card, SecretKind::Iban)->widely()->redact($text)->found;
        foreach ($secrets as $secret) {
            $places[$secret->start] = [$secret->start, $secret->length, $secret->kind->mark($secret->last4)];
        }
        self::note($secrets, $found);
        $text = Places::blot($text, $secrets, '|');
        foreach (PatternRedaction::of($this->masks())->find($text) as $own) {
            $places[$own['start']] = [$own['start'], $own['length'], PatternRedaction::mark($own)];
            $found[] = ['kind' => $own['name'], 'last4' => $own['last4']];
        }
        ksort($places);

        return array_values($places);
    }

    /**
     * @return array<string, string> masks by the word that is put in their place
     */
    private function masks(): array
    {
        $masks = $this->settings->get(self::PATTERNS, []);

        return is_array($masks) ? $masks : [];
    }

    /**
     * Each number once, however often it is there.
     *
     * @param  list<FoundSecret>  $secrets
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    private static function note(array $secrets, array &$found): void
    {
        $seen = [];
        foreach ($secrets as $secret) {
            $key = "{$secret->kind->value} {$secret->last4}";
            if (! isset($seen[$key])) {
                $seen[$key] = true;
                $found[] = ['kind' => $secret->kind->value, 'last4' => $secret->last4];
            }
        }
    }

    /**
     * A text of which nobody needs to be told what was taken out.
     */
    public function plain(string $text): string
    {
        $found = [];

        return $this->text(mb_scrub($text, 'UTF-8'), $found);
    }

    /**
     * What came as data, in every text of it.
     */
    public function data(mixed $data): mixed
    {
        return match (true) {
            is_string($data) => $this->plain($data),
            is_array($data) => array_map($this->data(...), $data),
            default => $data,
        };
    }

    /**
     * HTML that is cleaned already, as the text that is read in it, also where a number is spread over several elements. Where one
     * stands in an attribute it cannot be taken out: then there is no HTML, and the plain text is shown.
     *
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    public function html(string $html, array &$found): ?string
    {
        if (preg_match('/\p{Nd}/u', html_entity_decode($html, ENT_QUOTES | ENT_HTML5, 'UTF-8')) !== 1) {
            return $html;
        }
        $text = HtmlAsText::of($html);
        $places = $this->places($text->text(), $found);
        $text->replace($places);
        $left = [];
        // All at once, with a sign between that no number goes across.
        $this->text(implode("\n|\n", $text->attributes()), $left);
        array_push($found, ...$left);

        return match (true) {
            $left !== [] => null,
            $places === [] => $html,
            default => $text->html(),
        };
    }

    /**
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    private function file(ReceivedAttachment $file, array &$found): ReceivedAttachment
    {
        $inName = $inFile = [];
        $name = $this->text(mb_scrub($file->name, 'UTF-8'), $inName);
        $bytes = match (true) {
            $file->mediaType === 'message/rfc822' => $this->attachedMail($file->bytes, $inFile),
            self::isText($file->mediaType) => $this->raw($file->bytes, $inFile),
            default => $file->bytes,
        };
        array_push($found, ...$inName, ...$inFile);

        return $inName === [] && $inFile === [] ? $file : new ReceivedAttachment(
            $name, $bytes === $file->bytes || $file->mediaType !== 'message/rfc822' ? $file->mediaType : 'text/plain', $bytes,
            $file->contentId, $file->inline
        );
    }

    private static function isText(string $mediaType): bool
    {
        return str_starts_with($mediaType, 'text/') || in_array($mediaType, ['application/json', 'application/xml'], true);
    }

    /**
     * Bytes that are text, or may be, in whatever encoding.
     *
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    public function raw(string $bytes, array &$found): string
    {
        // What is no UTF-8 is read byte by byte: the numbers of ASCII are the same in it.
        if (mb_check_encoding($bytes, 'UTF-8')) {
            return $this->text($bytes, $found);
        }
        $before = count($found);
        $read = $this->text(mb_convert_encoding($bytes, 'UTF-8', 'ISO-8859-1'), $found);

        return count($found) === $before ? $bytes : mb_convert_encoding(str_replace('…', '...', $read), 'ISO-8859-1', 'UTF-8');
    }

    /**
     * A mail inside a mail may hold a number in any encoding. Where it does, what is kept is what can be read of it. Mails within that
     * one are looked at as they are written.
     *
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    private function attachedMail(string $raw, array &$found): string
    {
        $before = count($found);
        $asWritten = $this->raw($raw, $found);
        if (strlen($raw) > self::LONGEST_READ) {
            return $asWritten;
        }
        try {
            $mail = (new MailParser)->parse($raw);
        } catch (UnreadableMailException) {
            return $asWritten;
        }
        $mail = $this->message($mail->replacing(['attachments' => []]), $found);
        $html = $mail->html === null ? '' : HtmlAsText::of($mail->html)->text();
        $this->text($html, $found);

        return count($found) === $before
            ? $raw
            : "From: {$mail->sender->name} <{$mail->sender->shown}>\nSubject: {$mail->subject}\n\n{$mail->text}";
    }
}
