<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\DeliveryFailed;
use App\Team\Team;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class AccountController
{
    public function index(): View
    {
        return view('channels.accounts', ['accounts' => Account::query()->with('team')->orderBy('id')->get()]);
    }

    public function create(): View
    {
        return view('channels.account', ['account' => null, 'teams' => Team::query()->orderBy('name')->get()]);
    }

    public function store(Request $request): RedirectResponse
    {
        $account = $this->save($request, new Account(['channel' => Channel::Email, 'secrets' => ['forward_secret' => bin2hex(random_bytes(24))]]));

        return redirect("/accounts/{$account->id}")->with('done', 'The account is connected. Check it before you rely on it.');
    }

    public function edit(Account $account): View
    {
        return view('channels.account', ['account' => $account, 'teams' => Team::query()->orderBy('name')->get()]);
    }

    public function update(Request $request, Account $account): RedirectResponse
    {
        $this->save($request, $account);

        return back()->with('done', 'The settings are saved.');
    }

    /**
     * Signs in to both servers, to see whether the settings are right.
     */
    public function check(Account $account, SmtpSender $sender): RedirectResponse
    {
        try {
            Mailbox::open($account)->close();
            $sender->check($account);
        } catch (MailboxFault|DeliveryFailed $fault) {
            return back()->with('problem', $fault->getMessage());
        }

        return back()->with('done', 'Both servers let us in: mail can be read and sent.');
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

    private function save(Request $request, Account $account): Account
    {
        $values = $request->validate([
            'address' => ['required', 'email:rfc', 'max:254', Rule::unique('accounts', 'address')->where('channel', 'email')->ignore($account->id)],
            'sender_name' => ['required', 'string', 'max:120'],
            'signature' => ['nullable', 'string', 'max:2000'],
            'team_id' => ['nullable', 'exists:teams,id'],
            'state' => ['required', Rule::enum(AccountState::class)],
            'imap_host' => ['required', 'string', 'max:253', 'regex:/^[A-Za-z0-9.:-]+$/'],
            'imap_port' => ['required', 'integer', 'between:1,65535'],
            'imap_security' => ['required', Rule::in(['tls', 'starttls', 'none'])],
            'imap_user' => ['required', 'string', 'max:254'],
            'imap_password' => ['nullable', 'string', 'max:1000'],
            'smtp_host' => ['required', 'string', 'max:253', 'regex:/^[A-Za-z0-9.:-]+$/'],
            'smtp_port' => ['required', 'integer', 'between:1,65535'],
            'smtp_security' => ['required', Rule::in(['tls', 'starttls', 'none'])],
            'smtp_user' => ['nullable', 'string', 'max:254'],
            'smtp_password' => ['nullable', 'string', 'max:1000'],
        ]);
        $settings = array_intersect_key($values, array_flip([
            'imap_host', 'imap_port', 'imap_security', 'imap_user', 'smtp_host', 'smtp_port', 'smtp_security', 'smtp_user',
        ]));
        // Secrets are never shown again, so an empty field means: as it was.
        $secrets = array_filter(array_intersect_key($values, array_flip(['imap_password', 'smtp_password'])));
        $account->fill([
            'address' => $values['address'],
            'sender_name' => $values['sender_name'],
            'signature' => $values['signature'] ?? null,
            'team_id' => $values['team_id'] ?? null,
            'state' => $values['state'],
            'settings' => $settings,
            'secrets' => [...$account->secrets, ...$secrets],
        ]);
        if ($account->exists && $account->isDirty('settings')) {
            // Perhaps another mailbox now: read it from the beginning, what is here already is recognised.
            $account->forceFill(['uid_validity' => null, 'last_uid' => 0]);
        }
        $account->forceFill(['last_error' => null, 'last_error_at' => null])->save();

        return $account;
    }
}
