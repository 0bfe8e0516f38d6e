<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Bounce;
use ZBateson\MailMimeParser\IMessage;
use ZBateson\MailMimeParser\Message\IMessagePart;

/**
 * Reads reports of mail systems that a message could not be handed over: in their standard form (RFC 3464, within
 * multipart/report, RFC 6522), and as the common programs write them otherwise.
 */
final class BounceReader
{
    /** Of a part, in bytes: what is said stands at its beginning. */
    private const LOOKED_AT = 65_536;

    private const MOST_IDS = 20;

    /** The kinds of parts in which a message comes back, or its header alone. */
    private const RETURNED = ['message/rfc822', 'text/rfc822-headers', 'message/global-headers', 'message/global'];

    private const SUBJECTS = '/undeliver|delivery (?:status|failure|problem|delay)|returned mail|failure notice|mail delivery'
        .'|could not be delivered|non remis|nicht zugestellt|unzustellbar|ikke (?:leveret|afleveres)|kunne ikke leveres/iu';

    private const TRIES_ON = '/\bdelay|will (?:be retried|keep trying)|still trying|warning/i';

    /** What the most common of the enhanced status codes mean (RFC 3463), the longest first. */
    private const MEANINGS = [
        '5.1.1' => 'there is no such mailbox', '5.1.2' => 'there is no such mail server', '5.1.10' => 'that domain takes no mail',
        '5.2.1' => 'the mailbox is closed', '5.2.2' => 'the mailbox is full', '5.2.3' => 'the message is too large for it',
        '5.3.4' => 'the message is too large for it', '5.4' => 'the mail server cannot be reached',
        '5.7' => 'the message is not wanted there',
        '4.2.2' => 'the mailbox is full', '4.4' => 'the mail server cannot be reached', '4.7' => 'the message is not let through for now',
        '5.' => 'it was refused', '4.' => 'it is not taken for now',
    ];

    public static function read(IMessage $message, MailHeaders $headers): ?Bounce
    {
        // Nearly all mail is none: its parts are not gone through for it.
        if (! AutomaticMail::isReport($headers, (string) $message->getContentType())) {
            return null;
        }
        $statuses = [];
        $texts = [];
        $returned = [];
        foreach ($message->getAllParts() as $part) {
            $type = strtolower((string) $part->getContentType());
            match (true) {
                str_ends_with($type, '/delivery-status') => $statuses[] = self::beginning($part),
                in_array($type, self::RETURNED, true) => $returned[] = self::beginning($part),
                $type === 'text/plain' => $texts[] = self::beginning($part),
                default => null,
            };
        }
        $text = implode("\n", $texts);
        $saysSo = preg_match(self::SUBJECTS, $headers->subject()) === 1 || $headers->has('X-Failed-Recipients');
        if ($statuses === [] && ! $saysSo) {
            return null;
        }
        $ids = [...self::idsIn(implode("\n", [...$returned, $text])), ...$headers->ids('In-Reply-To'), ...$headers->ids('References')];

        return $statuses !== []
            ? self::ofStatus(implode("\n\n", $statuses), $ids)
            : self::ofText($text, self::addressesIn($headers->raw('X-Failed-Recipients')), $ids, $headers->subject());
    }

    /**
     * @param  list<string>  $ids
     */
    private static function ofStatus(string $status, array $ids): ?Bounce
    {
        $addresses = [];
        $why = '';
        $isFinal = $isDelayed = false;
        foreach (preg_split('/\n[ \t]*\n/', str_replace("\r", '', $status)) ?: [] as $block) {
            $action = strtolower(self::field($block, 'Action'));
            if ($action !== 'failed' && $action !== 'delayed') {
                continue;
            }
            $isFinal = $isFinal || $action === 'failed';
            $isDelayed = true;
            foreach (['Original-Recipient', 'Final-Recipient'] as $name) {
                // The kind of address stands before it.
                $address = trim((string) preg_replace('/^[^;]*;/', '', self::field($block, $name)), " \t<>");
                $address === '' ?: $addresses[] = $address;
            }
            $why = $why !== '' ? $why : self::why(
                self::field($block, 'Status'),
                (string) preg_replace('/^\s*(?:smtp|x-[\w-]+)\s*;\s*/i', '', self::field($block, 'Diagnostic-Code'))
            );
        }

        return $isDelayed ? new Bounce(array_slice($ids, 0, self::MOST_IDS), array_values(array_unique($addresses)), $isFinal, $why) : null;
    }

    /**
     * @param  list<string>  $addresses  as a field of the header names them
     * @param  list<string>  $ids
     */
    private static function ofText(string $text, array $addresses, array $ids, string $subject): Bounce
    {
        // What follows is the message that came back, which says nothing of why.
        $said = preg_split('/^.*(?:original message|copy of (?:the|your) message|below this line).*$/mi', $text, 2)[0] ?? $text;
        preg_match('/\b([45]\.\d{1,3}\.\d{1,3})\b/', $said, $status);
        preg_match('/^[^\n]*?\b([45]\d\d[ -][^\n]*(?:\n[ \t]+[^\n]*){0,4})/m', $said, $line);
        $isFinal = ! str_starts_with($status[1] ?? '', '4') && preg_match(self::TRIES_ON, "{$subject}\n{$said}") !== 1;

        return new Bounce(
            array_slice($ids, 0, self::MOST_IDS), $addresses === [] ? self::addressesIn($said) : $addresses, $isFinal,
            self::why($status[1] ?? '', $line[1] ?? '')
        );
    }

    /**
     * What it means, and what the other side said.
     */
    private static function why(string $status, string $said): string
    {
        $meaning = 'it could not be delivered';
        foreach (self::MEANINGS as $begins => $means) {
            // 5.1.1 is not the beginning of 5.1.10.
            if (str_starts_with("{$status}.", rtrim($begins, '.').'.')) {
                $meaning = $means;
                break;
            }
        }
        $said = mb_substr(trim((string) preg_replace('/\s+/u', ' ', mb_scrub($said, 'UTF-8'))), 0, 300);

        return $said === '' ? $meaning : "{$meaning}, “{$said}”";
    }

    private static function beginning(IMessagePart $part): string
    {
        return (string) $part->getBinaryContentStream()?->read(self::LOOKED_AT);
    }

    private static function field(string $block, string $name): string
    {
        return preg_match("/^{$name}[ \t]*:[ \t]*([^\n]*(?:\n[ \t]+[^\n]*)*)/mi", $block, $field) === 1
            ? trim((string) preg_replace('/\s+/', ' ', $field[1]))
            : '';
    }

    /**
     * @return list<string>
     */
    private static function idsIn(string $text): array
    {
        preg_match_all('/^[> \t]*Message-ID[ \t]*:\s*<([^<>\s]{3,990})>/mi', $text, $ids);

        return array_values(array_unique($ids[1]));
    }

    /**
     * @return list<string>
     */
    private static function addressesIn(string $text): array
    {
        preg_match_all('/[^\s<>()",;:@]{1,64}@[^\s<>()",;:@]{1,255}/u', mb_scrub($text, 'UTF-8'), $found);

        return array_slice(array_values(array_unique(array_map(static fn (string $one): string => trim($one, '.'), $found[0]))), 0, 50);
    }
}
