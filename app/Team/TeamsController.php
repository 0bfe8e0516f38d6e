<?php

declare(strict_types=1);

namespace App\Team;

use App\Conversations\ConversationState;
use App\Support\Written;
use Cairnfield\Core\Assigning\Method;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Locale;

/**
 * Who is in which team, who is away, and how a team gives out what comes in.
 */
final readonly class TeamsController
{
    private const HERE = '/sorting/teams';

    private const WAYS = [
        Method::Even->value => 'in turns, one after the other', Method::Weighted->value => 'in turns by share',
        Method::FewestOpen->value => 'to whoever has the fewest open',
    ];

    public function index(): View
    {
        $people = Teammate::query()->where('may_sign_in', true)->orderBy('name')->get();

        return view('team.teams', [
            'ways' => self::WAYS,
            'people' => $people,
            'teams' => Team::query()->with('teammates')->orderBy('name')->get(),
            'open' => DB::table('conversations')
                ->whereIn('owner_id', $people->modelKeys())
                ->where('state', ConversationState::Open)
                ->groupBy('owner_id')
                ->selectRaw('owner_id, COUNT(*) AS count')
                ->pluck('count', 'owner_id'),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $team = Team::query()->create($request->validate(['name' => $this->name()]));

        return redirect(self::HERE)->with('done', "The team {$team->name} is there now. Say who is in it.");
    }

    public function update(Request $request, Team $team): RedirectResponse
    {
        $values = $request->validate([
            'name' => $this->name($team),
            'turns' => ['nullable', Rule::enum(Method::class)],
            'people' => ['array'],
            'people.*.in' => ['nullable', 'boolean'],
            'people.*.weight' => ['required', 'integer', 'between:0,100'],
            'people.*.cap' => ['nullable', 'integer', 'between:1,1000'],
        ], ['people.*.weight.*' => 'A share is a whole number from 0 to 100.',
            'people.*.cap.*' => 'The most that somebody takes is a whole number from 1 to 1,000, or empty.']);
        $members = [];
        foreach (Teammate::query()->whereKey(array_keys($values['people'] ?? []))->get() as $person) {
            $turn = $values['people'][$person->id];
            if ($turn['in'] ?? false) {
                $members[$person->id] = ['weight' => (int) $turn['weight'], 'cap' => isset($turn['cap']) ? (int) $turn['cap'] : null];
            }
        }
        DB::transaction(static function () use ($team, $values, $members): void {
            $isOtherWay = $team->turns?->value !== ($values['turns'] ?? null);
            $team->forceFill(['name' => $values['name'], 'turns' => $values['turns'] ?? null])->save();
            isset($values['people']) && $team->teammates()->sync($members);
            // What weights have added up to means nothing to another way.
            $isOtherWay && DB::table('team_teammate')->where('team_id', $team->id)->update(['current' => 0]);
        });

        return redirect(self::HERE)->with('done', "The team {$team->name} is saved.");
    }

    public function speaks(Request $request, Teammate $teammate): RedirectResponse
    {
        $written = preg_split('/[\s,;]+/', mb_strtolower(Written::text($request, 'speaks')), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $unknown = array_values(
            array_filter(
                $written,
                static fn (string $code): bool => preg_match('/^[a-z]{2}$/', $code) !== 1
                    || Locale::getDisplayLanguage($code, 'en') === $code
            )
        );
        if ($unknown !== []) {
            return back()
                ->withInput()
                ->with(
                    'problem',
                    "“{$unknown[0]}” is no language. Write two letters for each, such as de for German, with commas between."
                );
        }
        $teammate->forceFill(['speaks' => $written === [] ? null : array_values(array_unique($written))])->save();

        return redirect(self::HERE)->with('done', "{$teammate->firstName()}’s languages are saved.");
    }

    /**
     * @return list<mixed>
     */
    private function name(?Team $team = null): array
    {
        return ['required', 'string', 'max:60', Rule::unique('teams', 'name')->ignore($team?->id)];
    }
}
