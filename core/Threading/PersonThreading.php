<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

use DateInterval;

/**
 * Decides which conversation an item without a subject belongs to, among those that the same person
 * has on the same account.
 *
 * An answer to something of ours in a thread goes where that thread is, however late. Else what
 * the person last wrote decides: within the interval that the account sets the item joins, after
 * it a new conversation begins that links back. A closed one is over: it is linked to, never joined.
 */
final class PersonThreading
{
    public static function decide(PersonHints $hints, PersonCandidate ...$candidates): ThreadingDecision
    {
        $sameThread = array_values(array_filter(
            $candidates,
            static fn (PersonCandidate $candidate): bool => $hints->thread !== null && in_array($hints->thread, $candidate->threads, true),
        ));
        $found = self::newest($sameThread) ?? self::newest(array_values($candidates));
        if ($found === null) {
            return ThreadingDecision::beginsNew();
        }
        $isSameThread = $sameThread !== [];
        $isRecent = $found->lastMessageAt->add(new DateInterval("PT{$hints->joinWithin}S")) >= $hints->receivedAt;
        $joins = ($isSameThread && $hints->answersOurs) || ($hints->joinWithin > 0 && $isRecent);
        $by = $isSameThread ? ThreadedBy::SameThread : ThreadedBy::SamePerson;

        return $joins && ! $found->closed
            ? ThreadingDecision::continues($found->number, $by)
            : ThreadingDecision::beginsNewLinkedTo($found->number, $by);
    }

    /**
     * One that is not closed before one that is, then the one last written in, then the highest number.
     *
     * @param  list<PersonCandidate>  $candidates
     */
    private static function newest(array $candidates): ?PersonCandidate
    {
        usort(
            $candidates,
            static fn (PersonCandidate $a, PersonCandidate $b): int => [
                $a->closed, $b->lastMessageAt, $b->number,
            ] <=> [$b->closed, $a->lastMessageAt, $a->number]
        );

        return $candidates[0] ?? null;
    }
}
