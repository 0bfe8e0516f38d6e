<?php

declare(strict_types=1);

namespace App\Rules;

use Cairnfield\Core\Rules\Way;

/**
 * A rule as it leaves its form.
 */
final readonly class RuleToSave
{
    /**
     * @param  list<RuleEvent>  $events
     * @param  array<string, mixed>  $condition
     * @param  list<RuleAction>  $actions
     * @param  int|null  $seen  the version that the form showed; null where nobody looked at one
     * @param  TimeTrigger|null  $clock  in place of events, where it runs with time
     */
    public function __construct(
        public string $name,
        public Way $way,
        public array $events,
        public array $condition,
        public array $actions,
        public string $notes,
        public ChangedBy $changedBy,
        public ?TimeTrigger $clock = null,
        public ?int $seen = null,
    ) {}
}
