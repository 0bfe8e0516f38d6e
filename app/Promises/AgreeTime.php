<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Journal;
use App\Promises\Happened\TimeAgreed;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Another time is agreed with the customer, earlier or later than what is promised. The promise stands beside it, as it was.
 */
final readonly class AgreeTime
{
    public function __construct(private Journal $journal) {}

    /**
     * @throws ConversationRefused|PromiseRefused
     */
    public function agree(Conversation $conversation, CarbonImmutable $at, string $reason, Teammate $teammate): void
    {
        $reason = trim($reason);
        match (true) {
            $reason === '' => throw PromiseRefused::withoutReason(),
            $at->isPast() => throw PromiseRefused::agreedInThePast(),
            default => null,
        };
        DB::transaction(function () use ($conversation, $at, $reason, $teammate): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            if ($locked->state->isDone()) {
                throw PromiseRefused::isDone($locked->number());
            }
            $this->end($locked, AgreedTime::REPLACED);
            $agreed = (new AgreedTime)->forceFill([
                'conversation_id' => $locked->id, 'teammate_id' => $teammate->id, 'at' => $at->utc(), 'agreed_at' => now(),
                'reason' => mb_substr($reason, 0, 300),
            ]);
            $agreed->forceFill($agreed->tellings())->save();
            $this->journal->record($locked, new TimeAgreed($at->utc()), Actor::teammate($teammate), mb_substr($reason, 0, 300));
        });
    }

    /**
     * What is promised counts alone again.
     */
    public function takeBack(Conversation $conversation, Teammate $teammate): void
    {
        DB::transaction(function () use ($conversation, $teammate): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            if ($this->end($locked, AgreedTime::TAKEN_BACK)) {
                $this->journal->record($locked, new TimeAgreed(null), Actor::teammate($teammate));
            }
        });
    }

    private function end(Conversation $locked, string $by): bool
    {
        return AgreedTime::query()->where('conversation_id', $locked->id)->whereNull('ended_at')
            ->update(['ended_at' => now(), 'ended_by' => $by, 'warn_next' => null, 'miss_next' => null]) > 0;
    }
}
