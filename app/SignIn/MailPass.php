<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\DeliveryFailed;
use App\Channels\Mail\SmtpSender;
use App\Team\Teammate;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

/**
 * Makes a one-time link and mails it to whom it is for. The link is made as it is sent, so that it lies in no queue.
 */
final class MailPass implements ShouldBeEncrypted, ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 5;

    /** @var list<int> seconds */
    public array $backoff = [10, 60, 300, 900];

    public function __construct(
        public readonly int $teammateId, public readonly PassPurpose $purpose, public readonly ?int $madeById
    ) {
        $this->onQueue('outbox');
    }

    /**
     * Whether there is an account that mail of our own leaves by.
     */
    public static function canBeSent(): bool
    {
        return self::account() !== null;
    }

    public function handle(Passes $passes, SmtpSender $sender): void
    {
        $person = Teammate::query()->where('may_sign_in', true)->find($this->teammateId);
        $account = self::account();
        if ($person === null || $account === null) {
            return;
        }
        $by = $this->madeById === null ? null : Teammate::query()->find($this->madeById);
        $link = Passes::address($passes->make($person, $this->purpose, $by, $this->attempts() > 1));
        try {
            $sender->sendOwn($account, $this->mail($account, $person, $by, $link));
        } catch (DeliveryFailed $failure) {
            // Refused for good: whoever invited them sees that they have not come, and can hand the link over.
            $failure->isFinal ? report($failure) : throw $failure;
        }
    }

    /**
     * By which mail of our own leaves.
     */
    public static function account(): ?Account
    {
        return Account::query()->whereIn('channel', Channel::mail())->where('state', AccountState::Active)->orderBy('id')->first();
    }

    private function mail(Account $account, Teammate $person, ?Teammate $by, string $link): Email
    {
        $store = (string) config('cairnfield.store.name');
        [$subject, $text] = match ($this->purpose) {
            PassPurpose::Invitation => [
                "You are invited to the customer care of {$store}",
                ($by === null ? '' : "{$by->name} invites you. ")."Choose a password here, and you are in:\n\n{$link}\n\n"
                    ."The link works once, for seven days.\n",
            ],
            PassPurpose::Reset => [
                'A new password for Cairnfield',
                "Choose a new password here:\n\n{$link}\n\nThe link works once, for two hours. "
                    ."If you have not asked for it, nothing has to be done: your password stays as it is.\n",
            ],
        };
        $mail = (new Email)
            ->from(new Address($account->address, 'Cairnfield'))
            ->to(new Address($person->email, $person->name))
            ->subject($subject)
            ->text("Hello {$person->firstName()},\n\n{$text}");
        $mail->getHeaders()->addTextHeader('Auto-Submitted', 'auto-generated');

        return $mail;
    }
}
