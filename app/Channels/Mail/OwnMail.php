<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\DeliveryFailed;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email as MailToSend;

/**
 * Mail of the application to somebody of the team, by the first mail account that is in use.
 */
final readonly class OwnMail
{
    public function __construct(private SmtpSender $sender) {}

    public static function canBeSent(): bool
    {
        return self::account() !== null;
    }

    /**
     * @throws DeliveryFailed also where there is no account to send it by, for now
     */
    public function send(string $address, string $name, string $subject, string $text): void
    {
        $account = self::account() ?? throw DeliveryFailed::forNow('No mail account is in use.');
        $mail = (new MailToSend)
            ->from(new Address($account->address, 'Cairnfield'))
            ->to(new Address($address, $name))
            ->subject($subject)
            ->text($text);
        // Nothing automatic may answer it in turn (RFC 3834, 3.1.7).
        $mail->getHeaders()->addTextHeader('Auto-Submitted', 'auto-generated');
        $this->sender->sendOwn($account, $mail);
    }

    private static function account(): ?Account
    {
        return Account::query()->whereIn('channel', Channel::mail())->where('state', AccountState::Active)->orderBy('id')->first();
    }
}
