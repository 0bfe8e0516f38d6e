<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Team\Teammate;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/**
 * Somebody says that they have forgotten their password. Only here, where nobody waits for it, is it looked up who that is.
 */
final class AnswerForgotten implements ShouldBeEncrypted, ShouldQueue
{
    use Dispatchable;
    use Queueable;

    /** Minutes in which one person is sent one link. */
    private const PAUSE = 5;

    public function __construct(public readonly string $email)
    {
        $this->onQueue('outbox');
    }

    public function handle(): void
    {
        $person = Teammate::query()->where('email', $this->email)->where('may_sign_in', true)->first();
        $wasSent = $person !== null && Pass::query()
            ->where('teammate_id', $person->id)
            ->where('purpose', PassPurpose::Reset)
            ->where('made_at', '>', now()->subMinutes(self::PAUSE))
            ->exists();
        if ($person !== null && ! $wasSent) {
            MailPass::dispatch($person->id, PassPurpose::Reset, null);
        }
    }
}
