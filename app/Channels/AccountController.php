<?php

declare(strict_types=1);

namespace App\Channels;

use App\Channels\Mail\Mailbox;
use App\Channels\Mail\MailboxFault;
use App\Channels\Mail\SmtpSender;
use App\Channels\Services\CatchUp;
use App\Channels\Services\ConnectService;
use App\Channels\Services\EventTrace;
use App\Channels\Services\ServiceFault;
use App\Support\Written;
use App\Team\Team;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class AccountController
{
    public function __construct(private AccountForm $form, private ConnectService $services) {}

    public function index(): View
    {
        return view('channels.accounts', [
            'accounts' => Account::query()
                ->with('team')
                ->orderBy('id')
                ->get()
                ->groupBy(static fn (Account $account): string => $account->channel->value),
            'channels' => Channel::cases(),
        ]);
    }

    public function create(Request $request): View
    {
        $channel = Channel::tryFrom(Written::text($request, 'channel') ?: Channel::Email->value) ?? abort(404);

        return $this->show(new Account(['channel' => $channel, 'settings' => [], 'secrets' => []]));
    }

    public function store(Request $request): RedirectResponse
    {
        $channel = Channel::tryFrom(Written::text($request, 'channel') ?: Channel::Email->value) ?? abort(404);
        $account = new Account([
            'channel' => $channel, 'settings' => [],
            'secrets' => $channel === Channel::Email ? ['forward_secret' => bin2hex(random_bytes(24))] : [],
        ]);
        $this->form->fill($request, $account);
        $account->save();
        if (! $channel->isService()) {
            return redirect("/accounts/{$account->id}")->with('done', 'The account is connected. Check it before you rely on it.');
        }
        try {
            $known = $this->services->check($account);
            $this->services->subscribe($account);
            CatchUp::dispatch($account->id);
        } catch (ServiceFault $fault) {
            $account->wentWrong($fault->getMessage());

            return redirect("/accounts/{$account->id}")->with(
                'problem', "The account is stored, but not connected yet: {$fault->getMessage()}"
            );
        }

        return redirect("/accounts/{$account->id}")->with('done', "Connected. {$known} What happened there so far is being read.");
    }

    public function edit(Account $account): View
    {
        return $this->show($account);
    }

    public function update(Request $request, Account $account): RedirectResponse
    {
        $this->form->fill($request, $account);
        if ($account->channel === Channel::Email && $account->isDirty('settings')) {
            // Perhaps another mailbox now: read it from the beginning, what is here already is recognised.
            $account->forceFill(['uid_validity' => null, 'last_uid' => 0]);
        }
        $account->forceFill(['last_error' => null, 'last_error_at' => null])->save();

        return back()->with('done', 'The settings are saved.');
    }

    /**
     * Signs in there, to see whether the settings are right.
     */
    public function check(Account $account, SmtpSender $sender): RedirectResponse
    {
        try {
            $said = match (true) {
                $account->channel === Channel::Email => $this->checkMail($account, $sender),
                $account->channel->isService() => $this->checkService($account),
                default => 'Nothing outside is needed for it.',
            };
        } catch (MailboxFault|DeliveryFailed|ServiceFault $fault) {
            return back()->with('problem', $fault->getMessage());
        }

        return back()->with('done', $said);
    }

    public function pause(Account $account): RedirectResponse
    {
        $isPaused = $account->state === AccountState::Paused;
        $account->forceFill(['state' => $isPaused ? AccountState::Active : AccountState::Paused])->save();
        if ($isPaused && $account->channel->isService()) {
            CatchUp::dispatch($account->id);
        }

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
        if ($account->channel->isService()) {
            $this->services->disconnect($account);
        }
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
        try {
            if ($account->channel->isService()) {
                $this->checkService($account);
                CatchUp::dispatch($account->id);
            }
        } catch (ServiceFault $fault) {
            $account->wentWrong($fault->getMessage());

            return back()->with('problem', $fault->getMessage());
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

    private function show(Account $account): View
    {
        return view('channels.account', [
            'account' => $account,
            'teams' => Team::query()->orderBy('name')->get(),
            'mailAccounts' => Account::query()->where('channel', Channel::Email)->orderBy('id')->get(),
            'traces' => $account->exists
                ? EventTrace::query()->where('account_id', $account->id)->orderByDesc('at')->limit(10)->get()
                : collect(),
        ]);
    }

    private function checkMail(Account $account, SmtpSender $sender): string
    {
        Mailbox::open($account)->close();
        $sender->check($account);

        return 'Both servers let us in: mail can be read and sent.';
    }

    private function checkService(Account $account): string
    {
        $said = $this->services->check($account);
        $this->services->subscribe($account);
        $account->heard();

        return "{$said} It tells us what happens, and lets us answer.";
    }
}
