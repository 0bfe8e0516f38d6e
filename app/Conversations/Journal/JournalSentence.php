<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

use App\Support\LocalTime;

/**
 * A journal entry as a sentence: who did what, and why.
 */
final readonly class JournalSentence
{
    public function __construct(private LocalTime $time) {}

    public function of(JournalEntry $entry): string
    {
        $rule = $entry->cause()?->asRule()?->name;

        return $this->said($entry, $entry->teammate->name ?? ($rule === null ? null : "the rule “{$rule}”"), $rule);
    }

    /**
     * What happened together: what one rule did is told in one sentence, that names it once.
     *
     * @param  list<JournalEntry>  $entries  in the order in which they happened
     * @return list<array{JournalEntry, string}> each with the entry that it begins with
     */
    public function together(array $entries): array
    {
        $told = [];
        $rule = null;
        foreach ($entries as $entry) {
            $cause = $entry->cause()?->asRule();
            $isOfSame = $rule !== null && $cause !== null && [$cause->id, $cause->depth] === [$rule->id, $rule->depth];
            if ($isOfSame && $entry->kind !== JournalKind::RuleRan) {
                $told[count($told) - 1][2][] = lcfirst($this->said($entry, $entry->teammate?->name, $cause->name));

                continue;
            }
            $rule = $cause;
            $told[] = [$entry, $this->of($entry), []];
        }

        return array_map(static fn (array $one): array => [
            $one[0], implode($one[0]->kind === JournalKind::RuleRan ? ': ' : ', ', array_filter([$one[1], implode(', ', $one[2])])),
        ], $told);
    }

    private function said(JournalEntry $entry, ?string $who, ?string $rule): string
    {
        $payload = $entry->payload();
        $sentence = $payload->sentence(new Told($who, $rule, $entry->why, $this->time));

        return $entry->why === '' || $payload->saysWhy() ? $sentence : "{$sentence} ({$entry->why})";
    }
}
