<?php

declare(strict_types=1);

namespace App\Channels;

use DateTimeInterface;

/**
 * A message on its way out, as its channel brings it.
 */
final readonly class OutgoingMessage
{
    /**
     * @param  ItemKind|null  $kind  what it is there, as what it answers was
     * @param  list<string>  $recipients  everybody whom it goes to, also those who are not named in it
     * @param  list<string>  $to
     * @param  list<string>  $cc
     * @param  string|null  $html  cleaned; null where it is made of the text
     * @param  string  $messageId  without angle brackets
     * @param  string|null  $inReplyTo  the channel’s own id of what it answers, for mail without angle brackets
     * @param  list<string>  $references  ids of earlier messages, without angle brackets
     * @param  string|null  $thread  the source’s id of what belongs together, where what it answers stood in one
     * @param  string  $onceKey  64 hexadecimal digits: tried twice, it is there once
     * @param  int  $conversation  its number, which a mail’s answer address carries
     * @param  int  $message  its own number, which the address carries that reports about a mail go to
     * @param  bool  $automatic  nothing automatic may answer it
     * @param  QuotedMessage|null  $answered  what it answers, to be quoted below it
     * @param  list<OutgoingFile>  $files
     */
    public function __construct(
        public Account $account,
        public ?ItemKind $kind,
        public array $recipients,
        public array $to,
        public array $cc,
        public string $fromName,
        public string $signature,
        public string $subject,
        public string $text,
        public ?string $html,
        public string $messageId,
        public ?string $inReplyTo,
        public array $references,
        public ?string $thread,
        public string $onceKey,
        public int $conversation,
        public int $message,
        public bool $automatic,
        public DateTimeInterface $at,
        public ?QuotedMessage $answered,
        public array $files,
    ) {}
}
