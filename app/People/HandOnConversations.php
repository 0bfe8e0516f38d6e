<?php

declare(strict_types=1);

namespace App\People;

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/**
 * Gives what lies with somebody who has left to somebody else, or back to nobody: some at a time, until nothing is left.
 */
final class HandOnConversations implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    private const AT_ONCE = 100;

    public function __construct(public readonly int $personId, public readonly ?int $toId, public readonly int $byId)
    {
        $this->onQueue('default');
    }

    public function handle(AssignConversation $assign, WhoMayRead $whoMayRead): void
    {
        $person = Teammate::query()->findOrFail($this->personId);
        if ($person->may_sign_in) {
            // They are back: what is theirs stays so.
            return;
        }
        // Whoever was to take over may have left meanwhile: then it is nobody's, and seen by all.
        $to = $this->toId === null ? null : Teammate::working()->find($this->toId);
        $by = Actor::teammate(Teammate::query()->findOrFail($this->byId));
        $some = HandOn::conversations($person)->orderBy('id')->limit(self::AT_ONCE)->get();
        foreach ($some as $conversation) {
            $reads = $to !== null && $whoMayRead->mayReadConversation($to->id, $conversation);
            $assign->assign($conversation, $reads ? $to : null, $by, "{$person->name} is not in the team any more");
        }
        $some->count() < self::AT_ONCE ?: self::dispatch($this->personId, $this->toId, $this->byId);
    }
}
