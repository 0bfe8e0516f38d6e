<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Hours\StoreHours;
use App\Nudges\Happened\NudgeCalledOff;
use App\Nudges\Happened\NudgeStarted;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Sets a nudge plan to work in a conversation, in place of any that is, and calls it off.
 */
final readonly class StartNudge
{
    public function __construct(private Journal $journal, private StoreHours $hours) {}

    public function start(Conversation $conversation, NudgePlan $plan, Teammate $as, Actor $actor): Nudge
    {
        return DB::transaction(function () use ($conversation, $plan, $as, $actor): Nudge {
            Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            Nudge::query()
                ->where('conversation_id', $conversation->id)
                ->where('state', Nudge::RUNNING)
                ->update(['state' => Nudge::CALLED_OFF, 'reason' => 'another was started']);
            $nudge = new Nudge;
            $nudge->forceFill([
                'conversation_id' => $conversation->id,
                'nudge_plan_id' => $plan->id,
                'teammate_id' => $as->id,
                'sent' => 0,
                'state' => Nudge::RUNNING,
                'started_at' => now(), 'next_at' => $this->hours->openAfterWorkingDays(now(), $plan->daysUntil(0)),
            ])->save();
            $this->journal->record(
                $conversation, new NudgeStarted(new Named($plan->id, $plan->name), $nudge->next_at), $actor
            );

            return $nudge;
        });
    }

    public function callOff(Nudge $nudge, Actor $actor, string $why): void
    {
        DB::transaction(function () use ($nudge, $actor, $why): void {
            Conversation::query()->lockForUpdate()->findOrFail($nudge->conversation_id);
            $changed = Nudge::query()
                ->whereKey($nudge->id)
                ->where('state', Nudge::RUNNING)
                ->update(['state' => Nudge::CALLED_OFF, 'reason' => mb_substr($why, 0, 300)]);
            if ($changed === 1) {
                $this->journal->record(
                    $nudge->conversation()->firstOrFail(),
                    new NudgeCalledOff(new Named($nudge->nudge_plan_id, (string) $nudge->plan()->value('name'))), $actor, $why
                );
            }
        });
    }
}
