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
     * @param  string|null  $raw  the item byte for byte, to be kept where nothing had to be taken out of it
     * @param  OutsideItem|null  $item  where it stands at its source; null for mail
     * @param  int|null  $categoryId  the category that the customer has chosen
     * @param  list<string>  $junkReasons  what the channel itself takes for a sign of junk
     * @param  array<string, string>  $fields  what was written, by the name of a field that the store has made itself
     * @param  bool  $wantsReceipt  whether they are to be told the number that it got
     * @param  Bounce|null  $bounce  what it says of a message of ours, where a mail system wrote it
     * @param  int|null  $returned  the number of the message of ours that it came back for, signed
     * @param  list<array{string, string}>  $trace  of a mail, what servers wrote on top of it: name and value, the uppermost first
     * @param  WishedReturn|null  $wishedReturn  what the customer wants to send back
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
        public ?string $raw = null,
        public ?OutsideItem $item = null,
        public ?int $categoryId = null,
        public array $junkReasons = [],
        public array $fields = [],
        public bool $wantsReceipt = false,
        public ?Bounce $bounce = null,
        public ?int $returned = null,
        public array $trace = [],
        public ?WishedReturn $wishedReturn = null,
    ) {}

    /**
     * An item of a network, a marketplace, a form or a call: no addresses, no references.
     *
     * @param  list<ReceivedAttachment>  $attachments
     * @param  list<string>  $marks
     * @param  list<string>  $junkReasons
     * @param  array<string, string>  $fields
     */
    public static function item(
        Channel $channel,
        SenderHandle $sender,
        OutsideItem $item,
        string $subject,
        string $text,
        ?DateTimeImmutable $sentAt,
        array $attachments = [],
        ?string $replyTo = null,
        ?int $categoryId = null,
        array $marks = [],
        array $junkReasons = [],
        array $fields = [],
        bool $wantsReceipt = false,
        ?WishedReturn $wishedReturn = null,
    ): self {
        return new self(
            $channel, self::onceKey($channel, $item->outsideId), $sender, $item->outsideId, null, [], null, [], [], $replyTo,
            $subject, $text, null, false, false, $marks, $attachments, $sentAt, null, $item, $categoryId, $junkReasons,
            $fields, $wantsReceipt, wishedReturn: $wishedReturn,
        );
    }

    /**
     * The same with other values.
     *
     * @param  array<string, mixed>  $values  by the name of what they replace
     */
    public function replacing(array $values): self
    {
        return new self(...[...get_object_vars($this), ...$values]);
    }

    /**
     * The same with more that came to be said of it, and more files.
     *
     * @param  list<string>  $marks
     * @param  list<ReceivedAttachment>  $attachments
     */
    public function with(array $marks, array $attachments): self
    {
        return new self(...[
            ...get_object_vars($this), 'marks' => [...$this->marks, ...$marks], 'attachments' => [...$this->attachments, ...$attachments],
        ]);
    }

    /**
     * One item of a source has one key, whoever brings it and however often.
     */
    public static function onceKey(Channel $channel, string $outsideId): string
    {
        return hash('sha256', "{$channel->value}\0{$outsideId}");
    }
}
