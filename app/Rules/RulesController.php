<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\ConditionForm;
use App\Conditions\UnknownField;
use App\Support\StoreSettings;
use App\Team\Teammate;
use Cairnfield\Core\Rules\RulesRefused;
use Cairnfield\Core\Rules\Way;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule as Valid;

/**
 * Making, trying out, switching and looking over rules.
 */
final readonly class RulesController
{
    private const EMPTY = ['head' => 'all', 'parts' => [['field' => '', 'op' => '', 'value' => []]]];

    private const DAYS = 14;

    private const TRIED_DAYS = 30;

    private ConditionForm $form;

    public function __construct(
        private SaveRule $save,
        private TryRule $try,
        private FittingNow $fittingNow,
        private RuleWords $words,
        private RuleFields $fields,
        private ActionChoices $choices,
        private StoreSettings $settings,
        private ReadyMade $readyMade,
    ) {
        $this->form = new ConditionForm($fields);
    }

    public function index(Request $request): View
    {
        $rules = Rule::inOrder()->with('teammate')->get()->keyBy('id');
        $circles = array_map(
            static fn (array $circle): string => RuleRefused::circle(array_map(static fn (int|string $id): string => $rules[(int) $id]->name, $circle))->getMessage(),
            TryRule::circles($rules->where('on', true)),
        );

        return view('rules.index', [
            'rules' => $rules,
            'runs' => $this->runsByDay(array_values($rules->modelKeys())),
            'days' => self::DAYS,
            'circles' => $circles,
            'labels' => $rules->map($this->words->of(...)),
            'fields' => $this->fields,
            'teammate' => $this->teammate($request),
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
        try {
            $rule = $this->readyMade->make($key, $this->teammate($request));
        } catch (RuleRefused $why) {
            return redirect('/rules/new')->with('problem', $why->getMessage());
        }

        return redirect("/rules/{$rule->id}")->with('done', "“{$rule->name}” is made, and off. Change what is to be different, try it out, then switch it on.");
    }

    public function edit(Request $request, Rule $rule): View
    {
        return $this->page($request, $rule, $this->form->of($rule->condition), $rule->events, $rule->actions, $rule->clock ?? []);
    }

    /**
     * The form with a line, group or action more or less; the whole page where there is no script.
     */
    public function redraw(Request $request): View
    {
        $do = $request->string('do')->toString();
        $group = $this->form->after($this->form->posted($request->input('condition')), $do);
        $actions = $this->actionsAfter($this->postedActions($request), $do);
        $events = $this->postedEvents($request);
        if ($request->hasHeader('HX-Request')) {
            return view('rules.editor', $this->editor($group, $events, $actions, $this->postedClock($request)));
        }
        $id = $request->integer('rule');
        $request->flash();

        return $this->page($request, $id === 0 ? null : Rule::query()->findOrFail($id), $group, $events, $actions, $this->postedClock($request));
    }

    public function store(Request $request): RedirectResponse|View
    {
        return $this->keep($request, null);
    }

    public function update(Request $request, Rule $rule): RedirectResponse|View
    {
        $this->authorise($request, $rule);

        return $this->keep($request, $rule);
    }

    public function try(Request $request, Rule $rule): View
    {
        return view('rules.try', [...$this->tried($rule, $request), 'mayChange' => $rule->mayBeChangedBy($this->teammate($request))]);
    }

    /**
     * What is written in the form, tried out before it is kept.
     */
    public function tryWritten(Request $request): View
    {
        $id = $request->integer('rule');
        $kept = $id === 0 ? null : Rule::query()->findOrFail($id);
        $shown = $request->hasHeader('HX-Request') ? 'rules.tried' : 'rules.try';
        try {
            return view($shown, [...$this->tried($this->save->draft($kept, $this->written($request, 'This rule')), $request), 'mayChange' => false]);
        } catch (RuleRefused|RulesRefused|UnknownField $why) {
            return view($shown, ['rule' => $kept ?? (new Rule)->forceFill(['id' => 0, 'name' => 'This rule']), 'tried' => null, 'problem' => $why->getMessage(), 'days' => self::TRIED_DAYS, 'seconds' => 0.0, 'label' => null, 'mayChange' => false]);
        }
    }

    public function switch(Request $request, Rule $rule): RedirectResponse
    {
        $this->authorise($request, $rule);
        $isOn = $request->boolean('on');
        try {
            $this->save->switch($rule, $isOn, $this->teammate($request));
        } catch (RuleRefused|RulesRefused|UnknownField $why) {
            return redirect("/rules/{$rule->id}")->with('problem', "It is not switched on: {$why->getMessage()}");
        }
        // It cannot be told beforehand whether conditions would break the circle: it is stopped when it goes round.
        $circles = $isOn ? TryRule::circlesWith($rule->refresh()) : [];

        return redirect('/rules')->with('done', $isOn ? "“{$rule->name}” is on." : "“{$rule->name}” is off.")->with($circles === [] ? [] : ['problem' => implode(' ', $circles)]);
    }

    public function place(Request $request, Rule $rule): RedirectResponse
    {
        $this->authorise($request, $rule);
        $this->save->put($rule, (int) $request->validate(['place' => ['required', 'integer', 'min:1', 'max:9999']])['place']);

        return redirect('/rules')->with('done', "“{$rule->name}” has its place.");
    }

    public function goOn(Request $request, Rule $rule): RedirectResponse
    {
        $this->authorise($request, $rule);
        $this->save->goOn($rule);

        return redirect('/rules')->with('done', "“{$rule->name}” answers again.");
    }

    public function limit(Request $request): RedirectResponse
    {
        $this->teammate($request)->role->administers() || abort(403, 'An administrator sets this.');
        $most = (int) $request->validate(['most' => ['required', 'integer', 'min:1', 'max:10000']])['most'];
        $this->settings->put(AnswerByRule::MOST_A_MINUTE, $most);

        return redirect('/rules')->with('done', "A rule sends at most {$most} answers in a minute.");
    }

    public function retire(Request $request, Rule $rule): RedirectResponse
    {
        $this->authorise($request, $rule);
        $this->save->retire($rule, true, $this->teammate($request));

        return redirect('/rules')->with('done', "“{$rule->name}” is retired. What it did stays on the trails.");
    }

    public function bringBack(Request $request, Rule $rule): RedirectResponse
    {
        $this->authorise($request, $rule);
        $this->save->retire($rule, false, $this->teammate($request));

        return redirect('/rules')->with('done', "“{$rule->name}” is there again, and off.");
    }

    public function runs(Rule $rule): View
    {
        return view('rules.runs', ['rule' => $rule, 'runs' => $rule->runs()->with('conversation')->orderByDesc('at')->orderByDesc('id')->limit(100)->get(), 'byDay' => $this->runsByDay([$rule->id])[$rule->id] ?? [], 'days' => self::DAYS]);
    }

    public function versions(Rule $rule): View
    {
        return view('rules.versions', ['rule' => $rule, 'versions' => RuleVersion::query()->where('rule_id', $rule->id)->with('teammate')->orderByDesc('version')->limit(100)->get(), 'labels' => $this->words->ofContent(...)]);
    }

    private function keep(Request $request, ?Rule $rule): RedirectResponse|View
    {
        try {
            $saved = $this->save->save($rule, $this->written($request), $this->teammate($request));
        } catch (RuleRefused|RulesRefused|UnknownField $why) {
            $request->flash();

            return $this->page($request, $rule, $this->form->posted($request->input('condition')), $this->postedEvents($request), $this->postedActions($request), $this->postedClock($request), $why->getMessage());
        }

        return redirect($rule === null ? "/rules/{$saved->id}/try" : '/rules')->with('done', "“{$saved->name}” is saved".($saved->on ? '.' : ', and off. See what it would have done, then switch it on.'));
    }

    /**
     * What stands in the form.
     *
     * @param  string|null  $name  where it needs none yet
     *
     * @throws RuleRefused|RulesRefused|UnknownField
     */
    private function written(Request $request, ?string $name = null): RuleToSave
    {
        $written = $request->validate([
            'name' => [$name === null ? 'required' : 'nullable', 'string', 'max:120'],
            'way' => ['required', Valid::enum(Way::class)],
            'changed_by' => ['required', Valid::enum(ChangedBy::class)],
            'notes' => ['nullable', 'string', 'max:5000'],
        ]);
        $clock = $this->postedClock($request);

        return new RuleToSave(
            (string) ($written['name'] ?? $name),
            Way::from($written['way']),
            array_values(array_filter(array_map(RuleEvent::tryFrom(...), $this->postedEvents($request)))),
            $this->form->condition($this->form->posted($request->input('condition'))),
            array_map(RuleAction::of(...), array_values(array_filter($this->postedActions($request), static fn (array $action): bool => ($action['do'] ?? '') !== ''))),
            (string) ($written['notes'] ?? ''),
            ChangedBy::from($written['changed_by']),
            ($clock['since'] ?? '') === '' ? null : Clock::of($clock),
        );
    }

    /**
     * @return array<string, mixed>
     */
    private function tried(Rule $rule, Request $request): array
    {
        $days = max(1, min(90, $request->integer('days', self::TRIED_DAYS)));
        $from = hrtime(true);
        $tried = $problem = null;
        try {
            $tried = $this->try->over($rule, $days);
        } catch (RulesRefused|UnknownField $why) {
            $problem = $why->getMessage();
        }

        return ['rule' => $rule, 'tried' => $tried, 'problem' => $problem, 'days' => $days, 'seconds' => (hrtime(true) - $from) / 1e9, 'label' => $this->words->of($rule)];
    }

    /**
     * @param  array<string, mixed>  $group
     * @param  list<string>  $events
     * @param  list<array<string, string>>  $actions
     * @param  array<string, mixed>  $clock
     */
    private function page(Request $request, ?Rule $rule, array $group, array $events, array $actions, array $clock, ?string $problem = null): View
    {
        return view('rules.form', [
            ...$this->editor($group, $events, $actions, $clock),
            'rule' => $rule,
            'readyMade' => $rule === null ? $this->readyMade->all() : [],
            'problem' => $problem,
            'mayChange' => $rule === null || $rule->mayBeChangedBy($this->teammate($request)),
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
            'group' => $group, 'events' => $events, 'clock' => $clock, 'actions' => $actions === [] ? [[]] : $actions, 'fields' => $this->fields->all(), 'form' => $this->form, 'choices' => $this->choices,
            'fitting' => $fitting, 'looked' => $looked, 'redraw' => '/rules/redraw',
        ];
    }

    /**
     * @return array<string, mixed>
     */
    private function postedClock(Request $request): array
    {
        $clock = $request->input('clock');

        return is_array($clock) ? array_map(static fn (mixed $value): mixed => is_array($value) ? array_values(array_filter($value, is_string(...))) : $value, $clock) : [];
    }

    /**
     * @return list<array<string, string>>
     */
    private function postedActions(Request $request): array
    {
        $actions = [];
        foreach ((array) $request->input('actions') as $one) {
            $actions[] = array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', is_array($one) ? $one : []);
        }

        /** @var list<array<string, string>> */
        return $actions;
    }

    /**
     * @return list<string>
     */
    private function postedEvents(Request $request): array
    {
        return array_values(array_filter((array) $request->input('events'), static fn (mixed $event): bool => is_string($event) && RuleEvent::tryFrom($event) !== null));
    }

    /**
     * @param  list<array<string, string>>  $actions
     * @return list<array<string, string>>
     */
    private function actionsAfter(array $actions, string $do): array
    {
        [$what, $index] = [...explode(':', $do, 2), ''];
        if ($what === 'add-action') {
            $actions[] = [];
        }
        if ($what === 'remove-action') {
            unset($actions[(int) $index]);
        }

        return array_values($actions);
    }

    /**
     * @param  list<int>  $ids
     * @return array<int, array<string, array{done: int, failed: int}>> by rule and day
     */
    private function runsByDay(array $ids): array
    {
        $runs = [];
        $rows = DB::table('rule_runs')->whereIn('rule_id', $ids)->where('at', '>=', now()->subDays(self::DAYS - 1)->startOfDay())
            ->groupBy('rule_id', DB::raw('DATE(at)'))->selectRaw('rule_id, DATE(at) AS day, SUM(state = ?) AS done, SUM(state = ?) AS failed', [RuleRun::DONE, RuleRun::FAILED])->get();
        foreach ($rows as $row) {
            $runs[(int) $row->rule_id][(string) $row->day] = ['done' => (int) $row->done, 'failed' => (int) $row->failed];
        }

        return $runs;
    }

    private function authorise(Request $request, Rule $rule): void
    {
        $rule->mayBeChangedBy($this->teammate($request)) || abort(403, 'Only '.$rule->changed_by->label().' change this rule.');
    }

    private function teammate(Request $request): Teammate
    {
        $teammate = $request->user();

        return $teammate instanceof Teammate ? $teammate : abort(401);
    }
}
