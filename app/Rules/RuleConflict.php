<?php

declare(strict_types=1);

namespace App\Rules;

/**
 * Two rules that want different things of the same conversations.
 */
final readonly class RuleConflict
{
    /**
     * @param  string  $with  the other rule's name
     * @param  string  $over  what both of them want to say
     * @param  string  $winner  which of them has its way
     * @param  int  $count  how often
     */
    public function __construct(public string $with, public string $over, public string $winner, public int $count) {}

    public static function overValue(string $with, string $do, bool $isWon, int $count): self
    {
        return new self($with, app(ActionCatalogue::class)->phrase($do), $isWon ? 'this rule' : 'the other, further down', $count);
    }

    public static function overTag(string $with, string $tag, int $count): self
    {
        return new self($with, "the tag “{$tag}”, which one gives and the other takes away", 'the one further down', $count);
    }

    /**
     * Between rules that do not run at the same moment.
     */
    public static function overTime(string $with, string $over, int $count): self
    {
        return new self($with, $over, 'whichever runs later', $count);
    }
}
