<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\SenderHandle;
use DateTimeImmutable;
use DateTimeZone;
use ZBateson\MailMimeParser\Header\AddressHeader;
use ZBateson\MailMimeParser\Header\DateHeader;
use ZBateson\MailMimeParser\IMessage;

/**
 * The header fields that matter here, decoded (RFC 5322, RFC 2047).
 */
final readonly class MailHeaders
{
    private const LONGEST_TRACE = 8_000;

    private const MOST_TRACES = 100;

    private function __construct(private IMessage $message) {}

    public static function of(IMessage $message): self
    {
        return new self($message);
    }

    /**
     * Who wrote it: From, else Reply-To, Sender or Return-Path, since somebody may be waiting all the same.
     */
    public function sender(): SenderHandle
    {
        foreach (['From', 'Reply-To', 'Sender', 'Return-Path'] as $name) {
            foreach ($this->people($name) as [$address, $person]) {
                if (str_contains($address, '@')) {
                    return SenderHandle::email($address, $person);
                }
            }
        }
        // No address at all: the text that stands there is at least a name.
        $text = (string) @iconv_mime_decode($this->raw('From'), ICONV_MIME_DECODE_CONTINUE_ON_ERROR, 'UTF-8');

        return SenderHandle::email('', mb_substr(trim(self::oneLine($text), ' "<>'), 0, 200));
    }

    /**
     * @return list<string>
     */
    public function addresses(string $name): array
    {
        return array_values(array_filter(
            array_map(static fn (array $person): string => $person[0], $this->people($name)),
            static fn (string $address): bool => $address !== '',
        ));
    }

    /**
     * What servers wrote on its way, the uppermost first (RFC 5321, 4.4; RFC 8601).
     *
     * @return list<array{string, string}> name and value
     */
    public function trace(): array
    {
        $trace = [];
        foreach ($this->message->getRawHeaders() as [$name, $value]) {
            if (in_array(strtolower($name), ['authentication-results', 'received'], true)) {
                $trace[] = [$name, mb_strcut((string) $value, 0, self::LONGEST_TRACE)];
            }
            if (count($trace) === self::MOST_TRACES) {
                break;
            }
        }

        return $trace;
    }

    public function subject(): string
    {
        return self::oneLine((string) $this->message->getHeaderValue('Subject', ''));
    }

    /**
     * Message ids without angle brackets, in their order.
     *
     * @return list<string>
     */
    public function ids(string $name): array
    {
        $raw = $this->raw($name);
        if (preg_match_all('/<([^<>]+)>/', $raw, $matches) > 0) {
            $ids = array_map(static fn (string $id): string => (string) preg_replace('/\s+/', '', $id), $matches[1]);
        } else {
            // Some programs leave the brackets out.
            $ids = array_filter(preg_split('/\s+/', trim($raw)) ?: [], static fn (string $id): bool => str_contains($id, '@'));
        }

        return array_values(array_unique(array_map(static fn (string $id): string => mb_strcut($id, 0, 990), $ids)));
    }

    /**
     * What the message says of its own date; null where that cannot be read.
     */
    public function date(): ?DateTimeImmutable
    {
        $header = $this->message->getHeader('Date');
        $date = $header instanceof DateHeader ? $header->getDateTimeImmutable() : null;
        // The database keeps years of four digits; anything beyond is a broken clock.
        if ($date === null || $date->format('Y') < '1970' || strlen($date->format('Y')) > 4) {
            return null;
        }

        return $date->setTimezone(new DateTimeZone('UTC'));
    }

    public function raw(string $name): string
    {
        return trim((string) $this->message->getHeader($name)?->getRawValue());
    }

    public function has(string $name): bool
    {
        return $this->message->getHeader($name) !== null;
    }

    /**
     * @return list<array{string, string}> address and name
     */
    private function people(string $name): array
    {
        $people = [];
        foreach ($this->message->getAllHeadersByName($name) as $header) {
            if ($header instanceof AddressHeader) {
                foreach ($header->getAddresses() as $address) {
                    $people[] = [
                        mb_substr(self::oneLine((string) $address->getEmail()), 0, 320),
                        mb_substr(self::oneLine((string) $address->getName()), 0, 200),
                    ];
                }
            }
        }

        return $people;
    }

    private static function oneLine(string $text): string
    {
        $text = mb_scrub($text, 'UTF-8');

        return trim((string) preg_replace('/[\s\x{0}-\x{1F}\x{7F}]+/u', ' ', $text));
    }
}
