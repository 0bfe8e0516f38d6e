<?php

declare(strict_types=1);

namespace App\Promises;

use Cairnfield\Core\Promises\PromiseKind;

/**
 * What falls due in a conversation: what a promise set promises, what a marketplace wants, what a person has agreed.
 */
enum PromisedKind: string
{
    case FirstReply = 'first_reply';
    case NextReply = 'next_reply';
    case Update = 'update';
    case Resolve = 'resolve';

    /** Until when a marketplace wants an answer. */
    case Marketplace = 'marketplace';

    /** Agreed with the customer by hand. */
    case Agreed = 'agreed';

    public static function of(PromiseKind $kind): self
    {
        return self::from($kind->value);
    }

    /**
     * At the beginning of a sentence.
     */
    public function inFull(): string
    {
        return $this === self::Marketplace ? 'The marketplace’s deadline' : ucfirst($this->label());
    }

    public function label(): string
    {
        return match ($this) {
            self::FirstReply => 'first reply',
            self::NextReply => 'next reply',
            self::Update => 'update',
            self::Resolve => 'resolve',
            self::Marketplace => 'marketplace',
            self::Agreed => 'agreed time',
        };
    }
}
