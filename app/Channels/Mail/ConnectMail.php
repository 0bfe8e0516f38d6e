<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\Connection;
use App\Channels\DeliveryFailed;
use App\Channels\NotConnected;

/**
 * Signs in at both servers of a mail account.
 */
final readonly class ConnectMail implements Connection
{
    public function __construct(private SmtpSender $sender, private AddressDetails $details) {}

    public function begin(Account $account): string
    {
        return 'The account is connected. Check it before you rely on it.';
    }

    public function check(Account $account): string
    {
        try {
            Mailbox::open($account)->close();
            $this->sender->check($account);
            $this->details->try($account);
        } catch (MailboxFault|DeliveryFailed $fault) {
            throw NotConnected::since($fault);
        }

        return 'Both servers let us in: mail can be read and sent.';
    }

    public function goOn(Account $account): void
    {
        // Every mailbox is asked every few seconds.
    }

    public function changed(Account $account): void
    {
        // Perhaps another mailbox now: read it from the beginning, what is here already is recognised.
        $account->forceFill(['uid_validity' => null, 'last_uid' => 0, 'takes_details' => false, 'details_tried_at' => null]);
    }

    public function end(Account $account): void {}
}
