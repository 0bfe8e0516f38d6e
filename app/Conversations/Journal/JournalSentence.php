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
        $who = $entry->teammate->name ?? ($rule === null ? null : "the rule “{$rule}”");
        $payload = $entry->payload();
        $sentence = $payload->sentence(new Told($who, $rule, $entry->why, $this->time));

        return $entry->why === '' || $payload->saysWhy() ? $sentence : "{$sentence} ({$entry->why})";
    }
}
