<?php

declare(strict_types=1);

namespace App\Receiving;

use Cairnfield\Core\Threading\ThreadedBy;
use Cairnfield\Core\Threading\Threading;
use Cairnfield\Core\Threading\ThreadingDecision;

/**
 * What the trail says of where a message was put.
 */
final class ThreadingReason
{
    /**
     * Why a message goes on where it does; empty where it begins something.
     */
    public static function of(ThreadingDecision $decision): string
    {
        return $decision->continues === null ? '' : match ($decision->by) {
            ThreadedBy::References => 'it refers to an earlier message',
            ThreadedBy::ReplyToken => 'it was sent to the reply address of this conversation',
            ThreadedBy::NumberInSubject => 'its subject has this number',
            ThreadedBy::SenderAndSubject => 'same sender and subject within '.Threading::SAME_SUBJECT_DAYS.' days',
            ThreadedBy::SameThread => 'in the same thread',
            ThreadedBy::SamePerson => 'the same person a short while ago',
            null => '',
        };
    }

    /**
     * Why what it begins links to an earlier one; empty where it does not.
     */
    public static function ofLink(ThreadingDecision $decision): string
    {
        return match (true) {
            $decision->linksTo === null => '',
            $decision->by === ThreadedBy::NumberInSubject => 'its subject has that number; closed, or written by somebody who takes '
                .'no part in it',
            $decision->by === ThreadedBy::SamePerson => 'the same person, some time after it',
            $decision->by === ThreadedBy::SameThread => 'it goes on in a thread from some time ago',
            $decision->by === ThreadedBy::References && ! $decision->isClosed => 'it refers to a message of one in which they take no part',
            default => 'it answers a conversation that is closed',
        };
    }
}
