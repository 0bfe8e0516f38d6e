<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * What a message is at its source.
 */
enum ItemKind: string
{
    case Message = 'message';
    case Post = 'post';
    case Comment = 'comment';
    case Direct = 'direct';
    case Question = 'question';
    case OrderMessage = 'order_message';
    case ReturnRequest = 'return_request';
    case Rating = 'rating';
    case Form = 'form';
    case Call = 'call';

    /**
     * What somebody did who sent one, in the past tense.
     */
    public function did(): string
    {
        return match ($this) {
            self::Message => 'wrote',
            self::Post => 'posted in public',
            self::Comment => 'commented in public',
            self::Direct => 'sent a direct message',
            self::Question => 'asked about a listing, in public',
            self::OrderMessage => 'wrote about the order',
            self::ReturnRequest => 'asked for a return',
            self::Rating => 'left a rating, in public',
            self::Form => 'filled in the form',
            self::Call => 'called or came by',
        };
    }

    /**
     * Kinds that may be parts of one matter. A post is answered by a direct message and the other way
     * round; a return request or a rating is a matter of its own.
     *
     * @return list<self>
     */
    public function goesOnWith(): array
    {
        return match ($this) {
            self::Post, self::Comment, self::Direct => [self::Post, self::Comment, self::Direct],
            default => [$this],
        };
    }

    /**
     * Public, but addressed to the seller, who is held to answer it.
     */
    public function isAlwaysAnswered(): bool
    {
        return $this === self::Question || $this === self::Rating;
    }
}
