<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\ConditionForm;
use App\Conditions\UnknownField;
use App\Sorting\WhoMayRead;
use App\Support\RefusedInput;
use App\Support\StoreSettings;
use App\Support\Written;
use App\Team\SignedIn;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;

/**
 * Making, switching and looking over rules.
 */
final readonly class RulesController
{
    private const EMPTY = ['head' => 'all', 'parts' => [['field' => '', 'op' => '', 'value' => []]]];

    private const DAYS = 14;

    private ConditionForm $form;

    public function __construct(
        private SaveRule $save,
        private FittingNow $fittingNow,
        private RuleWords $words,
        private RuleFields $fields,
        private ActionCatalogue $choices,
        private StoreSettings $settings,
        private ReadyMade $readyMade,
        private WhoMayRead $whoMayRead,
    ) {
        $this->form = new ConditionForm($fields);
    }

    public function index(Request $request): View
    {
        $rules = Rule::inOrder()->with('teammate')->get()->keyBy('id');
        $circles = array_map(
            static fn (array $circle): string => RuleRefused::circle(
                array_map(static fn (int|string $id): string => $rules[(int) $id]->name, $circle)
            )->getMessage(),
            TryRule::circles($rules->where('on', true)),
        );

        return view('rules.index', [
            'rules' => $rules,
            'runs' => $this->runsByDay(array_values($rules->modelKeys())),
            'days' => self::DAYS,
            'circles' => $circles,
            'labels' => $rules->map($this->words->of(...)),
            'fields' => $this->fields,
            'teammate' => SignedIn::teammate($request),
            'retired' => Rule::query()->whereNotNull('retired_at')->orderBy('name')->get(),
            'limit' => (int) $this->settings->get(AnswerByRule::MOST_A_MINUTE, AnswerByRule::USUAL_A_MINUTE),
        ]);
    }

    public function make(Request $request): View
    {
        return $this->page($request, null, self::EMPTY, [RuleEvent::FirstMessage->value], [[]], []);
    }

    public function readyMade(Request $request, string $key): RedirectResponse
    {
        $rule = $this->readyMade->make($key, SignedIn::teammate($request));

        return redirect("/rules/{$rule->id}")->with(
            'done', "“{$rule->name}” is made, and off. Change what is to be different, try it out, then switch it on."
        );
    }

    public function edit(Request $request, Rule $rule): View|RedirectResponse
    {
        if ($rule->promise_set_id !== null) {
            return redirect("/promises/{$rule->promise_set_id}#promise-does");
        }

        return $this->page($request, $rule, $this->form->of($rule->condition), $rule->events, $rule->actions, $rule->clock ?? []);
    }

    /**
     * The form with a line, group or action more or less; the whole page where there is no script.
     */
    public function redraw(Request $request): View
    {
        $posted = new PostedRule($request, $this->form);
        $do = Written::text($request, 'do');
        $written = [$this->form->after($posted->condition(), $do), $posted->events(), $posted->actionsAfter($do), $posted->clock()];
        if ($request->hasHeader('HX-Request')) {
            return view('rules.editor', $this->editor(...$written));
        }
        $id = $request->integer('rule');
        RefusedInput::showAgain($request);

        return $this->page($request, $id === 0 ? null : Rule::query()->findOrFail($id), ...$written);
    }

    public function store(Request $request): RedirectResponse|View
    {
        return $this->keep($request, null);
    }

    public function update(Request $request, Rule $rule): RedirectResponse|View
    {
        Gate::authorize('change', $rule);

        return $this->keep($request, $rule);
    }

    public function switch(Request $request, Rule $rule): RedirectResponse
    {
        Gate::authorize('change', $rule);
        $isOn = $request->boolean('on');
        try {
            $this->save->switch($rule, $isOn, SignedIn::teammate($request));
        } catch (RuleRefused|RulesRefused|UnknownField $why) {
            return redirect("/rules/{$rule->id}")->with('problem', "It is not switched on: {$why->getMessage()}");
        }
        // It cannot be told beforehand whether conditions would break the circle: it is stopped when it goes round.
        $circles = $isOn ? TryRule::circlesWith($rule->refresh()) : [];

        return redirect('/rules')
            ->with('done', $isOn ? "“{$rule->name}” is on." : "“{$rule->name}” is off.")
            ->with($circles === [] ? [] : ['problem' => implode(' ', $circles)]);
    }

    public function place(Request $request, Rule $rule): RedirectResponse
    {
        Gate::authorize('change', $rule);
        $this->save->put($rule, (int) $request->validate(['place' => ['required', 'integer', 'min:1', 'max:9999']])['place']);

        return redirect('/rules')->with('done', "“{$rule->name}” has its place.");
    }

    public function goOn(Request $request, Rule $rule): RedirectResponse
    {
        Gate::authorize('change', $rule);
        $this->save->goOn($rule);

        return redirect('/rules')->with('done', "“{$rule->name}” answers again.");
    }

    public function limit(Request $request): RedirectResponse
    {
        Gate::authorize('administer');
        $most = (int) $request->validate(['most' => ['required', 'integer', 'min:1', 'max:10000']])['most'];
        $this->settings->put(AnswerByRule::MOST_A_MINUTE, $most);

        return redirect('/rules')->with('done', "A rule sends at most {$most} answers in a minute.");
    }

    public function retire(Request $request, Rule $rule): RedirectResponse
    {
        Gate::authorize('change', $rule);
        $this->save->retire($rule, true, SignedIn::teammate($request));

        return redirect('/rules')->with('done', "“{$rule->name}” is retired. What it did stays on the trails.");
    }

    public function bringBack(Request $request, Rule $rule): RedirectResponse
    {
        Gate::authorize('change', $rule);
        $this->save->retire($rule, false, SignedIn::teammate($request));

        return redirect('/rules')->with('done', "“{$rule->name}” is there again, and off.");
    }

    public function runs(Rule $rule): View
    {
        return view(
            'rules.runs',
            [
                'rule' => $rule,
                'runs' => $this->whoMayRead->narrowWhatTellsOf($rule->runs(), 'rule_runs.conversation_id')->with('conversation')
                    ->orderByDesc('at')->orderByDesc('id')->limit(100)->get(),
                'byDay' => $this->runsByDay([$rule->id])[$rule->id] ?? [], 'days' => self::DAYS,
            ]
        );
    }

    public function copy(Request $request, Rule $rule): RedirectResponse
    {
        Gate::authorize('change', $rule);
        $copy = $this->save->copy($rule, SignedIn::teammate($request));

        return redirect("/rules/{$copy->id}")->with('done', "“{$copy->name}” is made, and off. Change what is to be different.");
    }

    public function goBack(Request $request, Rule $rule, int $version): RedirectResponse
    {
        Gate::authorize('change', $rule);
        $kept = RuleVersion::query()->where('rule_id', $rule->id)->where('version', $version)->firstOrFail();
        try {
            $this->save->goBackTo($rule, $kept, SignedIn::teammate($request));
        } catch (RuleRefused|RulesRefused|UnknownField $why) {
            return redirect("/rules/{$rule->id}/versions")->with('problem', "It stays as it is: {$why->getMessage()}");
        }

        return redirect("/rules/{$rule->id}")->with('done', "As it was in version {$version}.");
    }

    public function versions(Rule $rule): View
    {
        return view(
            'rules.versions',
            [
                'rule' => $rule,
                'versions' => RuleVersion::query()
                    ->where('rule_id', $rule->id)
                    ->with('teammate')
                    ->orderByDesc('version')
                    ->limit(100)
                    ->get(),
                'labels' => $this->words->ofContent(...), 'mayChange' => Gate::allows('change', $rule),
            ]
        );
    }

    private function keep(Request $request, ?Rule $rule): RedirectResponse|View
    {
        $posted = new PostedRule($request, $this->form);
        try {
            $saved = $this->save->save($rule, $posted->toSave(), SignedIn::teammate($request));
        } catch (RuleRefused|RulesRefused|UnknownField|ValidationException $why) {
            RefusedInput::showAgain($request);
            $isBehind = $why instanceof RuleRefused && $why->reason === 'changed_meanwhile';

            return $this->page(
                $request, $isBehind ? $rule?->refresh() : $rule, $posted->condition(), $posted->events(), $posted->actions(),
                $posted->clock(), $why->getMessage(), $isBehind
            );
        }

        return redirect($rule === null ? "/rules/{$saved->id}/try" : '/rules')->with(
            'done', "“{$saved->name}” is saved".($saved->on ? '.' : ', and off. See what it would have done, then switch it on.')
        );
    }

    /**
     * @param  array<string, mixed>  $group
     * @param  list<string>  $events
     * @param  list<array<string, string>>  $actions
     * @param  array<string, mixed>  $clock
     */
    private function page(
        Request $request, ?Rule $rule, array $group, array $events, array $actions, array $clock, ?string $problem = null,
        bool $isBehind = false
    ): View {
        return view('rules.form', [
            ...$this->editor($group, $events, $actions, $clock),
            'rule' => $rule,
            'readyMade' => $rule === null ? $this->readyMade->all() : [],
            'problem' => $problem,
            'theirs' => $isBehind && $rule !== null ? $this->words->of($rule) : null,
            // Once what others changed has been shown, saving replaces it; until then, the form is of the version that it was opened with.
            'seen' => $request->has('seen') && ! $isBehind ? $request->integer('seen') : $rule?->version,
            'mayChange' => $rule === null || Gate::allows('change', $rule),
        ]);
    }

    /**
     * @param  array<string, mixed>  $group
     * @param  list<string>  $events
     * @param  list<array<string, string>>  $actions
     * @param  array<string, mixed>  $clock
     * @return array<string, mixed>
     */
    private function editor(array $group, array $events, array $actions, array $clock): array
    {
        try {
            [$fitting, $looked] = $this->fittingNow->fitting($this->form->condition($group), $events, $clock);
        } catch (RulesRefused|UnknownField) {
            [$fitting, $looked] = [null, 0];
        }

        return [
            'group' => $group,
            'events' => $events,
            'clock' => $clock,
            'actions' => $actions === [] ? [[]] : $actions,
            'fields' => $this->fields->all(),
            'form' => $this->form,
            'choices' => $this->choices,
            'fitting' => $fitting, 'looked' => $looked, 'redraw' => '/rules/redraw',
        ];
    }

    /**
     * @param  list<int>  $ids
     * @return array<int, array<string, array{done: int, failed: int}>> by rule and day
     */
    private function runsByDay(array $ids): array
    {
        $runs = [];
        $rows = $this->whoMayRead->narrowWhatTellsOf(DB::table('rule_runs'), 'rule_runs.conversation_id')
            ->whereIn('rule_id', $ids)->where('at', '>=', now()->subDays(self::DAYS - 1)->startOfDay())
            ->groupBy('rule_id', DB::raw('DATE(at)'))
            ->selectRaw('rule_id, DATE(at) AS day, SUM(state = ?) AS done, SUM(state = ?) AS failed', [RuleRun::DONE, RuleRun::FAILED])
            ->get();
        foreach ($rows as $row) {
            $runs[(int) $row->rule_id][(string) $row->day] = ['done' => (int) $row->done, 'failed' => (int) $row->failed];
        }

        return $runs;
    }
}
