<?php

declare(strict_types=1);

namespace App\Channels;

use App\Channels\Services\EventTrace;
use App\Store\BeginSteps;
use App\Support\OutsideHosts;
use App\Support\Written;
use App\Team\Team;
use Illuminate\Contracts\Container\Container;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class AccountController
{
    public function __construct(private AccountForm $form, private Container $container) {}

    public function index(OutsideHosts $hosts): View
    {
        return view('channels.accounts', [
            'accounts' => Account::query()
                ->with('team')
                ->orderBy('id')
                ->get()
                ->groupBy(static fn (Account $account): string => $account->channel->value),
            'channels' => Channel::cases(),
            'insideHosts' => $hosts->allowed(),
        ]);
    }

    public function create(Request $request): View
    {
        return $this->show(new Account(['channel' => $this->chosen($request), 'settings' => [], 'secrets' => []]));
    }

    public function store(Request $request, BeginSteps $steps): RedirectResponse
    {
        $channel = $this->chosen($request);
        $account = new Account([
            'channel' => $channel, 'settings' => [],
            'secrets' => $channel->isMail() ? ['forward_secret' => bin2hex(random_bytes(24))] : [],
        ]);
        $this->form->fill($request, $account);
        $account->save();
        // Who begins goes back to the steps; they show how it stands, too.
        $next = redirect($steps->isGoingOn() ? '/begin' : "/accounts/{$account->id}");
        try {
            $said = $this->connection($account)?->begin($account) ?? 'The account is connected. Check it before you rely on it.';
        } catch (NotConnected $why) {
            return $next->with('problem', "The account is stored, but not connected yet: {$why->getMessage()}");
        }

        return $next->with('done', $said);
    }

    public function edit(Account $account): View
    {
        return $this->show($account);
    }

    public function update(Request $request, Account $account): RedirectResponse
    {
        $this->form->fill($request, $account);
        $account->isDirty('settings') && $this->connection($account)?->changed($account);
        $account->forceFill(['last_error' => null, 'last_error_at' => null])->save();

        return back()->with('done', 'The settings are saved.');
    }

    /**
     * Signs in there, to see whether the settings are right.
     */
    public function check(Account $account): RedirectResponse
    {
        try {
            return back()->with('done', $this->connection($account)?->check($account) ?? 'Nothing outside is needed for it.');
        } catch (NotConnected $why) {
            return back()->with('problem', $why->getMessage());
        }
    }

    public function pause(Account $account): RedirectResponse
    {
        $isPaused = $account->state === AccountState::Paused;
        $account->forceFill(['state' => $isPaused ? AccountState::Active : AccountState::Paused])->save();
        $isPaused && $this->connection($account)?->goOn($account);

        return back()->with(
            'done',
            $isPaused
                ? 'It goes on: what came in the meantime is being read.'
                : 'Paused. Nothing is read or sent by it until it goes on; nothing is lost.'
        );
    }

    /**
     * Throws its secrets away. What came by it stays, and it can be connected again.
     */
    public function disconnect(Account $account): RedirectResponse
    {
        $this->connection($account)?->end($account);
        $account->forceFill([
            'state' => AccountState::Disconnected, 'secrets' => [], 'last_error' => null, 'last_error_at' => null,
        ])->save();

        return redirect('/accounts')->with(
            'done', "{$account->title()} is disconnected and its secrets are thrown away. What came by it stays."
        );
    }

    /**
     * With the secrets put in anew.
     */
    public function reconnect(Request $request, Account $account): RedirectResponse
    {
        $this->form->fill($request, $account);
        $account->forceFill(['state' => AccountState::Active])->save();
        if ($account->channel->isService()) {
            try {
                $this->connection($account)?->check($account);
                $this->connection($account)?->goOn($account);
            } catch (NotConnected $why) {
                $account->wentWrong($why->getMessage());

                return back()->with('problem', $why->getMessage());
            }
        }

        return back()->with('done', 'Connected again.');
    }

    /**
     * Makes a new secret for forwarded mail and shows it this once; the one before is worth nothing any more.
     */
    public function renewForwardSecret(Account $account): RedirectResponse
    {
        $secret = bin2hex(random_bytes(24));
        $account->forceFill(['secrets' => [...$account->secrets, 'forward_secret' => $secret]])->save();

        return back()->with('forward_secret', $secret);
    }

    /**
     * A host inside our own network is not written to any more.
     */
    public function forbidInside(Request $request, OutsideHosts $hosts): RedirectResponse
    {
        $host = $request->validate(['host' => ['required', 'string', 'max:253']])['host'];
        $hosts->forbid($host);

        return redirect('/accounts')->with('done', "Nothing is sent to {$host} any more.");
    }

    private function show(Account $account): View
    {
        return view('channels.account', [
            'account' => $account,
            'teams' => Team::query()->orderBy('name')->get(),
            'type' => $account->channel->type(),
            'traces' => $account->exists
                ? EventTrace::query()->where('account_id', $account->id)->orderByDesc('at')->limit(10)->get()
                : collect(),
        ]);
    }

    private function chosen(Request $request): Channel
    {
        return Channel::tryFrom(Written::text($request, 'channel') ?: Channel::mail()[0]->value) ?? abort(404);
    }

    private function connection(Account $account): ?Connection
    {
        $class = $account->channel->type()->connection();

        return $class === null ? null : $this->container->make($class);
    }
}
