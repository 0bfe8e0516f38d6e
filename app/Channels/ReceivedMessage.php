<?php

declare(strict_types=1);

namespace App\Channels;

use DateTimeImmutable;

/**
 * What every channel turns an incoming item into. From here on all ways in are treated alike.
 */
final readonly class ReceivedMessage
{
    /**
     * @param  string  $onceKey  64 hexadecimal digits; two deliveries of one item have the same
     * @param  string  $messageId  the channel's own id, for mail without angle brackets; may be empty
     * @param  list<string>  $references  ids of earlier messages, without angle brackets
     * @param  int|null  $replyTokenNumber  the conversation number of a token whose signature was right
     * @param  list<string>  $to
     * @param  list<string>  $cc
     * @param  string|null  $replyTo  where an answer should go, where that is not the sender
     * @param  string  $text  UTF-8, lines ended by LF
     * @param  string|null  $html  as it came, not cleaned, in UTF-8
     * @param  bool  $automatic  nothing automatic may answer it
     * @param  bool  $automaticAnswer  written by a machine in answer to us, like an out-of-office note
     * @param  list<string>  $marks  what a reader should know, such as a charset that had to be guessed
     * @param  list<ReceivedAttachment>  $attachments
     * @param  DateTimeImmutable|null  $sentAt  what the item says of itself; not to be trusted
     */
    public function __construct(
        public Channel $channel,
        public string $onceKey,
        public SenderHandle $sender,
        public string $messageId,
        public ?string $inReplyTo,
        public array $references,
        public ?int $replyTokenNumber,
        public array $to,
        public array $cc,
        public ?string $replyTo,
        public string $subject,
        public string $text,
        public ?string $html,
        public bool $automatic,
        public bool $automaticAnswer,
        public array $marks,
        public array $attachments,
        public ?DateTimeImmutable $sentAt,
        public ?string $original = null,
        public ?int $originalSize = null,
    ) {}
}
