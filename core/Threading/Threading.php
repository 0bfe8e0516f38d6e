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
 * A number in a subject can be typed by anybody. It puts a message into a conversation only when
 * its sender already takes part there; from a stranger it begins a new one that links to it, so
 * that nobody reads along or writes in between by guessing a number.
 */
final class Threading
{
    public const SAME_SUBJECT_DAYS = 14;

    private const IN_ORDER = [ThreadedBy::References, ThreadedBy::ReplyToken, ThreadedBy::NumberInSubject, ThreadedBy::SenderAndSubject];

    public static function decide(IncomingHints $hints, Candidate ...$candidates): ThreadingDecision
    {
        foreach (self::IN_ORDER as $by) {
            $found = self::newest(array_values(array_filter(
                $candidates,
                static fn (Candidate $candidate): bool => self::isFoundBy($by, $hints, $candidate),
            )));
            if ($found !== null) {
                return self::goOnIn($found, $by, $hints);
            }
        }

        return ThreadingDecision::beginsNew();
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

    private static function goOnIn(Candidate $found, ThreadedBy $by, IncomingHints $hints): ThreadingDecision
    {
        $stranger = $by === ThreadedBy::NumberInSubject && ! $found->hasParticipant($hints->sender);

        return $found->closed || $stranger
            ? ThreadingDecision::beginsNewLinkedTo($found->number, $by)
            : ThreadingDecision::continues($found->number, $by);
    }

    /**
     * Of several, one that is not closed before one that is, then the one last written in, then the highest number.
     *
     * @param  list<Candidate>  $candidates
     */
    private static function newest(array $candidates): ?Candidate
    {
        usort(
            $candidates,
            static fn (Candidate $a, Candidate $b): int => [
                $a->closed, $b->lastMessageAt, $b->number,
            ] <=> [$b->closed, $a->lastMessageAt, $a->number]
        );

        return $candidates[0] ?? null;
    }
}
