<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Conversation;
use Carbon\CarbonImmutable;

/**
 * What a rule would have done in the last days.
 */
final readonly class TriedRule
{
    /**
     * @param  int  $looked  at how many things that happened
     * @param  bool  $isCut  whether more happened than was looked at
     * @param  int  $matched  in how many of them it would have acted
     * @param  list<array{conversation: Conversation, at: CarbonImmutable, because: list<string>, leftOut: list<string>,
     *   others: list<string>}>  $rows  the latest of these, with what of it would not have been done, and what other rules do there
     * @param  list<RuleConflict>  $fights
     * @param  list<string>  $circles  in words
     */
    public function __construct(
        public int $days,
        public int $looked,
        public bool $isCut,
        public int $matched,
        public array $rows,
        public array $fights,
        public array $circles,
    ) {}
}
