<?php

declare(strict_types=1);

namespace App\Bulk;

/**
 * What can be done with many conversations at once.
 */
enum BulkAction: string
{
    case Owner = 'owner';
    case Team = 'team';
    case Category = 'category';
    case Priority = 'priority';
    case Tag = 'tag';
    case Untag = 'untag';
    case Field = 'field';
    case Resolve = 'resolve';
    case Junk = 'junk';
    case Answer = 'answer';
    case Template = 'template';

    /**
     * Whether only those may do it who write to customers.
     */
    public function isForThoseWhoAnswer(): bool
    {
        return $this === self::Resolve || $this === self::Junk || $this->answers();
    }

    /**
     * Whether customers get a message by it.
     */
    public function answers(): bool
    {
        return $this === self::Answer || $this === self::Template;
    }
}
