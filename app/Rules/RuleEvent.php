<?php

declare(strict_types=1);

namespace App\Rules;

use App\Approvals\ApprovalState;
use App\Approvals\Happened\ApprovalAnswered;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Orders\Happened\OrderChanged;
use App\Orders\Happened\ParcelSeen;
use App\Receiving\Happened\MessageReceived;
use App\Refunds\Happened\RefundEnded;
use App\Returns\Happened\ReturnMoved;
use App\Returns\ReturnState;
use Cairnfield\Core\Parcels\ParcelStage;

/**
 * What can happen that rules run on. Everything that happens is in the journal, so events are read from it.
 */
enum RuleEvent: string
{
    case FirstMessage = 'first_message';
    case LaterMessage = 'later_message';
    case WroteWhileWaiting = 'wrote_while_waiting';
    case WroteWhileHeld = 'wrote_while_held';
    case WroteWhenResolved = 'wrote_when_resolved';
    case WroteWhenClosed = 'wrote_when_closed';
    case TeamAnswered = 'team_answered';
    case Noted = 'noted';
    case StateChanged = 'state_changed';
    case OwnerChanged = 'owner_changed';
    case TeamChanged = 'team_changed';
    case CategoryChanged = 'category_changed';
    case PriorityChanged = 'priority_changed';
    case TagsChanged = 'tags_changed';
    case FieldSet = 'field_set';
    case OrderBeside = 'order_beside';
    case OrderChanged = 'order_changed';
    case MoneyGivenBack = 'money_given_back';
    case RefundAsked = 'refund_asked';
    case RefundFailed = 'refund_failed';
    case ReturnAsked = 'return_asked';
    case ReturnAgreed = 'return_agreed';
    case ReturnDeclined = 'return_declined';
    case ReturnNotSent = 'return_not_sent';
    case ReturnArrived = 'return_arrived';
    case ReturnInspected = 'return_inspected';
    case ReturnSettled = 'return_settled';
    case ReturnLapsed = 'return_lapsed';
    case ParcelSent = 'parcel_sent';
    case ParcelDelivered = 'parcel_delivered';
    case ParcelAstray = 'parcel_astray';
    case PartnerAnswered = 'partner_answered';
    case DeliveryFailed = 'delivery_failed';
    case Rated = 'rated';
    case ApprovalGiven = 'approval_given';
    case ApprovalDeclined = 'approval_declined';
    case PromiseWarned = 'promise_warned';
    case PromiseMissed = 'promise_missed';

    /** Of the journal, what rules can run on. */
    public const KINDS = [
        JournalKind::MessageReceived,
        JournalKind::Replied,
        JournalKind::Noted,
        JournalKind::StateChanged,
        JournalKind::OwnerChanged,
        JournalKind::TeamChanged,
        JournalKind::CategoryChanged,
        JournalKind::PriorityChanged,
        JournalKind::TagsChanged,
        JournalKind::FieldChanged,
        JournalKind::OrderAttached,
        JournalKind::OrderChanged,
        JournalKind::RefundAsked,
        JournalKind::RefundEnded,
        JournalKind::ReturnMoved,
        JournalKind::ReturnReminded,
        JournalKind::ParcelSeen,
        JournalKind::PartnerAnswered,
        JournalKind::DeliveryFailed,
        JournalKind::Rated,
        JournalKind::ApprovalAnswered,
        JournalKind::PromiseWarned,
        JournalKind::PromiseMissed,
    ];

    public function label(): string
    {
        return match ($this) {
            self::FirstMessage => 'a customer writes for the first time about something',
            self::LaterMessage => 'a customer writes again',
            self::WroteWhileWaiting => 'a customer writes while it is waiting',
            self::WroteWhileHeld => 'a customer writes while it is held',
            self::WroteWhenResolved => 'a customer writes after it was resolved',
            self::WroteWhenClosed => 'a customer writes to what was closed, and it begins anew',
            self::TeamAnswered => 'the team answers',
            self::Noted => 'somebody writes a note',
            self::StateChanged => 'its state changes',
            self::OwnerChanged => 'its owner changes',
            self::TeamChanged => 'its team changes',
            self::CategoryChanged => 'its category changes',
            self::PriorityChanged => 'its priority changes',
            self::TagsChanged => 'its tags change',
            self::FieldSet => 'an own field is set',
            self::OrderBeside => 'an order is put beside it',
            self::OrderChanged => 'the status of its order changes',
            self::MoneyGivenBack => 'money of its order is given back',
            self::RefundAsked => 'somebody has money go back',
            self::RefundFailed => 'money could not go back',
            self::ReturnAsked => 'something is to come back',
            self::ReturnAgreed => 'it is agreed that something comes back',
            self::ReturnDeclined => 'it is declined that something comes back',
            self::ReturnNotSent => 'what was to come back has not been sent for days',
            self::ReturnArrived => 'what was to come back has arrived',
            self::ReturnInspected => 'what came back was inspected',
            self::ReturnSettled => 'what came back is settled',
            self::ReturnLapsed => 'what was to come back was not sent in time',
            self::ParcelSent => 'its parcel is sent',
            self::ParcelDelivered => 'its parcel is delivered',
            self::ParcelAstray => 'its parcel comes back or is lost',
            self::PartnerAnswered => 'a partner answers',
            self::DeliveryFailed => 'an answer cannot be delivered',
            self::Rated => 'a customer rates our answers',
            self::ApprovalGiven => 'an approval is given',
            self::ApprovalDeclined => 'an approval is declined',
            self::PromiseWarned => 'a promise is about to be missed',
            self::PromiseMissed => 'a promise is missed',
        };
    }

    /**
     * Which events a journal entry is.
     *
     * @param  bool  $isAfterClosed  whether it begins what goes on from a closed conversation
     * @return list<self>
     */
    public static function of(JournalEntry $entry, bool $isAfterClosed = false): array
    {
        return match (JournalKind::from((string) $entry->getAttributes()['kind'])) {
            JournalKind::MessageReceived => self::ofMessage($entry->payload(), $isAfterClosed),
            JournalKind::Replied => [self::TeamAnswered],
            JournalKind::Noted => [self::Noted],
            JournalKind::StateChanged => [self::StateChanged],
            JournalKind::OwnerChanged => [self::OwnerChanged],
            JournalKind::TeamChanged => [self::TeamChanged],
            JournalKind::CategoryChanged => [self::CategoryChanged],
            JournalKind::PriorityChanged => [self::PriorityChanged],
            JournalKind::TagsChanged => [self::TagsChanged],
            JournalKind::FieldChanged => [self::FieldSet],
            JournalKind::OrderAttached => [self::OrderBeside],
            JournalKind::RefundAsked => [self::RefundAsked],
            JournalKind::ReturnReminded => [self::ReturnNotSent],
            JournalKind::ReturnMoved,
            JournalKind::OrderChanged,
            JournalKind::RefundEnded,
            JournalKind::ParcelSeen,
            JournalKind::ApprovalAnswered => array_values(array_filter([self::ofPayload($entry->payload())])),
            JournalKind::PartnerAnswered => [self::PartnerAnswered],
            JournalKind::DeliveryFailed => [self::DeliveryFailed],
            JournalKind::Rated => [self::Rated],
            JournalKind::PromiseWarned => [self::PromiseWarned],
            JournalKind::PromiseMissed => [self::PromiseMissed],
            default => [],
        };
    }

    /**
     * @return list<self>
     */
    private static function ofMessage(Payload $message, bool $isAfterClosed): array
    {
        assert($message instanceof MessageReceived);

        return $message->isFirst
            ? [self::FirstMessage, ...($isAfterClosed ? [self::WroteWhenClosed] : [])]
            : array_values(array_filter([self::LaterMessage, match ($message->before) {
                ConversationState::Waiting => self::WroteWhileWaiting,
                ConversationState::Held => self::WroteWhileHeld,
                ConversationState::Resolved => self::WroteWhenResolved,
                default => null,
            }]));
    }

    /**
     * What depends on what exactly happened.
     */
    private static function ofPayload(Payload $what): ?self
    {
        return match (true) {
            $what instanceof OrderChanged => $what->refunded === null ? self::OrderChanged : self::MoneyGivenBack,
            // That it has gone back is told by the order, whoever gave it.
            $what instanceof RefundEnded => $what->isGivenBack ? null : self::RefundFailed,
            $what instanceof ReturnMoved => self::ofReturn($what),
            $what instanceof ParcelSeen => match ($what->stage) {
                ParcelStage::Collected => self::ParcelSent,
                ParcelStage::Delivered => self::ParcelDelivered,
                ParcelStage::ReturnedToSender, ParcelStage::Lost => self::ParcelAstray,
                default => null,
            },
            $what instanceof ApprovalAnswered => match ($what->answer) {
                ApprovalState::Given => self::ApprovalGiven,
                ApprovalState::Declined => self::ApprovalDeclined,
                default => null,
            },
            default => null,
        };
    }

    private static function ofReturn(ReturnMoved $what): ?self
    {
        return match ($what->now) {
            ReturnState::Asked => self::ReturnAsked,
            ReturnState::Agreed => self::ReturnAgreed,
            ReturnState::Declined => self::ReturnDeclined,
            ReturnState::Arrived => self::ReturnArrived,
            // Where the money that settled it is withdrawn, nobody has looked at it anew.
            ReturnState::Inspected => $what->before === ReturnState::Settled ? null : self::ReturnInspected,
            ReturnState::Settled => self::ReturnSettled,
            ReturnState::Lapsed => self::ReturnLapsed,
            ReturnState::OnItsWay, ReturnState::Withdrawn => null,
        };
    }

    /**
     * The kind of journal entry it is read from.
     */
    public function kind(): JournalKind
    {
        return match ($this) {
            self::FirstMessage,
            self::LaterMessage,
            self::WroteWhileWaiting,
            self::WroteWhileHeld,
            self::WroteWhenResolved,
            self::WroteWhenClosed => JournalKind::MessageReceived,
            self::TeamAnswered => JournalKind::Replied,
            self::Noted => JournalKind::Noted,
            self::StateChanged => JournalKind::StateChanged,
            self::OwnerChanged => JournalKind::OwnerChanged,
            self::TeamChanged => JournalKind::TeamChanged,
            self::CategoryChanged => JournalKind::CategoryChanged,
            self::PriorityChanged => JournalKind::PriorityChanged,
            self::TagsChanged => JournalKind::TagsChanged,
            self::FieldSet => JournalKind::FieldChanged,
            self::OrderBeside => JournalKind::OrderAttached,
            self::OrderChanged, self::MoneyGivenBack => JournalKind::OrderChanged,
            self::RefundAsked => JournalKind::RefundAsked,
            self::RefundFailed => JournalKind::RefundEnded,
            self::ReturnAsked, self::ReturnAgreed, self::ReturnDeclined, self::ReturnArrived, self::ReturnInspected, self::ReturnSettled,
            self::ReturnLapsed => JournalKind::ReturnMoved,
            self::ReturnNotSent => JournalKind::ReturnReminded,
            self::ParcelSent, self::ParcelDelivered, self::ParcelAstray => JournalKind::ParcelSeen,
            self::PartnerAnswered => JournalKind::PartnerAnswered,
            self::DeliveryFailed => JournalKind::DeliveryFailed,
            self::Rated => JournalKind::Rated,
            self::ApprovalGiven, self::ApprovalDeclined => JournalKind::ApprovalAnswered,
            self::PromiseWarned => JournalKind::PromiseWarned,
            self::PromiseMissed => JournalKind::PromiseMissed,
        };
    }

    public function isMessage(): bool
    {
        return match ($this) {
            self::FirstMessage,
            self::LaterMessage,
            self::WroteWhileWaiting,
            self::WroteWhileHeld,
            self::WroteWhenResolved,
            self::WroteWhenClosed => true,
            default => false,
        };
    }
}
