<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * What a message was put into its conversation by, the surest first.
 */
enum ThreadedBy: string
{
    case References = 'references';
    case ReplyToken = 'reply_token';
    case NumberInSubject = 'number_in_subject';
    case SenderAndSubject = 'sender_and_subject';
}
