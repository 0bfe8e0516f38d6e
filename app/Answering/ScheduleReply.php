<?php

declare(strict_types=1);

namespace App\Answering;

use App\Answering\Happened\ScheduleCalledOff;
use App\Answering\Happened\Scheduled;
use App\Conversations\Actor;
use App\Conversations\CameInBetween;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\JournalSentence;
use App\Conversations\Journal\Named;
use App\Conversations\Message;
use App\Fields\FieldRefused;
use App\Team\Teammate;
use App\Templates\TemplateProblem;
use App\Workspace\LastLook;
use App\Workspace\Trail;
use Carbon\CarbonImmutable;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Keeps an answer to be sent later, sends it when its time has come, or calls it off. What is called off is
 * a draft of its author again.
 */
final readonly class ScheduleReply
{
    private const AT_ONCE = 50;

    public function __construct(private SendReply $sendReply, private Journal $journal, private Trail $trail, private LastLook $lastLook,
        private JournalSentence $sentence) {}

    /**
     * Checked like one that is sent now.
     *
     * @throws ConversationRefused|FieldRefused when it could not be sent, or the time has passed
     * @throws CameInBetween when others did something that its author has not seen
     */
    public function schedule(
        Conversation $conversation, Teammate $teammate, ReplyToSend $reply, DateTimeInterface $at, bool $unlessAnswered
    ): ScheduledReply {
        if (CarbonImmutable::instance($at)->isPast()) {
            throw ConversationRefused::sentInThePast();
        }
        $key = Message::onceKeyOfReply($teammate->id, $reply->onceKey);

        return DB::transaction(function () use ($conversation, $teammate, $reply, $at, $unlessAnswered, $key): ScheduledReply {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $earlier = ScheduledReply::query()->where('once_key', $key)->first();
            if ($earlier !== null) {
                return $earlier;
            }
            $this->sendReply->refuseIfNotNow($locked, $teammate, $reply);
            $scheduled = new ScheduledReply;
            $scheduled->forceFill([
                'conversation_id' => $locked->id, 'teammate_id' => $teammate->id,
                'reply' => [
                    ...$reply->toArray(), 'seen' => $reply->seen,
                    'form' => Draft::for($locked, $teammate, Draft::REPLY)->first()->details ?? [],
                ],
                'send_at' => $at,
                'unless_answered' => $unlessAnswered, 'state' => ScheduledReply::DUE, 'once_key' => $key,
            ])->save();
            $this->journal->record($locked, new Scheduled(CarbonImmutable::instance($at), $unlessAnswered), Actor::teammate($teammate));
            Draft::for($locked, $teammate, Draft::REPLY)->delete();

            return $scheduled;
        });
    }

    /**
     * @throws ConversationRefused when it was sent or called off already
     */
    public function callOff(ScheduledReply $scheduled, Actor $actor, string $why): void
    {
        DB::transaction(function () use ($scheduled, $actor, $why): void {
            $conversation = Conversation::query()->lockForUpdate()->findOrFail($scheduled->conversation_id);
            $locked = ScheduledReply::query()->lockForUpdate()->findOrFail($scheduled->id);
            if ($locked->state !== ScheduledReply::DUE) {
                throw ConversationRefused::onItsWay();
            }
            $locked->forceFill(['state' => ScheduledReply::CALLED_OFF, 'reason' => $why])->save();
            $author = Teammate::query()->findOrFail($locked->teammate_id);
            KeepDraft::giveBack(
                $conversation, $author, (string) $locked->reply['text'], array_values((array) $locked->reply['files']),
                (array) ($locked->reply['form'] ?? [])
            );
            $this->journal->record($conversation, new ScheduleCalledOff(new Named($author->id, $author->name)), $actor, $why);
        });
    }

    /**
     * What was to be sent unless they answer is called off when they do. Runs in the transaction of the arrival.
     */
    public function customerAnswered(Conversation $conversation): void
    {
        foreach (
            ScheduledReply::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('state', ScheduledReply::DUE)
                ->where('unless_answered', true)
                ->get() as $scheduled
        ) {
            $this->callOff($scheduled, Actor::application(), 'the customer answered first; what was written is a draft again');
        }
    }

    /**
     * Sends what is due. Runs every few seconds; safe to repeat.
     */
    public function sendDue(): void
    {
        ScheduledReply::query()
            ->where('state', ScheduledReply::DUE)
            ->where('send_at', '<=', now())
            ->with(['conversation', 'teammate'])
            ->orderBy('send_at')
            ->limit(self::AT_ONCE)
            ->get()
            ->each(fn (ScheduledReply $scheduled) => $this->send($scheduled));
    }

    /**
     * Somebody has looked at all there is, and wants it sent.
     */
    public function sendNow(ScheduledReply $scheduled): void
    {
        $this->send($scheduled, true);
    }

    /**
     * Two workers at once send it once, by the key of the form it was written in. What cannot be sent, or what something
     * came before that its author has not seen, is called off, and its author is told.
     */
    private function send(ScheduledReply $scheduled, bool $isWanted = false): void
    {
        if (ScheduledReply::query()->whereKey($scheduled->id)->value('state') !== ScheduledReply::DUE) {
            return;
        }
        // What was joined into another since is answered there.
        $conversation = $scheduled->conversation->joined_into_id === null
            ? $scheduled->conversation
            : Conversation::query()->findOrFail($scheduled->conversation->joined_into_id);
        try {
            $this->sendReply->send(
                $conversation, $scheduled->teammate, ReplyToSend::kept(
                    $scheduled->reply, $isWanted ? $this->trail->lastSeen($conversation) : $this->seen($scheduled, $conversation)
                )
            );
            ScheduledReply::query()
                ->whereKey($scheduled->id)
                ->where('state', ScheduledReply::DUE)
                ->update(['state' => ScheduledReply::SENT]);
        } catch (CameInBetween $between) {
            $what = $this->sentence->of($between->entries->last() ?? throw $between);
            $why = "something came in between: {$what}; what was written is a draft again";
            $this->callOff($scheduled, Actor::application(), mb_substr($why, 0, 300));
        } catch (ConversationRefused|FieldRefused|TemplateProblem $why) {
            $this->callOff($scheduled, Actor::application(), mb_substr($why->getMessage(), 0, 300));
        } catch (Throwable $defect) {
            report($defect);
        }
    }

    /**
     * The newest entry that its author has seen: when it was planned, or at a look since.
     */
    private function seen(ScheduledReply $scheduled, Conversation $conversation): int
    {
        return max((int) ($scheduled->reply['seen'] ?? 0), $this->lastLook->seen($conversation, $scheduled->teammate));
    }
}
