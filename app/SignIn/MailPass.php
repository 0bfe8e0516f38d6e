<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Channels\DeliveryFailed;
use App\Channels\Mail\OwnMail;
use App\Store\Store;
use App\Team\Teammate;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

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

    public function handle(Passes $passes, OwnMail $mail): void
    {
        $person = Teammate::query()->where('may_sign_in', true)->find($this->teammateId);
        if ($person === null) {
            return;
        }
        $by = $this->madeById === null ? null : Teammate::query()->find($this->madeById);
        $link = Passes::address($passes->make($person, $this->purpose, $by, $this->attempts() > 1));
        try {
            [$subject, $text] = $this->text($by, $link);
            $mail->send($person->email, $person->name, $subject, "Hello {$person->firstName()},\n\n{$text}");
        } catch (DeliveryFailed $failure) {
            // Refused for good: whoever invited them sees that they have not come, and can hand the link over.
            $failure->isFinal ? report($failure) : throw $failure;
        }
    }

    /**
     * @return array{string, string} subject and text
     */
    private function text(?Teammate $by, string $link): array
    {
        $store = Store::current()->name;

        return match ($this->purpose) {
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
    }
}
