<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Changes\ThingsInUse;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;

/**
 * A rule as a sentence: when, which, what.
 */
final readonly class RuleWords
{
    public function __construct(private RuleFields $fields, private ThingsInUse $things) {}

    /**
     * @return array{when: list<string>, which: list<string>, what: list<string>} in words
     */
    public function of(Rule $rule): array
    {
        return $this->ofContent([
            'events' => $rule->events, 'clock' => $rule->clock, 'condition' => $rule->condition, 'actions' => $rule->actions,
        ]);
    }

    /**
     * @param  array<string, mixed>  $content
     * @return array{when: list<string>, which: list<string>, what: list<string>} in words
     */
    public function ofContent(array $content): array
    {
        $what = [];
        foreach ($content['actions'] as $action) {
            try {
                $what[] = RuleAction::of($action, $this->things)->label;
            } catch (RuleRefused $why) {
                $what[] = $why->getMessage();
            }
        }
        try {
            $which = array_filter([
                $this->fields->inWords(
                    Condition::read(json_decode((string) json_encode($content['condition'], JSON_THROW_ON_ERROR)))->root
                ),
            ]);
        } catch (RulesRefused $why) {
            $which = [$why->getMessage()];
        }

        try {
            $clock = ($content['clock'] ?? null) === null ? null : TimeTrigger::of($content['clock'])->label();
        } catch (RuleRefused $why) {
            $clock = $why->getMessage();
        }

        return [
            'when' => $clock !== null
                ? [$clock]
                : array_map(static fn (string $event): string => RuleEvent::tryFrom($event)?->label() ?? $event, $content['events']),
            'which' => array_values($which), 'what' => $what,
        ];
    }
}
