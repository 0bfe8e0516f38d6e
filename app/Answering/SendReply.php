<?php

declare(strict_types=1);

namespace App\Answering;

use App\Answering\Happened\Replied;
use App\Answering\Outbox\DeliverOutboxItem;
use App\Channels\Channel;
use App\Channels\ItemKind;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\Attachment;
use App\Conversations\CameInBetween;
use App\Conversations\ChangeState;
use App\Conversations\CheckNothingCameInBetween;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Journal;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Conversations\Snapshots\Snapshot;
use App\Fields\FieldRefused;
use App\Support\RandomUuid;
use App\Team\Teammate;
use App\Templates\ApplySteps;
use App\Templates\RecordTemplateUse;
use App\Templates\UsedTemplate;
use Cairnfield\Core\Templates\FilledText;
use Cairnfield\Core\Text\ContactDetails;
use Cairnfield\Core\Threading\ConversationNumber;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Answers the customer: stores the message and its outbox row in one transaction, and has a worker
 * deliver it. Safe to repeat with the same key.
 */
final readonly class SendReply
{
    public function __construct(
        private CheckNothingCameInBetween $check,
        private AnswerRoutes $routes,
        private AssignConversation $assign,
        private ChangeState $changeState,
        private Journal $journal,
        private ApplySteps $steps,
        private Snapshot $snapshot,
        private RecordTemplateUse $templates,
        private HoldsAnswersBack $heldBack,
    ) {}

    /**
     * @throws ConversationRefused when there is nothing to send, nobody to send it to, or the conversation is closed
     * @throws FieldRefused when a step that goes along does not fit
     * @throws CameInBetween when others did something that this person has not seen
     */
    public function send(Conversation $conversation, Teammate $teammate, ReplyToSend $reply): Message
    {
        $key = Message::onceKeyOfReply($teammate->id, $reply->onceKey);
        try {
            $message = Message::query()->where('once_key', $key)->first()
                ?? DB::transaction(fn (): Message => $this->store($conversation, $teammate, $reply, $key));
        } catch (UniqueConstraintViolationException) {
            $message = Message::query()->where('once_key', $key)->firstOrFail();
        }
        if (! $reply->automatic) {
            Draft::for($conversation, $teammate, Draft::REPLY)->delete();
        }

        return $message;
    }

    private function store(Conversation $conversation, Teammate $teammate, ReplyToSend $reply, string $key): Message
    {
        $locked = Conversation::query()->lockForUpdate()->with('account')->findOrFail($conversation->id);
        $route = $this->refuseIfNotNow($locked, $teammate, $reply);
        $waits = $reply->waits ?? (int) config('cairnfield.outbox.call_back_seconds');
        $before = $waits > 0 ? $this->snapshot->take($locked) : null;
        $message = $this->storeMessage($locked, $teammate, $reply, $route, $key);
        $this->storeFiles($message, $reply);
        $actor = Actor::teammate($teammate);
        $this->journal->record($locked, new Replied($route->to), $actor, message: $message);
        $this->templates->record($locked, $message, $reply->templates);
        $this->goOn($locked, $teammate, $reply, $message);
        $this->alsoDo($locked, $teammate, $reply);
        $item = OutboxItem::queue(
            $message,
            array_values(array_unique([$route->to, ...$message->cc, ...$reply->bcc, ...$this->standingCopies($locked, $route)])),
            $waits, $before === null ? null : [
                ...$before, CallBack::UNTIL => $this->journal->latest($locked),
                CallBack::FORM => Draft::for($locked, $teammate, Draft::REPLY)->first()->details ?? [],
            ]
        );
        DeliverOutboxItem::dispatch($item->id)->delay($waits)->afterCommit();

        return $message;
    }

    /**
     * @throws ConversationRefused where a placeholder stands in the text that nobody has filled
     */
    public static function refuseUnfilled(ReplyToSend $reply): void
    {
        $gaps = [...FilledText::gapsIn((string) $reply->subject), ...FilledText::gapsIn($reply->text)];
        if ($gaps !== []) {
            throw ConversationRefused::unfilled($gaps);
        }
    }

    /**
     * What would be refused if it were sent now.
     *
     * @throws ConversationRefused|FieldRefused
     * @throws CameInBetween when others did something that this person has not seen
     */
    public function refuseIfNotNow(Conversation $locked, Teammate $teammate, ReplyToSend $reply): AnswerRoute
    {
        $this->refuseIfImpossible($locked, $reply);
        $reply->automatic ?: $this->check->since($locked, $reply->seen, $teammate);
        $route = $this->route($locked, $reply);
        $this->refuseAgainstItsRules($locked, $route, $reply);

        return $route;
    }

    private function refuseIfImpossible(Conversation $conversation, ReplyToSend $reply): void
    {
        if (trim($reply->text) === '' && $reply->files === []) {
            throw ConversationRefused::nothingWritten();
        }
        self::refuseUnfilled($reply);
        $waits = $reply->automatic || $reply->despiteApproval ? null : $this->heldBack->whatWaits($conversation);
        $waits === null || throw ConversationRefused::approvalWaits($waits);
        if ($conversation->state === ConversationState::Closed) {
            throw ConversationRefused::closed($conversation->number());
        }
        $staysResolved = $reply->automatic && $conversation->state === ConversationState::Resolved;
        if ($reply->then === ConversationState::Resolved && $reply->outcome === null && ! $staysResolved) {
            throw ConversationRefused::needsOutcome();
        }
        if ($reply->then === ConversationState::Resolved && ! $staysResolved) {
            $this->changeState->refuseIfIncomplete($conversation);
        }
    }

    /**
     * The way that was chosen; where there is no choice, the one there is.
     */
    private function route(Conversation $conversation, ReplyToSend $reply): AnswerRoute
    {
        $routes = $this->routes->of($conversation);
        foreach ($routes as $route) {
            if ($route->key === $reply->route) {
                return $route;
            }
        }
        if ($routes === []) {
            throw ConversationRefused::nobodyToAnswer();
        }
        if ($routes[0]->public && count($routes) > 1) {
            throw ConversationRefused::chooseWay();
        }

        return $routes[0];
    }

    /**
     * What the source would refuse is refused here, before it is on its way.
     */
    private function refuseAgainstItsRules(Conversation $conversation, AnswerRoute $route, ReplyToSend $reply): void
    {
        $channel = $route->account->channel;
        $longest = $channel->type()->longestAnswer();
        $signature = $longest === null ? '' : trim((string) $route->account->signature);
        $length = mb_strlen(trim($reply->text)) + ($signature === '' ? 0 : mb_strlen($signature) + 2);
        $contacts = $channel->type()->forbidsContactDetails() ? ContactDetails::in($reply->text) : [];
        $isSecondAnswer = $route->kind === ItemKind::Rating && $conversation->messages()
            ->where('direction', Message::OUT)
            ->where('kind', ItemKind::Rating)
            ->whereNull('called_back_at')
            ->exists();
        match (true) {
            $longest !== null && $length > $longest => throw ConversationRefused::tooLong($channel->label(), $length, $longest),
            $contacts !== [] => throw ConversationRefused::contactDetails($channel->label(), $contacts),
            $isSecondAnswer => throw ConversationRefused::answeredOnce($channel->label()),
            $reply->files !== [] && ! $channel->isMail() => throw ConversationRefused::noFiles($channel->label()),
            [...$reply->cc, ...$reply->bcc] !== []
                && ! $channel->isMail() => throw ConversationRefused::copiesOnlyByMail($channel->label()),
            default => null,
        };
    }

    private function storeMessage(
        Conversation $conversation,
        Teammate $teammate,
        ReplyToSend $reply,
        AnswerRoute $route,
        string $key,
    ): Message {
        $account = $route->account;
        $answered = $route->answers;
        $isMail = $account->channel->isMail();
        $messageId = RandomUuid::make().'.'.$conversation->id.'@'.(
            $isMail ? Str::after($account->address, '@') : $account->channel->value
        );
        $references = ! $isMail || $answered === null ? [] : array_filter([...$answered->referenceIds(), $answered->message_id]);
        $answeredId = $isMail ? $answered?->message_id : $answered?->outside_id;
        $message = new Message;
        $message->forceFill([
            'conversation_id' => $conversation->id,
            'account_id' => $account->id,
            'teammate_id' => $teammate->id,
            'direction' => Message::OUT,
            'kind' => $route->kind,
            'public' => $route->public,
            'from_name' => $reply->inOwnName ? $teammate->name : $account->sender_name,
            'from_address' => $account->address,
            'to' => [$route->to],
            // Who is answered needs no copy.
            'cc' => array_values(array_filter(
                $reply->cc, static fn (string $address): bool => mb_strtolower($address) !== mb_strtolower($route->to)
            )),
            'bcc' => $reply->bcc === [] ? null : $reply->bcc,
            'subject' => $reply->subject === null
                ? 'Re: '.ConversationNumber::mark(self::withoutReplyMarks($conversation->subject), $conversation->id)
                : ConversationNumber::mark($reply->subject, $conversation->id),
            'message_id' => $messageId,
            'message_id_key' => Message::keyOfId($messageId),
            'in_reply_to' => ($answeredId ?? '') === '' ? null : $answeredId,
            // The first one names the thread, the last ones its end (RFC 5322, 3.6.4 allows leaving out between).
            'references' => implode(' ', [...array_slice($references, 0, 1), ...array_slice(array_slice($references, 1), -20)]),
            'text' => str_replace(["\r\n", "\r"], "\n", rtrim($reply->text)),
            'html' => $isMail ? $reply->html : null,
            'automatic' => $reply->automatic,
            'marks' => [],
            'sent_at' => now(),
            'received_at' => now(),
            'once_key' => $key,
        ])->save();

        return $message;
    }

    /**
     * @return list<string>
     */
    private function standingCopies(Conversation $conversation, AnswerRoute $route): array
    {
        return $route->account->channel === Channel::Email ? $conversation->standing_copies ?? [] : [];
    }

    private function storeFiles(Message $message, ReplyToSend $reply): void
    {
        foreach ($reply->files as $file) {
            (new Attachment)->forceFill([
                'message_id' => $message->id,
                'name' => $file['name'],
                'media_type' => $file['type'],
                'size' => $file['size'],
                'sha256' => $file['sha256'],
                'file' => $file['file'],
            ])->save();
        }
    }

    private function goOn(Conversation $conversation, Teammate $teammate, ReplyToSend $reply, Message $message): void
    {
        // What says only that something has arrived is no answer in the sense of the promises.
        if ($reply->automatic && $reply->then === $conversation->state) {
            return;
        }
        $actor = $reply->automatic ? Actor::application() : Actor::teammate($teammate);
        if ($conversation->owner_id === null && ! $reply->automatic) {
            $this->assign->assign($conversation, $teammate, $actor, 'by answering');
        }
        $conversation->refresh()->forceFill([
            'waiting_since' => null,
            'first_replied_at' => $conversation->first_replied_at ?? now(),
            'last_answered_at' => now(),
            'last_message_at' => now(),
            'preview' => Str::limit(Str::squish($message->text), 200, '…'),
        ])->save();
        match ($reply->then) {
            ConversationState::Resolved => $this->changeState->resolveUnchecked(
                $conversation, $actor, $reply->outcome ?? throw ConversationRefused::needsOutcome()
            ),
            ConversationState::Open => $this->changeState->open($conversation, $actor),
            default => $this->changeState->wait($conversation, $actor),
        };
    }

    private function alsoDo(Conversation $conversation, Teammate $teammate, ReplyToSend $reply): void
    {
        if ($reply->steps !== []) {
            $this->steps->apply(
                $conversation, $reply->steps, array_map(static fn (UsedTemplate $one): int => $one->template, $reply->templates),
                $reply->automatic ? Actor::application() : Actor::teammate($teammate), 'with the answer'
            );
        }
    }

    private static function withoutReplyMarks(string $subject): string
    {
        return trim((string) preg_replace('/^(?:\s*(?:re|aw|sv|antw)\s*(?:\[\d+\])?\s*:)+/iu', '', $subject));
    }
}
