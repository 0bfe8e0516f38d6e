<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * What a message was put into its conversation by. The first four are for mail, the surest first,
 * the last two for items that come without a subject.
 */
enum ThreadedBy: string
{
    case References = 'references';
    case ReplyToken = 'reply_token';
    case NumberInSubject = 'number_in_subject';
    case SenderAndSubject = 'sender_and_subject';
    case SameThread = 'same_thread';
    case SamePerson = 'same_person';
}
