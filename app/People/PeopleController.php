<?php

declare(strict_types=1);

namespace App\People;

use App\SignIn\SecondFactor;
use App\SignIn\SignIn;
use App\SignIn\SignIns;
use App\SignIn\TellOfChange;
use App\Store\Store;
use App\Team\Role;
use App\Team\SignedIn;
use App\Team\Team;
use App\Team\Teammate;
use DateTimeZone;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * Who may sign in, and as what.
 */
final readonly class PeopleController
{
    public function __construct(private KeepPeople $people, private HandOn $handOn, private SecondFactor $factor) {}

    public function index(): View
    {
        $people = Teammate::query()->with('teams')->orderBy('name')->get();

        return view('people.index', [
            'people' => $people->where('may_sign_in', true),
            'roles' => Role::cases(),
            'requiredOf' => $this->factor->requiredOf(),
            'gone' => $people->where('may_sign_in', false),
            'seen' => SignIn::query()
                ->groupBy('teammate_id')
                ->selectRaw('teammate_id, MAX(seen_at) AS seen_at')
                ->get()
                ->pluck('seen_at', 'teammate_id'),
        ]);
    }

    public function create(): View
    {
        return $this->form(null);
    }

    public function invite(Request $request): RedirectResponse
    {
        [$person, $link] = $this->people->invite(PersonToSave::of($request, null), SignedIn::teammate($request));

        return redirect("/people/{$person->id}")->with($this->said("{$person->name} is invited", $person, $link));
    }

    public function edit(Teammate $teammate): View
    {
        return $this->form($teammate);
    }

    public function update(Request $request, Teammate $teammate): RedirectResponse
    {
        $this->people->change($teammate, PersonToSave::of($request, $teammate), SignedIn::teammate($request));

        return redirect("/people/{$teammate->id}")->with('done', 'Saved.');
    }

    public function sendPass(Request $request, Teammate $teammate): RedirectResponse
    {
        abort_unless($teammate->may_sign_in, 409, 'They are deactivated.');
        $link = $this->people->sendPass($teammate, SignedIn::teammate($request));

        return back()->with($this->said('A new link is made', $teammate, $link));
    }

    public function endSignIns(Teammate $teammate): RedirectResponse
    {
        SignIns::endAll($teammate);

        return back()->with('done', "{$teammate->name} is signed out everywhere.");
    }

    /**
     * The device is lost, and the codes on paper, too.
     */
    public function endSecondStep(Request $request, Teammate $teammate): RedirectResponse
    {
        $this->factor->end($teammate);
        SignIns::endAll($teammate);
        TellOfChange::dispatch($teammate->id, SignedIn::teammate($request)->name.' has switched the second step of signing in off.');

        return back()->with('done', "{$teammate->name} signs in with the password alone, and switches the second step on anew.");
    }

    public function requireSecondStep(Request $request): RedirectResponse
    {
        $roles = $request->validate(['roles' => ['array'], 'roles.*' => [Rule::enum(Role::class)]])['roles'] ?? [];
        $this->factor->require(array_values(array_map(Role::from(...), $roles)));

        return back()->with(
            'done', $roles === [] ? 'Nobody has to have a second step.' : 'Those without a second step are asked for it now.'
        );
    }

    public function leaving(Teammate $teammate): View
    {
        return view('people.leaving', [
            'person' => $teammate, 'work' => $this->handOn->work($teammate),
            'others' => Teammate::working()->whereKeyNot($teammate->id)->get(['id', 'name']),
        ]);
    }

    public function deactivate(Request $request, Teammate $teammate): RedirectResponse
    {
        $by = SignedIn::teammate($request);
        $work = WorkToHandOn::of($request, $teammate, $by);
        $this->people->deactivate($teammate, $by);
        $this->handOn->hand($teammate, $work, $by);

        return redirect('/people')->with('done', "{$teammate->name} cannot sign in any more. Their work is handed on.");
    }

    public function activate(Request $request, Teammate $teammate): RedirectResponse
    {
        $link = $this->people->activate($teammate, SignedIn::teammate($request));

        return redirect("/people/{$teammate->id}")->with($this->said("{$teammate->name} belongs to the team again", $teammate, $link));
    }

    private function form(?Teammate $person): View
    {
        return view('people.person', [
            'person' => $person ?? (new Teammate)->forceFill([
                'role' => Role::Care, 'time_zone' => Store::current()->timeZone, 'may_sign_in' => true,
            ]),
            'roles' => Role::cases(),
            'zones' => DateTimeZone::listIdentifiers(),
            'teams' => Team::query()->orderBy('name')->get(),
            'in' => $person === null ? [] : $person->teams->modelKeys(),
            'open' => $person === null ? collect() : SignIn::open($person->id)->orderByDesc('seen_at')->get(),
        ]);
    }

    /**
     * @return array<string, string>
     */
    private function said(string $what, Teammate $person, ?string $link): array
    {
        return $link === null
            ? ['done' => "{$what}. A link is on its way to {$person->email}."]
            : ['done' => "{$what}. No mail account is connected: hand this link over yourself.", 'pass' => $link];
    }
}
