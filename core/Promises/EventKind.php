<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

/**
 * What can happen in a conversation that promises look at.
 */
enum EventKind: string
{
    case CustomerMessage = 'customer_message';
    case TeammateReply = 'teammate_reply';

    /** Sent by a rule: starts and stops nothing. */
    case AutoReply = 'auto_reply';

    /** Starts and stops nothing. */
    case Note = 'note';
    case Status = 'status';
    case Priority = 'priority';
}
