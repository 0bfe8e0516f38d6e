<?php

declare(strict_types=1);

namespace App\Routing;

use App\Bulk\PlanBulkChange;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Hours\Calendars;
use App\Team\DueMeanwhile;
use App\Team\SignedIn;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Queue\DueGroup;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * Who is here, seen by all; and for leads, who has how much, and moving a share of it.
 */
final readonly class WhoIsHereController
{
    private const MOST = 500;

    public function __construct(private PlanBulkChange $plan) {}

    public function index(Calendars $calendars): View
    {
        $people = Teammate::working()->with('teams')->get();
        $counts = Conversation::readable()->toBase()->where('state', ConversationState::Open)->whereIn('owner_id', $people->modelKeys())
            ->groupBy('owner_id')
            ->selectRaw('owner_id, COUNT(*) AS open, SUM(due_group = ?) AS missed, SUM(due_group IN (?, ?)) AS due', [
                DueGroup::Missed->value, DueGroup::WithinTheHour->value, DueGroup::Today->value,
            ])->get()->keyBy('owner_id');

        return view('team.who-is-here', [
            'people' => $people, 'counts' => $counts, 'calendars' => $calendars->all(),
            'nobodys' => Conversation::readable()->where('state', ConversationState::Open)->whereNull('owner_id')->count(),
            'awaited' => Conversation::readable()->whereNotNull('turn_awaited_since')->count(),
            'mayMove' => Gate::allows('arrange'),
            'teams' => Team::query()->orderBy('name')->get(),
        ]);
    }

    /**
     * What falls due while somebody is away.
     */
    public function meanwhile(Request $request, Teammate $teammate): View
    {
        Gate::authorize('setAway', $teammate);

        return view('team.meanwhile', [
            'person' => $teammate, 'isOwn' => SignedIn::teammate($request)->is($teammate),
            'conversations' => DueMeanwhile::of($teammate, $teammate->away_until)->with('customer')->limit(self::MOST)->get(),
        ]);
    }

    /**
     * Plans that it is handed out: looked at first, and undone like any change of many.
     */
    public function handOut(Request $request, Teammate $teammate): RedirectResponse
    {
        Gate::authorize('setAway', $teammate);
        $ids = DueMeanwhile::of($teammate, $teammate->away_until)->limit(self::MOST)->pluck('id');

        return $this->planned(array_values($ids->all()), 'turn', $request);
    }

    /**
     * So many of somebody's, those that fall due first, to another person or by the turns of their teams.
     */
    public function move(Request $request, Teammate $teammate): RedirectResponse
    {
        $given = $request->validate([
            'count' => ['required', 'integer', 'min:1', 'max:'.self::MOST], 'to' => ['required', 'string', 'max:20'],
        ], ['count.*' => 'Write how many, from 1 to '.self::MOST.'.', 'to.*' => 'Choose to whom.']);
        $ids = Conversation::readable()->where('owner_id', $teammate->id)->where('state', ConversationState::Open)
            ->whereNull('joined_into_id')->orderBy('next_up')->orderBy('id')->limit((int) $given['count'])->pluck('id');

        return $this->planned(array_values($ids->all()), $given['to'], $request);
    }

    /**
     * @param  list<int>  $ids
     */
    private function planned(array $ids, string $to, Request $request): RedirectResponse
    {
        $bulk = $this->plan->ofChosen($ids, "assign_person:{$to}", '', SignedIn::teammate($request));

        return redirect("/bulk/{$bulk->id}");
    }
}
