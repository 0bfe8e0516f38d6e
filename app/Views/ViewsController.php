<?php

declare(strict_types=1);

namespace App\Views;

use App\Conditions\ConditionForm;
use App\Conditions\ConditionQuery;
use App\Conditions\ConversationFields;
use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Rules\RuleFields;
use App\Support\ChangedMeanwhile;
use App\Support\RefusedInput;
use App\Support\Written;
use App\Team\SignedIn;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;

/**
 * Making, changing and removing saved views.
 */
final readonly class ViewsController
{
    private const EMPTY = ['head' => 'all', 'parts' => [['field' => 'state', 'op' => 'in', 'value' => ['open']]]];

    public function __construct(
        private ConditionForm $form, private ConversationFields $fields, private ConditionQuery $conditions, private RuleFields $words
    ) {}

    public function make(Request $request): View
    {
        return $this->page($request, null, self::EMPTY);
    }

    public function edit(Request $request, SavedView $view): View
    {
        Gate::authorize('change', $view);

        return $this->page($request, $view, $this->form->of($view->condition));
    }

    /**
     * The form with a line or group more or less; the whole page where there is no script.
     */
    public function redraw(Request $request): View
    {
        $group = $this->form->after($this->form->posted($request->input('condition')), Written::text($request, 'do'));
        if ($request->hasHeader('HX-Request')) {
            return view(
                'conditions.editor',
                [
                    'group' => $group, 'fields' => $this->fields->all(), 'form' => $this->form,
                    'matching' => $this->matching($group, SignedIn::teammate($request)),
                ]
            );
        }
        $id = $request->integer('view');
        $view = $id === 0 ? null : SavedView::query()->findOrFail($id);
        $view === null ?: Gate::authorize('change', $view);
        RefusedInput::showAgain($request, 'columns');

        return $this->page($request, $view, $group);
    }

    public function store(Request $request): RedirectResponse|View
    {
        return $this->save(
            $request,
            (new SavedView)->forceFill(['teammate_id' => SignedIn::teammate($request)->id, 'shared_with' => SharedWith::Nobody])
        );
    }

    public function update(Request $request, SavedView $view): RedirectResponse|View
    {
        Gate::authorize('change', $view);

        return $this->save($request, $view);
    }

    public function destroy(Request $request, SavedView $view): RedirectResponse
    {
        Gate::authorize('change', $view);
        $view->delete();

        return redirect('/queue/my-turn')->with('done', "The view “{$view->name}” is gone. The conversations stay.");
    }

    private function save(Request $request, SavedView $view): RedirectResponse|View
    {
        $teammate = SignedIn::teammate($request);
        $validator = Validator::make($request->all(), [
            'name' => ['required', 'string', 'max:60'],
            'shared_with' => ['required', Rule::enum(SharedWith::class)->only(SharedWith::choices($teammate, $view->shared_with))],
            'team' => [
                'nullable', Rule::requiredIf($request->input('shared_with') === SharedWith::Team->value), 'integer',
                Rule::in([...$this->teams($teammate)->modelKeys(), ...array_filter([$view->team_id])]),
            ],
            'columns' => ['array'],
            'columns.*' => [Rule::enum(Column::class)],
            'sort' => ['required', Rule::enum(Sort::class)],
            'board_by' => ['required', Rule::enum(BoardBy::class)],
        ], [
            'shared_with' => 'Choose who sees it: you, or a team of yours.', 'team.required' => 'Choose which team sees it.',
            'team.in' => 'Choose a team that is yours.',
        ]);
        $group = $this->form->posted($request->input('condition'));
        $refused = function (string $why, bool $isBehind = false) use ($request, $view, $group): View {
            RefusedInput::showAgain($request, 'columns');

            return $this->page($request, $view->exists ? ($isBehind ? $view->refresh() : $view) : null, $group, $why, $isBehind);
        };
        if ($validator->fails()) {
            return $refused(implode(' ', $validator->errors()->all()));
        }
        $written = $validator->validated();
        try {
            $condition = $this->form->condition($group);
        } catch (UnknownField|RulesRefused $why) {
            return $refused($why->getMessage());
        }
        $sharedWith = SharedWith::from($written['shared_with']);
        $values = [
            'name' => trim($written['name']),
            'shared_with' => $sharedWith,
            'team_id' => $sharedWith === SharedWith::Team ? (int) $written['team'] : null,
            'condition' => $condition,
            'columns' => array_values($written['columns'] ?? []),
            'sort' => $written['sort'],
            'board_by' => $written['board_by'],
        ];
        $seen = Written::text($request, 'seen');
        $isKept = DB::transaction(static function () use ($view, $values, $seen): bool {
            $kept = $view->exists ? SavedView::query()->lockForUpdate()->findOrFail($view->id) : $view;
            $isBehind = $view->exists && $seen !== '' && $seen !== $kept->mark();

            return ! $isBehind && $kept->forceFill($values)->save();
        });
        if (! $isKept) {
            return $refused(ChangedMeanwhile::said(null, null), true);
        }
        $view->exists && $view->refresh();

        return redirect("/queue/{$view->id}")->with('done', "The view “{$view->name}” is saved.");
    }

    /**
     * @param  array<string, mixed>  $group
     */
    private function page(Request $request, ?SavedView $view, array $group, ?string $problem = null, bool $isBehind = false): View
    {
        return view('views.form', [
            'view' => $view,
            'sharing' => SharedWith::choices(SignedIn::teammate($request), $view?->shared_with),
            'group' => $group,
            'fields' => $this->fields->all(),
            'form' => $this->form,
            'problem' => $problem, 'isBehind' => $isBehind,
            'seen' => $request->has('seen') && ! $isBehind ? Written::text($request, 'seen') : $view?->mark(),
            'theirs' => $isBehind && $view !== null ? $this->words->inWords($view->asks(SignedIn::teammate($request))->root) : null,
            'matching' => $this->matching($group, SignedIn::teammate($request)),
            'teams' => $this->teams(SignedIn::teammate($request)),
        ]);
    }

    /**
     * Those that this person may show a view to.
     *
     * @return Collection<int, Team>
     */
    private function teams(Teammate $teammate): Collection
    {
        return $teammate->role->arranges() ? Team::query()->orderBy('name')->get() : $teammate->teams()->orderBy('name')->get();
    }

    /**
     * How many fit right now, counted as far as it matters.
     *
     * @param  array<string, mixed>  $group
     */
    private function matching(array $group, Teammate $teammate): ?int
    {
        try {
            $view = (new SavedView)->forceFill(['condition' => $this->form->condition($group)]);
            $query = Conversation::readable($teammate);
            ShownView::narrowBy($query, $this->conditions, $view->asks($teammate));

            return $query->toBase()->selectRaw('1')->limit(ViewCounts::MOST)->get()->count();
        } catch (UnknownField|RulesRefused) {
            return null;
        }
    }
}
