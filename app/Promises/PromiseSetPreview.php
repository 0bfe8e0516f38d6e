<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Conversation;

/**
 * What a promise set would change, before it is saved.
 */
final readonly class PromiseSetPreview
{
    /**
     * @param  int  $looked  conversations that were reckoned, those that fall due first
     * @param  int  $open  all that are open
     * @param  int  $fit  of those that were reckoned, what it would be for
     * @param  int  $changes  what would fall due at another time
     * @param  list<Conversation>  $missed  what would be missed by that
     */
    public function __construct(public int $looked, public int $open, public int $fit, public int $changes, public array $missed) {}
}
