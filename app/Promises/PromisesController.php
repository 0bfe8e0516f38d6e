<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conditions\ConditionForm;
use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Hours\Calendars;
use App\Rules\ActionCatalogue;
use App\Rules\PostedActions;
use App\Rules\Rule;
use App\Rules\RuleFields;
use App\Rules\RuleRefused;
use App\Rules\RuleWords;
use App\Sorting\WhoMayRead;
use App\Support\RefusedInput;
use App\Support\StoreSettings;
use App\Support\Written;
use App\Team\SignedIn;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * What the team promises, and to whom: the sets in their order, each with its form.
 */
final readonly class PromisesController
{
    private const ALL = '/promises';

    private const RECORD_DAYS = 30;

    /** Seconds. */
    private const LONGEST_PREVIEW = 20.0;

    private ConditionForm $form;

    public function __construct(
        private PromiseFields $fields, private SavePromiseSet $save, private PreviewPromiseSet $preview, private Calendars $calendars,
        private RuleFields $words, private StoreSettings $settings, private WhatSetsDo $does, private ActionCatalogue $actions,
        private RuleWords $ruleWords, private WhoMayRead $whoMayRead
    ) {
        $this->form = new ConditionForm($fields);
    }

    public function index(): View
    {
        $sets = PromiseSet::inOrder()->get();

        return view('promises.index', [
            'sets' => $sets,
            'for' => $sets->mapWithKeys(fn (PromiseSet $set): array => [$set->id => $this->inWords($set)])->all(),
            'does' => array_map(fn (array $rules): array => array_map(
                fn (Rule $rule): string => implode('; ', $this->ruleWords->of($rule)['what']), $rules
            ), $this->does->all()),
            'calendars' => $this->calendars->all(),
            'retired' => PromiseSet::query()->whereNotNull('retired_at')->orderBy('name')->get(),
            'days' => self::RECORD_DAYS,
            'kept' => $this->kept(),
            'recount' => Recount::running(),
            'check' => $this->checked(),
        ]);
    }

    /**
     * How far the reckoning anew is.
     */
    public function progress(): View
    {
        return view('promises.progress', ['recount' => Recount::running()]);
    }

    public function create(Request $request): View
    {
        return $this->page($request, null, $this->form->of(['all' => []]), $this->does->of(null));
    }

    public function show(Request $request, PromiseSet $set): View
    {
        return $this->page($request, $set, $this->form->of($set->condition), $this->does->of($set));
    }

    /**
     * A condition more or less, with what it would fit.
     */
    public function redraw(Request $request): View
    {
        $do = Written::text($request, 'do');
        $does = self::doesAfter($request, $do);
        if ($request->header('HX-Target') === 'promise-does') {
            return view('promises.does', ['does' => $does, 'choices' => $this->actions]);
        }
        $group = $this->form->after($this->form->posted($request->input('condition')), $do);
        if ($request->hasHeader('HX-Request')) {
            return view('promises.condition', ['group' => $group, 'fields' => $this->fields->all(), 'form' => $this->form]);
        }
        RefusedInput::showAgain($request, 'targets');

        return $this->page($request, $this->set($request), $group, $does);
    }

    /**
     * What it would change, as it stands in the form.
     */
    public function preview(Request $request): View|Response
    {
        try {
            $written = PromiseSetToSave::of($request, $this->form->condition($this->form->posted($request->input('condition'))));
            $soFar = $request->input('so_far');
            $before = PromiseSetPreview::soFar(is_array($soFar) ? $soFar : []);
            // Without a script, nobody asks for the rest.
            $preview = $request->hasHeader('HX-Request')
                ? $this->preview->of($this->set($request), $written, $before)
                : $this->preview->of($this->set($request), $written, $before, self::LONGEST_PREVIEW);
        } catch (ValidationException|RulesRefused|UnknownField $why) {
            return response()->view('promises.preview', ['preview' => null, 'why' => self::why($why), 'missed' => []]);
        }

        return view('promises.preview', [
            'preview' => $preview, 'why' => null,
            'missed' => Conversation::readable()->whereKey($preview->named)->orderBy('next_up')->get(),
        ]);
    }

    public function store(Request $request): RedirectResponse|View
    {
        return $this->keep($request, null);
    }

    public function update(Request $request, PromiseSet $set): RedirectResponse|View
    {
        return $this->keep($request, $set);
    }

    public function switch(Request $request, PromiseSet $set): RedirectResponse
    {
        $isOn = $request->boolean('on');
        $this->save->switch($set, $isOn, SignedIn::teammate($request));

        return redirect(self::ALL)->with('done', $isOn ? "“{$set->name}” is on." : "“{$set->name}” is off.");
    }

    public function place(Request $request, PromiseSet $set): RedirectResponse
    {
        $this->save->put($set, (int) $request->validate(['place' => ['required', 'integer', 'min:1', 'max:9999']])['place']);

        return redirect(self::ALL)->with('done', "“{$set->name}” has its place.");
    }

    public function retire(Request $request, PromiseSet $set): RedirectResponse
    {
        $this->save->retire($set, true, SignedIn::teammate($request));

        return redirect(self::ALL)->with('done', "“{$set->name}” is retired. Its record stays.");
    }

    public function bringBack(Request $request, PromiseSet $set): RedirectResponse
    {
        $this->save->retire($set, false, SignedIn::teammate($request));

        return redirect(self::ALL)->with('done', "“{$set->name}” is there again, and on.");
    }

    public function versions(PromiseSet $set): View
    {
        return view('promises.versions', [
            'set' => $set, 'versions' => $set->versions()->with('teammate')->orderByDesc('version')->limit(100)->get(),
            'calendars' => $this->calendars->all(),
        ]);
    }

    private function keep(Request $request, ?PromiseSet $set): RedirectResponse|View
    {
        $group = $this->form->posted($request->input('condition'));
        try {
            $written = PromiseSetToSave::of($request, $this->form->condition($group));
            $does = array_map(PostedActions::chosen(...), self::doesAfter($request));
            $saved = DB::transaction(function () use ($request, $set, $written, $does): PromiseSet {
                $saved = $this->save->save($set, $written, SignedIn::teammate($request));
                $this->does->keep($saved, $does, SignedIn::teammate($request));

                return $saved;
            });
        } catch (ValidationException|RuleRefused|RulesRefused|UnknownField $why) {
            RefusedInput::showAgain($request, 'targets');

            return $this->page($request, $set, $group, self::doesAfter($request), self::why($why));
        }

        return redirect(self::ALL)->with('done', "“{$saved->name}” is saved. What is running is reckoned anew.");
    }

    /**
     * What it does at the warning and at the miss, as it stands in the form.
     *
     * @param  string  $do  one action more or less, such as `add-action:miss`
     * @return array<string, list<array<string, string>>>
     */
    private static function doesAfter(Request $request, string $do = ''): array
    {
        [$what, $when, $line] = [...explode(':', $do, 3), '', ''];
        $does = [];
        foreach (array_keys(WhatSetsDo::WHEN) as $one) {
            $does[$one] = PostedActions::after(
                PostedActions::read(((array) $request->input('does'))[$one] ?? []), $one === $when ? "{$what}:{$line}" : ''
            );
        }

        return $does;
    }

    /**
     * @param  array<string, mixed>  $group
     * @param  array<string, list<array<string, string>>>  $does
     */
    private function page(Request $request, ?PromiseSet $set, array $group, array $does, ?string $problem = null): View
    {
        return view('promises.set', [
            'set' => $set, 'group' => $group, 'fields' => $this->fields->all(), 'form' => $this->form, 'problem' => $problem,
            'calendars' => $this->calendars->all(),
            'targets' => array_column($set->targets ?? [], null, 'kind'),
            'was' => RefusedInput::in($request->getPathInfo()),
            'does' => $does, 'choices' => $this->actions,
        ]);
    }

    private function set(Request $request): ?PromiseSet
    {
        $id = $request->integer('set');

        return $id === 0 ? null : PromiseSet::query()->findOrFail($id);
    }

    private function inWords(PromiseSet $set): string
    {
        try {
            return $this->words->inWords(Condition::read(json_decode((string) json_encode($set->condition)))->root);
        } catch (RulesRefused) {
            return 'what it asks for is not there any more';
        }
    }

    private static function why(\Throwable $why): string
    {
        return $why instanceof ValidationException ? implode(' ', array_merge(...array_values($why->errors()))) : $why->getMessage();
    }

    /**
     * What the nightly check found, of what is read by whoever looks.
     *
     * @return array<string, mixed>|null
     */
    private function checked(): ?array
    {
        $report = $this->settings->get(CheckPromises::REPORT);
        if (! is_array($report)) {
            return null;
        }
        $read = Conversation::readable()->whereKey(array_column($report['differences'], 'conversation'))->pluck('id')->all();

        return [...$report, 'differences' => array_values(array_filter(
            $report['differences'], static fn (array $one): bool => in_array((int) $one['conversation'], $read, true)
        ))];
    }

    /**
     * @return array<int, array{int, int}> kept and missed by set, of the last days
     */
    private function kept(): array
    {
        return $this->whoMayRead->narrowWhatTellsOf(DB::table('promises'), 'promises.conversation_id')
            ->where('ended_at', '>=', CarbonImmutable::now()->subDays(self::RECORD_DAYS))
            ->whereNotNull('promise_set_id')->whereNotNull('kept')->groupBy('promise_set_id')
            ->selectRaw('promise_set_id, SUM(kept = 1) AS kept, SUM(kept = 0) AS missed')->get()
            ->mapWithKeys(static fn (\stdClass $row): array => [
                (int) $row->promise_set_id => [(int) $row->kept, (int) $row->missed],
            ])->all();
    }
}
