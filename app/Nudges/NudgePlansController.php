<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Conversations\Actor;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\WhatNeeds;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Sorting\Outcome;
use App\Sorting\WhoMayRead;
use App\Support\Languages;
use App\Support\LocalTime;
use App\Team\SignedIn;
use App\Templates\Template;
use App\Views\SharedWith;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

final readonly class NudgePlansController
{
    private const MOST_STEPS = 4;

    public function __construct(private LocalTime $time, private WhoMayRead $whoMayRead) {}

    public function index(): View
    {
        $plans = NudgePlan::inUse()->get();

        return view('nudges.index', [
            'plans' => $plans, 'lacks' => $this->lacks($plans),
            'running' => $this->whoMayRead->narrowWhatTellsOf(Nudge::query(), 'nudges.conversation_id')
                ->where('state', Nudge::RUNNING)
                ->selectRaw('nudge_plan_id, COUNT(*) AS count')
                ->groupBy('nudge_plan_id')
                ->pluck('count', 'nudge_plan_id'),
            'retired' => NudgePlan::query()->whereNotNull('retired_at')->orderBy('name')->get(),
            'templates' => $this->templates()->pluck('name', 'id'),
            'outcomes' => Outcome::inUse()->pluck('name', 'id'),
            // What a plan has stays to be seen and kept, whatever has become of it since.
            'templateNames' => Template::query()->pluck('name', 'id'),
            'outcomeNames' => Outcome::query()->pluck('name', 'id'),
            'most' => self::MOST_STEPS,
            'mayChange' => Gate::allows('arrange'),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        return $this->save($request, new NudgePlan);
    }

    public function update(Request $request, NudgePlan $plan): RedirectResponse
    {
        return $this->save($request, $plan);
    }

    public function retire(NudgePlan $plan, WhatNeeds $needs): RedirectResponse
    {
        $needs->refuseIfNeeded($plan, $plan->name);
        $plan->forceFill(['retired_at' => now()])->save();

        return redirect('/nudges')->with('done', "“{$plan->name}” is retired. Where it is at work it goes on to its end.");
    }

    public function bringBack(NudgePlan $plan): RedirectResponse
    {
        $plan->forceFill(['retired_at' => null])->save();

        return redirect('/nudges')->with('done', "“{$plan->name}” can be started again.");
    }

    /**
     * By hand, for one conversation that waits for its customer.
     */
    public function start(Request $request, Conversation $conversation, Changes $changes): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $teammate = SignedIn::teammate($request);
        $plan = NudgePlan::inUse()->findOrFail((int) $request->validate(['plan' => ['required', 'integer']])['plan']);
        if ($conversation->state !== ConversationState::Waiting) {
            return back()->with('problem', 'Only what waits for its customer can be reminded of. Answer it first.');
        }
        $changes->byHand('nudge', $conversation, new Chosen((string) $plan->id), $teammate);
        $next = Nudge::query()->where('conversation_id', $conversation->id)->where('state', Nudge::RUNNING)->latest('id')->value('next_at');

        return redirect()
            ->route('conversation', $conversation)
            ->with(
                'done',
                "“{$plan->name}” is started: the first reminder goes out {$this->time->short($next)}, unless they answer first."
            );
    }

    public function callOff(Request $request, Nudge $nudge, StartNudge $start): RedirectResponse
    {
        $conversation = $nudge->conversation()->firstOrFail();
        Gate::authorize('reply', $conversation);
        $teammate = SignedIn::teammate($request);
        $start->callOff($nudge, Actor::teammate($teammate), "by {$teammate->name}");

        return redirect()->route('conversation', $conversation)->with('done', 'No more reminders.');
    }

    /**
     * Of the languages that any template speaks, those in which a plan would remind in another.
     *
     * @param  Collection<int, NudgePlan>  $plans
     * @return array<int, string> in words, by plan
     */
    private function lacks(Collection $plans): array
    {
        $speaks = DB::table('template_languages')->join('templates', 'templates.id', '=', 'template_languages.template_id')
            ->whereNull('templates.retired_at')->where('templates.shared_with', '!=', SharedWith::Nobody)
            ->get(['template_id', 'language'])->groupBy('template_id')
            ->map(static fn ($of): array => $of->pluck('language')->all());
        $all = $speaks->flatten()->unique()->sort()->values()->all();
        $lacks = [];
        foreach ($plans as $plan) {
            $missing = [];
            foreach ($plan->templates() as $template) {
                $missing = [...$missing, ...array_diff($all, $speaks[$template] ?? [])];
            }
            $missing = array_values(array_unique($missing));
            $missing === [] ?: $lacks[$plan->id] = implode(', ', array_map(Languages::name(...), $missing));
        }

        return $lacks;
    }

    private function save(Request $request, NudgePlan $plan): RedirectResponse
    {
        $has = $plan->exists ? [...array_column($plan->steps, 'template'), $plan->end_template_id] : [];
        $templates = [...$this->templates()->pluck('id')->all(), ...array_filter($has)];
        $outcomes = [...Outcome::inUse()->pluck('id')->all(), ...($plan->exists ? [$plan->end_outcome_id] : [])];
        $written = $request->validate([
            'name' => ['required', 'string', 'max:120', Rule::unique('nudge_plans', 'name')->ignore($plan->id)],
            'steps' => ['required', 'array', 'max:'.self::MOST_STEPS],
            'steps.*.days' => ['nullable', 'required_with:steps.*.template', 'integer', 'min:1', 'max:250'],
            'steps.*.template' => ['nullable', 'required_with:steps.*.days', Rule::in($templates)],
            'end_days' => ['required', 'integer', 'min:1', 'max:250'],
            'end_template' => ['nullable', Rule::in($templates)],
            'end_outcome' => ['required', 'integer', Rule::in($outcomes)],
        ], [
            'name.unique' => 'There is a nudge plan “:input” already, in use or retired. Choose another name.',
            'steps.*.days.required_with' => 'Say after how many working days reminder :position is sent, or take its template away.',
            'steps.*.template.required_with' => 'Choose the template of reminder :position, or take its working days away.',
        ], ['steps.*.days' => 'working days', 'steps.*.template' => 'template', 'end_days' => 'working days until the end']);
        $steps = array_values(array_map(
            static fn (array $step): array => ['days' => (int) $step['days'], 'template' => (int) $step['template']],
            array_filter($written['steps'], static fn (array $step): bool => isset($step['days'], $step['template'])),
        ));
        if ($steps === []) {
            return back()
                ->withInput()
                ->with('problem', 'Write at least one reminder: after how many working days, and with which template.');
        }
        $plan->forceFill([
            'name' => trim($written['name']), 'steps' => $steps, 'end_days' => (int) $written['end_days'],
            'end_template_id' => isset($written['end_template']) ? (int) $written['end_template'] : null,
            'end_outcome_id' => (int) $written['end_outcome'],
        ])->save();

        return redirect('/nudges')->with('done', "“{$plan->name}” is saved. {$plan->describe()}.");
    }

    /**
     * @return \Illuminate\Database\Eloquent\Builder<Template>
     */
    private function templates(): \Illuminate\Database\Eloquent\Builder
    {
        return Template::query()
            ->whereNull('retired_at')
            ->where('shared_with', '!=', SharedWith::Nobody)
            ->orderBy('folder')
            ->orderBy('name');
    }
}
