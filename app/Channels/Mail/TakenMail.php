<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\ReceiptOutcome;
use App\Channels\ReceivedAttachment;
use App\Channels\ReceivedMessage;
use Cairnfield\Core\Threading\ConversationNumber;

/**
 * What became of a raw message: new, here before, written by ourselves to see whether it arrives, or unreadable.
 */
final readonly class TakenMail
{
    private function __construct(
        public string $result,
        public ?ReceiptOutcome $outcome,
        public ?ReceivedMessage $received,
        public ?string $reason,
    ) {}

    public static function taken(ReceiptOutcome $outcome, ReceivedMessage $received): self
    {
        return new self($outcome->isNew ? 'new' : 'again', $outcome, $received, null);
    }

    public static function own(ReceivedMessage $received): self
    {
        return new self('own', null, $received, null);
    }

    public static function unreadable(string $reason): self
    {
        return new self('unreadable', null, null, $reason);
    }

    /**
     * @return array<string, mixed> one line for programs: decoded values, ids without angle brackets
     */
    public function toArray(): array
    {
        return [
            'result' => $this->result,
            'conversation' => $this->outcome === null ? null : ConversationNumber::show($this->outcome->conversation),
            'message' => $this->outcome?->message,
            'subject' => $this->received?->subject,
            'from' => $this->received?->sender->shown,
            'to' => $this->received === null ? [] : $this->received->to,
            'message_id' => $this->received?->messageId === '' ? null : $this->received?->messageId,
            'in_reply_to' => $this->received?->inReplyTo,
            'automatic' => $this->received !== null && $this->received->automatic,
            'attachments' => array_map(static fn (ReceivedAttachment $attachment): array => [
                'name' => $attachment->name,
                'size' => $attachment->size,
                'sha256' => $attachment->sha256,
            ], $this->received === null ? [] : $this->received->attachments),
            'text' => $this->received?->text,
            ...($this->reason === null ? [] : ['reason' => $this->reason]),
        ];
    }

    public function toJson(): string
    {
        return json_encode(
            $this->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR
        );
    }
}
