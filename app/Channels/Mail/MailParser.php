<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Channel;
use App\Channels\ReceivedMessage;
use ZBateson\MailMimeParser\Message;

/**
 * Reads a raw message (RFC 5322, MIME) into what all channels share.
 */
final class MailParser
{
    /**
     * @throws UnreadableMailException when there is nothing in it to read
     */
    public function parse(string $raw): ReceivedMessage
    {
        if (trim($raw) === '') {
            throw UnreadableMailException::empty();
        }
        [$limited, $limitMarks] = MailLimits::apply($raw);
        [$mended, $headerMarks] = HeaderRepair::mend($limited);
        $message = Message::from($mended, true);
        $headers = MailHeaders::of($message);
        $body = MailBody::of($message);
        $contentType = (string) $message->getContentType();
        $to = $headers->addresses('To');
        $reached = $this->reached($headers);
        $returned = AddressDetails::messageOf($reached);
        $inReplyTo = $headers->ids('In-Reply-To');
        $messageId = $headers->ids('Message-ID')[0] ?? '';

        return new ReceivedMessage(
            channel: Channel::Email,
            onceKey: $this->onceKey($messageId, $headers, $raw),
            sender: $headers->sender(),
            messageId: $messageId,
            inReplyTo: $inReplyTo[0] ?? null,
            references: array_values(array_unique([...$headers->ids('References'), ...$inReplyTo])),
            replyTokenNumber: AddressDetails::conversationOf($reached),
            to: $to,
            cc: $headers->addresses('Cc'),
            replyTo: $headers->addresses('Reply-To')[0] ?? null,
            subject: $headers->subject(),
            text: $body->text(),
            html: $body->html(),
            automatic: AutomaticMail::isAutomatic($headers, $contentType),
            automaticAnswer: AutomaticMail::isAnswer($headers, $contentType),
            marks: array_values(array_unique([...$limitMarks, ...$headerMarks, ...$body->marks()])),
            attachments: $body->attachments(),
            sentAt: $headers->date(),
            raw: $raw,
            bounce: BounceReader::read($message, $headers)?->about($returned),
            returned: $returned,
            trace: $headers->trace(),
        );
    }

    /**
     * The same message that comes by two ways differs in its trace fields and line ends only. Its
     * id alone is not enough: some programs give every message the same.
     */
    private function onceKey(string $messageId, MailHeaders $headers, string $raw): string
    {
        $body = preg_split('/\r?\n\r?\n/', $raw, 2)[1] ?? '';

        return hash('sha256', implode("\0", [
            'mail', $messageId, $headers->sender()->value, $headers->raw('Date'), $headers->subject(),
            hash('sha256', rtrim(str_replace("\r\n", "\n", $body))),
        ]));
    }

    /**
     * The addresses that it came to, as far as it says.
     *
     * @return list<string>
     */
    private function reached(MailHeaders $headers): array
    {
        $reached = [];
        foreach (['To', 'Cc', 'Delivered-To', 'X-Original-To', 'Envelope-To'] as $name) {
            array_push($reached, ...($headers->addresses($name) ?: [$headers->raw($name)]));
        }

        return $reached;
    }
}
