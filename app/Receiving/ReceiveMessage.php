<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Answering\AskPartner;
use App\Answering\NoteUndelivered;
use App\Answering\ScheduleReply;
use App\Channels\Account;
use App\Channels\ItemKind;
use App\Channels\ReceiptOutcome;
use App\Channels\ReceivedMessage;
use App\Channels\Receives;
use App\Conversations\Actor;
use App\Conversations\BeginAsCategorySays;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Happened\Began;
use App\Conversations\Happened\Junked;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\KeptFiles;
use App\Conversations\Message;
use App\Conversations\PlaceInQueue;
use App\Customers\Customer;
use App\Customers\FindDuplicates;
use App\Customers\FindOrAddCustomer;
use App\Orders\AttachOrders;
use App\Orders\FindOrders;
use App\Orders\FoundOrders;
use App\Receiving\Happened\MessageReceived;
use App\Sorting\Category;
use App\Sorting\WhoMayRead;
use Cairnfield\Core\Mail\SenderCheck;
use Cairnfield\Core\Mood\Mood;
use Cairnfield\Core\Threading\BareSubject;
use Cairnfield\Core\Threading\ConversationNumber;
use Cairnfield\Core\Threading\ThreadedBy;
use Cairnfield\Core\Threading\ThreadingDecision;
use Carbon\CarbonImmutable;
use Carbon\CarbonInterface;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * Takes in one message, the same way for every channel: takes secret numbers out of it, finds or
 * begins its conversation, its customer and its orders, stores it with its files, and makes it our
 * turn. Safe to repeat: the same message is stored once.
 */
final readonly class ReceiveMessage implements Receives
{
    public function __construct(
        private PrepareArrival $prepare,
        private FindThread $findThread,
        private FindPersonThread $findPersonThread,
        private FindOrders $findOrders,
        private FindOrAddCustomer $customers,
        private AttachOrders $attachOrders,
        private JudgeJunk $judgeJunk,
        private StoreArrival $storeArrival,
        private WhoMayRead $whoMayRead,
        private Journal $journal,
        private ScheduleReply $scheduleReply,
        private AskPartner $askPartner,
        private ChangeState $state,
        private CurrentCause $cause,
        private NoteUndelivered $undelivered,
        private FillOwnFields $fillOwnFields,
        private SendReceipt $sendReceipt,
        private CheckSender $checkSender,
        private BeginAsCategorySays $asCategorySays,
        private TakesWishedReturns $wishedReturns,
    ) {}

    public function receive(Account $account, ReceivedMessage $received): ReceiptOutcome
    {
        $earlier = $this->storedBefore($received);

        return $earlier !== null
            ? self::outcome(false, $earlier, $received->wantsReceipt)
            : $this->storeOnce($account, $this->prepare->of($received));
    }

    public function receivePrepared(Account $account, Arrival $arrival): ReceiptOutcome
    {
        $earlier = $this->storedBefore($arrival->received);

        return $earlier !== null
            ? self::outcome(false, $earlier, $arrival->received->wantsReceipt)
            : $this->storeOnce($account, $arrival);
    }

    private function storeOnce(Account $account, Arrival $arrival): ReceiptOutcome
    {
        $received = $arrival->received;
        $kept = $this->storeArrival->keep($arrival);
        try {
            return DB::transaction(fn (): ReceiptOutcome => $this->cause->during(
                Cause::of(CauseKind::Channel, $account->id, $account->title()),
                fn (): ReceiptOutcome => self::outcome(true, $this->store($account, $arrival, $kept), $received->wantsReceipt)
            ), 5);
        } catch (UniqueConstraintViolationException $collision) {
            // Another worker took the same message in between.
            return self::outcome(false, $this->storedBefore($received) ?? throw $collision, $received->wantsReceipt);
        }
    }

    private static function outcome(bool $isNew, Message $message, bool $asksReceipt): ReceiptOutcome
    {
        return new ReceiptOutcome($isNew, $message->id, $message->conversation_id, $asksReceipt && SendReceipt::isSentFor($message));
    }

    private function storedBefore(ReceivedMessage $received): ?Message
    {
        $id = DB::table('messages')->where('once_key', $received->onceKey)->value('id');

        return $id === null ? null : Message::query()->findOrFail((int) $id);
    }

    private function store(Account $account, Arrival $arrival, KeptFiles $kept): Message
    {
        $received = $arrival->received;
        // What one person sends at the same moment by two workers is put into one conversation.
        // Whoever is found not to be who they say is nobody that we know.
        $check = $this->checkSender->of($account, $received);
        $isTheirs = $check !== SenderCheck::Failed;
        $known = $isTheirs ? $this->customers->known($received->sender, $received->item !== null) : null;
        $orders = $this->ordersIn($arrival);
        $returned = $received->bounce === null ? null : $this->undelivered->messageOf($received->bounce);
        $decision = match (true) {
            $returned !== null => ThreadingDecision::continues($returned->conversation_id, ThreadedBy::References),
            // Reports about other matters have nothing to do with each other.
            $received->bounce !== null => ThreadingDecision::beginsNew(),
            $received->item === null => $this->findThread->for($received, $known?->id, isTheirs: $isTheirs),
            default => $this->findPersonThread->for($account, $received->item, $known?->id),
        };
        $isNew = $decision->continues === null;
        $conversation = $isNew
            ? $this->begin($account, $arrival, $decision, $orders, $known, $isTheirs)
            : $this->goOnIn($decision->continues);
        $message = $this->storeArrival->message($conversation, $account, $arrival, $kept, ['sender_check' => $check]);
        if ($returned !== null) {
            $this->takeBounce($account, $conversation, $arrival, $message, $returned);

            return $message;
        }
        $received->automatic || $received->item !== null ?: NoteUndelivered::works($received->sender->value);
        $partner = $isNew || $received->item !== null ? null : $this->askPartner->threadOf($received, $conversation);
        if ($partner !== null) {
            // The customer never sees it, and does not wait because of it.
            $this->askPartner->answered($conversation, $partner, $message);

            return $message;
        }
        $this->journal->recordAll($conversation, ...($isNew ? $this->beginning($conversation, $decision) : []), ...[[
            new MessageReceived(
                $received->channel, $account->address, $isNew, ! $isNew && self::becomesOurTurn($conversation, $arrival)
                    ? $conversation->state
                    : null,
                $received->automaticAnswer,
                $received->item?->answerBy === null ? null : CarbonImmutable::instance($received->item->answerBy)
            ),
            Actor::customer(),
            ThreadingReason::of($decision),
            $message,
        ]]);
        $this->attachOrders->attach(
            $conversation,
            $this->isAboutLatest($isNew, $orders, $known, $conversation)
                ? $this->findOrders->latelyOf($conversation->customer_id)
                : $orders,
            Actor::application()
        );
        $received->wishedReturn === null || $conversation->junk
            ?: $this->wishedReturns->take($received->wishedReturn, $conversation, $message);
        if ($isNew) {
            // Together with the message: rules look at it once, and ask for what was chosen in a form.
            $this->fillOwnFields->from($received, $conversation);
            $category = $received->categoryId === null ? null : Category::query()->find($received->categoryId);
            $category === null ?: $this->asCategorySays->begin($conversation, $category);
            if ($received->wantsReceipt && ! $conversation->junk) {
                $this->sendReceipt->send($conversation, $message, $received->replyTo ?? '');
            }
        } else {
            $conversation->junk ? $this->keepAsJunk($conversation, $arrival) : $this->makeItOurTurn($conversation, $arrival);
            if (! $conversation->junk && ! $received->automaticAnswer) {
                $this->scheduleReply->customerAnswered($conversation);
            }
            if (($conversation->standing_copies ?? []) !== []) {
                CopyToStanding::dispatch($message->id)->afterCommit();
            }
        }

        return $message;
    }

    private function ordersIn(Arrival $arrival): FoundOrders
    {
        $item = $arrival->received->item;
        // What stands in a form was typed by whoever wrote: no marketplace says so.
        $isTyped = $item?->kind === ItemKind::Form;

        return $this->findOrders->for(
            $arrival->subject."\n".$arrival->text, $isTyped ? null : $item?->orderNumber, $isTyped ? $item->orderNumber : null
        );
    }

    /**
     * A mail system says that an answer did not arrive: the customer has written nothing.
     */
    private function takeBounce(Account $account, Conversation $conversation, Arrival $arrival, Message $message, Message $returned): void
    {
        $this->journal->recordAll($conversation, [
            new MessageReceived($arrival->received->channel, $account->address, false, null, true), Actor::customer(),
            'it is about an answer that we sent', $message,
        ]);
        $arrival->received->bounce === null ?: $this->undelivered->bounced($conversation, $returned, $arrival->received->bounce);
    }

    /**
     * A known customer who begins without naming an order, and not before buying.
     */
    private function isAboutLatest(bool $isNew, FoundOrders $orders, ?Customer $known, Conversation $conversation): bool
    {
        return $isNew && $known !== null && ! $conversation->junk && $conversation->kind !== ItemKind::Question
            && $orders->orders->isEmpty() && $orders->unknown === [];
    }

    private function goOnIn(int $id): Conversation
    {
        $conversation = Conversation::query()->lockForUpdate()->findOrFail($id);

        // What was joined into another goes on there.
        return $conversation->joined_into_id === null ? $conversation : $this->goOnIn($conversation->joined_into_id);
    }

    private function begin(
        Account $account, Arrival $arrival, ThreadingDecision $decision, FoundOrders $orders, ?Customer $known, bool $isTheirs
    ): Conversation {
        $received = $arrival->received;
        $junk = $this->judgeJunk->reasons($arrival, $known?->id);
        $customer = $isTheirs
            ? $this->customers->bySender($received->sender, $known, $orders, $arrival->language)
            : $this->customers->unproven($received->sender, $arrival->language);
        $subject = ConversationNumber::withoutMark($arrival->subject);
        $conversation = Conversation::begin([
            'subject' => mb_substr($subject === '' ? '(no subject)' : $subject, 0, 500),
            'bare_subject_key' => hash('sha256', BareSubject::of($arrival->subject)->text),
            'customer_id' => $customer->id,
            'customer_place' => $known === null ? PlaceInQueue::NO_GROUP : PlaceInQueue::placeOf($customer->id),
            'account_id' => $account->id,
            'channel' => $received->channel,
            'kind' => $received->item->kind ?? ItemKind::Message,
            'public' => $received->item->public ?? false,
            'state' => $junk === [] ? ConversationState::Open : ConversationState::Resolved,
            'team_id' => $account->team_id,
            'category_id' => $received->categoryId ?? $this->categoryOfLinked($decision),
            'linked_conversation_id' => $decision->linksTo,
            'automatic' => $received->automatic,
            'language' => $arrival->language,
            'mood' => $arrival->mood->mood ?? Mood::Neutral,
            'about_title' => $received->item?->aboutTitle,
            'about_url' => $received->item?->aboutUrl,
            'stars' => $received->item?->stars,
            'junk' => $junk !== [],
            'junk_reasons' => $junk === [] ? null : $junk,
            'preview' => Message::previewOf($arrival->text),
            'last_message_at' => now(),
            'last_customer_message_at' => now(),
            'waiting_since' => $junk === [] ? $this->waitingSince(null, $arrival, true) : null,
        ]);
        if ($junk === [] && $orders->orders->isNotEmpty()) {
            FindDuplicates::dispatch($customer->id)->afterCommit();
        }

        return $conversation;
    }

    /**
     * An answer to what is over begins anew, and may quote all of it.
     */
    private function categoryOfLinked(ThreadingDecision $decision): ?int
    {
        return $decision->linksTo === null
            ? null
            : $this->whoMayRead->staysIn(Conversation::query()->find($decision->linksTo, ['category_id'])?->category_id);
    }

    /**
     * @return list<array{Payload, Actor, string, null}>
     */
    private function beginning(Conversation $conversation, ThreadingDecision $decision): array
    {
        $began = [
            new Began(Named::orNone($decision->linksTo, $decision->linksTo === null ? null : ConversationNumber::show($decision->linksTo))),
            Actor::customer(),
            ThreadingReason::ofLink($decision),
            null,
        ];

        return $conversation->junk
            ? [$began, [new Junked, Actor::application(), implode('; ', $conversation->junk_reasons ?? []), null]]
            : [$began];
    }

    /**
     * Junk waits for nobody: it is put away, and found in the junk view.
     */
    private function keepAsJunk(Conversation $conversation, Arrival $arrival): void
    {
        $conversation->forceFill([
            'preview' => Message::previewOf($arrival->text),
            'last_message_at' => now(),
            'last_customer_message_at' => now(),
        ])->save();
    }

    /**
     * The customer waits from now on, unless they do already, or it was a machine that answered.
     */
    private function waitingSince(?CarbonInterface $since, Arrival $arrival, bool $isOurTurn): ?CarbonInterface
    {
        return $isOurTurn && ! $arrival->received->automaticAnswer ? $since ?? now() : $since;
    }

    private function makeItOurTurn(Conversation $conversation, Arrival $arrival): void
    {
        $isChanged = self::becomesOurTurn($conversation, $arrival);
        $isOurTurn = $isChanged || $conversation->state === ConversationState::Open;
        $conversation->forceFill([
            'preview' => Message::previewOf($arrival->text),
            'language' => $conversation->language ?? $arrival->language,
            'mood' => $conversation->mood->then($arrival->mood->mood ?? Mood::Neutral),
            'public' => $conversation->public || ($arrival->received->item->public ?? false),
            'last_message_at' => now(),
            'last_customer_message_at' => now(),
            'waiting_since' => $this->waitingSince($conversation->waiting_since, $arrival, $isOurTurn),
        ]);
        if ($isChanged) {
            $this->state->set($conversation, ConversationState::Open, Actor::application(), [], 'the customer wrote');
        }
        $conversation->save();
    }

    /**
     * Whether the message ends the state that the conversation is in.
     */
    private static function becomesOurTurn(Conversation $conversation, Arrival $arrival): bool
    {
        return ! $conversation->junk && ! $arrival->received->automaticAnswer && $conversation->state !== ConversationState::Open;
    }
}
