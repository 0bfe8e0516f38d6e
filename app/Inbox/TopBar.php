<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Channels\Account;
use App\Channels\Mail\UnreadableMail;
use App\Team\Teammate;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Auth;

/**
 * What stands on every page: who is signed in, and to administrators what needs mending.
 */
final class TopBar
{
    public function compose(View $view): void
    {
        $teammate = Auth::user();
        $administers = $teammate instanceof Teammate && $teammate->role->administers();
        $view->with([
            'signedIn' => $teammate,
            'administers' => $administers,
            'troubledAccounts' => $administers ? Account::query()->whereNotNull('last_error')->where('state', 'active')->get() : collect(),
            'unreadableCount' => $administers ? UnreadableMail::query()->where('state', UnreadableMail::KEPT)->count() : 0,
        ]);
    }
}
