<?php

declare(strict_types=1);

namespace App\Team;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Hours\Calendars;
use App\Support\StoreSettings;
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

    public function index(Calendars $calendars, StoreSettings $settings): View
    {
        $people = Teammate::query()->where('may_sign_in', true)->with('skills')->orderBy('name')->get();

        return view('team.teams', [
            'ways' => self::WAYS,
            'calendars' => $calendars->all(),
            'skills' => Skill::query()->orderBy('folded')->pluck('name'),
            'awayWords' => (array) $settings->get(SetAvailability::AWAY_WORDS, []),
            'people' => $people,
            'teams' => Team::query()->with('teammates')->orderBy('name')->get(),
            'open' => Conversation::readable()->toBase()
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
            'earlier_owner_first' => ['nullable', 'boolean'],
            'next_only' => ['nullable', 'boolean'],
            'fallback' => ['nullable', 'string', 'max:20'],
            'fallback_minutes' => ['nullable', 'required_with:fallback', 'integer', 'between:1,10000'],
            'people.*.in' => ['nullable', 'boolean'],
            'people.*.weight' => ['required', 'integer', 'between:0,100'],
            'people.*.cap' => ['nullable', 'integer', 'between:1,1000'],
        ], ['people.*.weight.*' => 'A share is a whole number from 0 to 100.',
            'people.*.cap.*' => 'The most that somebody takes is a whole number from 1 to 1,000, or empty.',
            'fallback_minutes.*' => 'Say after how many minutes, from 1 to 10,000.']);
        $fallback = $this->fallback($team, (string) ($values['fallback'] ?? ''));
        $members = [];
        foreach (Teammate::query()->whereKey(array_keys($values['people'] ?? []))->get() as $person) {
            $turn = $values['people'][$person->id];
            if ($turn['in'] ?? false) {
                $members[$person->id] = ['weight' => (int) $turn['weight'], 'cap' => isset($turn['cap']) ? (int) $turn['cap'] : null];
            }
        }
        DB::transaction(static function () use ($team, $values, $members, $fallback): void {
            $isOtherWay = $team->turns?->value !== ($values['turns'] ?? null);
            $team->forceFill([
                'name' => $values['name'], 'turns' => $values['turns'] ?? null,
                'earlier_owner_first' => (bool) ($values['earlier_owner_first'] ?? false),
                'next_only' => (bool) ($values['next_only'] ?? false),
                'fallback_minutes' => ($values['fallback'] ?? '') === '' ? null : (int) $values['fallback_minutes'],
                'fallback_team_id' => $fallback,
            ])->save();
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
        $given = $request->validate([
            'skills' => ['nullable', 'string', 'max:600'], 'calendar' => ['bail', 'nullable', 'integer', Rule::exists('calendars', 'id')],
        ]);
        DB::transaction(static function () use ($teammate, $written, $given): void {
            $teammate->forceFill([
                'speaks' => $written === [] ? null : array_values(array_unique($written)),
                'calendar_id' => isset($given['calendar']) ? (int) $given['calendar'] : null,
            ])->save();
            $teammate->skills()->sync(Skill::named((string) ($given['skills'] ?? '')));
        });

        return redirect(self::HERE)->with('done', "What {$teammate->firstName()} can do is saved.");
    }

    /**
     * The words in which people say why they are away.
     */
    public function awayWords(Request $request, StoreSettings $settings): RedirectResponse
    {
        $written = (string) ($request->validate(['words' => ['nullable', 'string', 'max:400']])['words'] ?? '');
        $words = preg_split('/\s*[,;\n]\s*/u', trim($written), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $settings->put(SetAvailability::AWAY_WORDS, array_values(array_unique(array_map(
            static fn (string $word): string => mb_substr($word, 0, 40), array_slice($words, 0, 20)
        ))));

        return redirect(self::HERE)->with('done', 'The words are kept.');
    }

    /**
     * @return int|null another team; null for the lead, and where there is none
     */
    private function fallback(Team $team, string $chosen): ?int
    {
        if (! ctype_digit($chosen)) {
            return null;
        }
        $other = Team::query()->findOrFail((int) $chosen);
        if ($other->is($team)) {
            throw TeamRefused::fallsBackToItself();
        }

        return $other->id;
    }

    /**
     * @return list<mixed>
     */
    private function name(?Team $team = null): array
    {
        return ['required', 'string', 'max:60', Rule::unique('teams', 'name')->ignore($team?->id)];
    }
}
