<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\References;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\Need;
use App\Conversations\Changes\NeedsThings;
use App\Conversations\Changes\Reference;
use App\Sorting\Outcome;
use App\Team\Teammate;
use App\Templates\Template;
use Cairnfield\Core\Rules\RulesRefused;

/**
 * What the rules that are on need.
 */
final readonly class RulesNeed implements NeedsThings
{
    public function __construct(private ActionCatalogue $catalogue) {}

    public function needs(): iterable
    {
        foreach (Rule::inOrder()->where('on', true)->get() as $rule) {
            $sets = array_merge(...array_map($this->ofAction(...), $rule->actions), ...[[]]);
            yield new Need("the rule “{$rule->name}”", array_values($sets), self::asked($rule));
        }
    }

    /**
     * @param  array<string, string>  $action
     * @return list<Reference>
     */
    private function ofAction(array $action): array
    {
        $chosen = Chosen::of($action);
        $change = $this->catalogue->change($action['do']);

        return $change?->references($chosen) ?? match (ActionKind::tryFrom($action['do'])) {
            ActionKind::Answer, ActionKind::AskRating => [
                ...Reference::toNumber(Template::class, $chosen->value), ...Reference::toNumber(Teammate::class, $chosen->as),
                ...Reference::toNumber(Teammate::class, $action['instead'] ?? ''),
                ...Reference::toNumber(Outcome::class, explode(':', $action['then'] ?? '')[1] ?? ''),
            ],
            ActionKind::AskApproval, ActionKind::Tell, ActionKind::Task => Reference::toNumber(Teammate::class, $chosen->value),
            ActionKind::GiveBack, ActionKind::AskGiveBack => Reference::toNumber(Teammate::class, $chosen->as),
            ActionKind::CallHook => Reference::toNumber(Hook::class, $chosen->value),
            ActionKind::Note, ActionKind::Stop, null => [],
        };
    }

    /**
     * @return list<Reference>
     */
    private static function asked(Rule $rule): array
    {
        try {
            return References::of($rule->asks());
        } catch (RulesRefused) {
            return [];
        }
    }
}
