<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\Account;
use App\Channels\Mail\Email;
use App\Channels\ReceivedMessage;
use Cairnfield\Core\Mail\AuthenticationResults;
use Cairnfield\Core\Mail\SenderCheck;
use Illuminate\Support\Str;

/**
 * Whether a mail comes from whom it says, as far as the server says that an administrator has named for its account.
 */
final class CheckSender
{
    public function of(Account $account, ReceivedMessage $received): ?SenderCheck
    {
        return $received->trace === [] ? null : AuthenticationResults::check(
            $received->trace,
            (string) ($account->settings[Email::CHECK_SERVER] ?? ''),
            str_contains($received->sender->value, '@') ? Str::afterLast($received->sender->value, '@') : ''
        );
    }
}
