<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\ConditionForm;
use App\Conditions\UnknownField;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * What a rule would have done in the last days, as it is kept or as it is being written.
 */
final readonly class TryRulesController
{
    private const USUAL_DAYS = 30;

    public function __construct(private SaveRule $save, private TryRule $try, private RuleWords $words, private RuleFields $fields) {}

    public function kept(Request $request, Rule $rule): View
    {
        return view('rules.try', [...$this->tried($rule, $request), 'mayChange' => Gate::allows('change', $rule)]);
    }

    /**
     * What is written in the form, tried out before it is kept.
     */
    public function written(Request $request): View
    {
        $id = $request->integer('rule');
        $kept = $id === 0 ? null : Rule::query()->findOrFail($id);
        $shown = $request->hasHeader('HX-Request') ? 'rules.tried' : 'rules.try';
        try {
            $posted = new PostedRule($request, new ConditionForm($this->fields));

            return view($shown, [...$this->tried($this->save->draft($kept, $posted->toSave('This rule')), $request), 'mayChange' => false]);
        } catch (RuleRefused|RulesRefused|UnknownField $why) {
            return view(
                $shown,
                [
                    'rule' => $kept ?? (new Rule)->forceFill(['id' => 0, 'name' => 'This rule']), 'tried' => null,
                    'problem' => $why->getMessage(), 'days' => self::USUAL_DAYS, 'seconds' => 0.0, 'label' => null,
                    'mayChange' => false,
                ]
            );
        }
    }

    /**
     * @return array<string, mixed>
     */
    private function tried(Rule $rule, Request $request): array
    {
        $days = max(1, min(90, $request->integer('days', self::USUAL_DAYS)));
        $from = hrtime(true);
        $tried = $problem = null;
        try {
            $tried = $this->try->over($rule, $days);
        } catch (RulesRefused|UnknownField $why) {
            $problem = $why->getMessage();
        }

        return [
            'rule' => $rule, 'tried' => $tried, 'problem' => $problem, 'days' => $days, 'seconds' => (hrtime(true) - $from) / 1e9,
            'label' => $this->words->of($rule),
        ];
    }
}
