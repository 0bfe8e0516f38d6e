<?php

declare(strict_types=1);

namespace App\Answering\Outbox;

use App\Answering\Happened\Delivered;
use App\Answering\NoteUndelivered;
use App\Channels\DeliveryFailed;
use App\Channels\MessageSender;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\OutboxItem;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Throwable;

/**
 * Delivers one outbox row. The row, not the queue, knows what is still to be done: losing this job
 * loses nothing, and running it twice sends once.
 *
 * Between the other side's yes and our own record of it lies one statement. A worker killed exactly
 * there leaves a message that is sent again with the same Message-ID, as RFC 5321 (4.5.4.1) wants
 * it: rather twice than never.
 */
final class DeliverOutboxItem implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 1;

    public int $timeout = 200;

    public function __construct(public readonly int $itemId)
    {
        $this->onQueue('outbox');
    }

    public function handle(
        MessageSender $sender, ComposeOutgoing $compose, Journal $journal, NoteUndelivered $undelivered
    ): void {
        $item = OutboxItem::lease($this->itemId);
        if ($item === null) {
            return;
        }
        try {
            $outsideId = $sender->deliver($compose->of($item));
        } catch (DeliveryFailed $failure) {
            $this->recordFailure($item, $failure->getMessage(), $failure->isFinal, $undelivered, $failure->retryAfter);

            return;
        } catch (Throwable $defect) {
            report($defect);
            $this->recordFailure($item, 'The message could not be put together: '.$defect->getMessage(), false, $undelivered);

            return;
        }
        OutboxItem::query()->whereKey($item->id)->update([
            'state' => OutboxItem::SENT,
            'sent_at' => now(),
            'lease_until' => null,
            'last_error' => null,
            'attempts' => $item->attempts + 1,
        ]);
        if ($outsideId !== null) {
            $item->message->forceFill(['outside_id' => $outsideId])->save();
        }
        $journal->record($item->message->conversation, new Delivered, Actor::application(), message: $item->message);
    }

    private function recordFailure(
        OutboxItem $item, string $why, bool $isFinal, NoteUndelivered $undelivered, ?int $retryAfter = null
    ): void {
        /** @var list<int> $pauses */
        $pauses = config('cairnfield.outbox.pauses');
        $pause = $pauses[$item->attempts] ?? null;
        $isFinal = $isFinal || $pause === null;
        $pause = max((int) $pause, $retryAfter ?? 0);
        DB::transaction(function () use ($item, $why, $isFinal, $pause, $undelivered): void {
            // The conversation first, as whoever calls the answer back does.
            $conversation = Conversation::query()->lockForUpdate()->findOrFail($item->message->conversation_id);
            OutboxItem::query()->whereKey($item->id)->update([
                'state' => $isFinal ? OutboxItem::FAILED : OutboxItem::DUE,
                'attempts' => $item->attempts + 1,
                'due_at' => now()->addSeconds($pause),
                'lease_until' => null,
                'last_error' => Str::limit($why, 990),
            ]);
            if ($isFinal) {
                $undelivered->refused($conversation, $item->message, $item->recipients, $why);
            }
        });
    }
}
