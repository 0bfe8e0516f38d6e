<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Channels\DeliveryFailed;
use App\Channels\Mail\OwnMail;
use App\Team\Teammate;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

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

    public function handle(OwnMail $mail): void
    {
        $person = Teammate::query()->find($this->teammateId);
        if ($person === null) {
            return;
        }
        try {
            $mail->send(
                $person->email, $person->name, 'Your signing in to Cairnfield has changed',
                "Hello {$person->firstName()},\n\n{$this->what}\n\nIf that was you, nothing has to be done. If not, tell an "
                    ."administrator at once, and choose a new password:\n\n".url('/forgotten')."\n"
            );
        } catch (DeliveryFailed $failure) {
            $failure->isFinal ? report($failure) : throw $failure;
        }
    }
}
