<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Channels\DeliveryFailed;
use App\Channels\Mail\SmtpSender;
use App\Team\Teammate;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

/**
 * Tells somebody by mail that something about their signing in has changed, in case it was not them (OWASP ASVS 5, 6.3.7).
 */
final class TellOfChange implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $tries = 5;

    /** @var list<int> seconds */
    public array $backoff = [10, 60, 300, 900];

    public function __construct(public readonly int $teammateId, public readonly string $what)
    {
        $this->onQueue('outbox');
    }

    public function handle(SmtpSender $sender): void
    {
        $account = MailPass::account();
        $person = Teammate::query()->find($this->teammateId);
        if ($account === null || $person === null) {
            return;
        }
        $mail = (new Email)
            ->from(new Address($account->address, 'Cairnfield'))
            ->to(new Address($person->email, $person->name))
            ->subject('Your signing in to Cairnfield has changed')
            ->text("Hello {$person->firstName()},\n\n{$this->what}\n\nIf that was you, nothing has to be done. If not, tell an "
                ."administrator at once, and choose a new password:\n\n".url('/forgotten')."\n");
        $mail->getHeaders()->addTextHeader('Auto-Submitted', 'auto-generated');
        try {
            $sender->sendOwn($account, $mail);
        } catch (DeliveryFailed $failure) {
            $failure->isFinal ? report($failure) : throw $failure;
        }
    }
}
