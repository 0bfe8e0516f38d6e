<?php

declare(strict_types=1);

namespace App\Rules;

use Cairnfield\Core\Rules\Plan;
use Cairnfield\Core\Text\Folding;
use Illuminate\Support\Facades\DB;

/**
 * What other rules have done to the same conversations in the last days, from their runs: which, and where that is
 * not what this rule wants. For rules that run with time, which meet the others at no one moment.
 */
final class OtherRuns
{
    /** @var array<int, array<string, list<string>>> what was done in words, by conversation and rule */
    private array $done = [];

    /** @var array<string, array{string, string, int}> the other rule, over what, and how often */
    private array $fights = [];

    public function __construct(private readonly Rule $rule, private readonly int $days) {}

    /**
     * @param  list<int>  $conversations
     */
    public function lookAt(array $conversations): void
    {
        $runs = $conversations === [] ? [] : DB::table('rule_runs')->join('rules', 'rules.id', '=', 'rule_runs.rule_id')
            ->whereIn('rule_runs.conversation_id', $conversations)->where('rule_runs.rule_id', '!=', (int) $this->rule->id)
            ->where('rule_runs.state', RuleRun::DONE)->where('rule_runs.at', '>=', now()->subDays($this->days))
            ->orderBy('rule_runs.id')->get(['rule_runs.conversation_id', 'rule_runs.actions', 'rule_runs.done', 'rules.name']);
        foreach ($runs as $run) {
            $this->done[(int) $run->conversation_id][(string) $run->name] = array_values(
                array_map(strval(...), (array) json_decode((string) $run->done, true))
            );
            foreach ((array) json_decode((string) $run->actions, true) as $action) {
                is_array($action) && $this->compare((string) $run->name, $action);
            }
        }
    }

    /**
     * @return list<string> each rule with what it did
     */
    public function in(int $conversation): array
    {
        return array_map(
            static fn (string $name, array $done): string => $done === [] ? $name : "{$name}: ".implode(', ', $done),
            array_keys($this->done[$conversation] ?? []), $this->done[$conversation] ?? []
        );
    }

    /**
     * @return list<RuleConflict>
     */
    public function fights(): array
    {
        return array_values(array_map(static fn (array $fight): RuleConflict => RuleConflict::overTime(...$fight), $this->fights));
    }

    /**
     * @param  array<string, mixed>  $other
     */
    private function compare(string $name, array $other): void
    {
        foreach ($this->rule->actions as $own) {
            $over = match (true) {
                $own['do'] === $other['do']
                    && Plan::setsOneValue($own['do'])
                    && ($own['value'] ?? '') !== ($other['value'] ?? '') => app(ActionCatalogue::class)->phrase($own['do']),
                self::isUndone($own, $other) => '“'.($own['text'] ?? '').'”, a tag that one gives and the other takes away',
                default => null,
            };
            if ($over !== null) {
                $this->fights["{$name}-{$over}"] = [$name, $over, ($this->fights["{$name}-{$over}"][2] ?? 0) + 1];
            }
        }
    }

    /**
     * Whether one gives a tag that the other takes away.
     *
     * @param  array<string, mixed>  $own
     * @param  array<string, mixed>  $other
     */
    public static function isUndone(array $own, array $other): bool
    {
        $opposite = ['add_tag' => 'remove_tag', 'remove_tag' => 'add_tag'];

        return ($opposite[$own['do']] ?? null) === $other['do']
            && Folding::fold((string) ($own['text'] ?? '')) === Folding::fold((string) ($other['text'] ?? ''));
    }
}
