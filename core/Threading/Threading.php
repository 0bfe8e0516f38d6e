<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

use DateInterval;

/**
 * Decides which conversation an incoming message belongs to.
 *
 * In this order, the first that finds one: References and In-Reply-To (RFC 5322, 3.6.4), the
 * signed token of our Reply-To address, the number in the subject, the same sender with the same
 * bare subject within 14 days of its last message. A closed conversation is over: a message to it
 * begins a new one that links back.
 *
 * A number in a subject can be typed by anybody, and a message id stands in mails that go on to
 * others. Either puts a message into a conversation only when its sender already takes part there;
 * from a stranger it begins a new one that links to it, so that nobody writes in between. A signed
 * token is taken for its word: it is in the hands of those we wrote to, and of whom they gave it.
 */
final class Threading
{
    public const SAME_SUBJECT_DAYS = 14;

    private const IN_ORDER = [ThreadedBy::References, ThreadedBy::ReplyToken, ThreadedBy::NumberInSubject, ThreadedBy::SenderAndSubject];

    public static function decide(IncomingHints $hints, Candidate ...$candidates): ThreadingDecision
    {
        $strange = null;
        foreach (self::IN_ORDER as $by) {
            $found = self::newest(array_values(array_filter(
                $candidates,
                static fn (Candidate $candidate): bool => self::isFoundBy($by, $hints, $candidate),
            )), $hints);
            if ($found === null) {
                continue;
            }
            if (self::mayGoOn($found, $by, $hints)) {
                return $found->closed
                    ? ThreadingDecision::beginsNewLinkedTo($found->number, $by, true)
                    : ThreadingDecision::continues($found->number, $by);
            }
            $strange ??= ThreadingDecision::beginsNewLinkedTo($found->number, $by, $found->closed);
        }

        return $strange ?? ThreadingDecision::beginsNew();
    }

    private static function mayGoOn(Candidate $found, ThreadedBy $by, IncomingHints $hints): bool
    {
        return ! in_array($by, [ThreadedBy::References, ThreadedBy::NumberInSubject], true) || $found->hasParticipant($hints->sender);
    }

    private static function isFoundBy(ThreadedBy $by, IncomingHints $hints, Candidate $candidate): bool
    {
        return match ($by) {
            ThreadedBy::References => array_intersect($hints->references, $candidate->messageIds) !== [],
            ThreadedBy::ReplyToken => $hints->tokenNumber === $candidate->number,
            ThreadedBy::NumberInSubject => $hints->subjectNumber === $candidate->number,
            ThreadedBy::SenderAndSubject => ! $hints->subject->isEmpty()
                && $candidate->subject->equals($hints->subject)
                && $candidate->hasParticipant($hints->sender)
                && $candidate->lastMessageAt->add(new DateInterval('P'.self::SAME_SUBJECT_DAYS.'D')) >= $hints->receivedAt,
            ThreadedBy::SameThread, ThreadedBy::SamePerson => false,
        };
    }

    /**
     * Of several, one in which the sender takes part before one in which not, one that is not closed before one that is, then the one
     * last written in, then the highest number.
     *
     * @param  list<Candidate>  $candidates
     */
    private static function newest(array $candidates, IncomingHints $hints): ?Candidate
    {
        usort(
            $candidates,
            static fn (Candidate $a, Candidate $b): int => [
                $b->hasParticipant($hints->sender), $a->closed, $b->lastMessageAt, $b->number,
            ] <=> [$a->hasParticipant($hints->sender), $b->closed, $a->lastMessageAt, $a->number]
        );

        return $candidates[0] ?? null;
    }
}
