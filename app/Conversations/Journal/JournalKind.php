<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

/**
 * What is written down. What stands in each is said by its `Payload`.
 */
enum JournalKind: string
{
    case Began = 'began';
    case MessageReceived = 'message_received';
    case Replied = 'replied';
    case Noted = 'noted';
    case StateChanged = 'state_changed';
    case OwnerChanged = 'owner_changed';
    case CategoryChanged = 'category_changed';
    case TeamChanged = 'team_changed';
    case PriorityChanged = 'priority_changed';
    case TagsChanged = 'tags_changed';
    case LanguageChanged = 'language_changed';
    case FieldChanged = 'field_changed';
    case Scheduled = 'scheduled';
    case ScheduleCalledOff = 'schedule_called_off';
    case Forwarded = 'forwarded';
    case PartnerAsked = 'partner_asked';
    case PartnerAnswered = 'partner_answered';
    case CopiesChanged = 'copies_changed';
    case ChecklistStarted = 'checklist_started';
    case ChecklistTicked = 'checklist_ticked';
    case TaskMade = 'task_made';
    case TaskDone = 'task_done';
    case ComesBack = 'comes_back';
    case CalledBack = 'called_back';
    case BulkUndone = 'bulk_undone';
    case Delivered = 'delivered';
    case DeliveryFailed = 'delivery_failed';
    case SendingAgain = 'sending_again';
    case EditedAtSource = 'edited_at_source';
    case RemovedAtSource = 'removed_at_source';
    case OrderAttached = 'order_attached';
    case OrderDetached = 'order_detached';
    case BuyerVerified = 'buyer_verified';
    case BuyerAsked = 'buyer_asked';
    case OrderChanged = 'order_changed';
    case RefundAsked = 'refund_asked';
    case RefundEnded = 'refund_ended';
    case RefundWithdrawn = 'refund_withdrawn';
    case ExchangeMoved = 'exchange_moved';
    case OrderChangeAsked = 'order_change_asked';
    case ReturnMoved = 'return_moved';
    case ReturnReminded = 'return_reminded';
    case ParcelSeen = 'parcel_seen';
    case Junked = 'junked';
    case NotJunk = 'not_junk';
    case Joined = 'joined';
    case SplitOff = 'split_off';
    case Separated = 'separated';
    case Liked = 'liked';
    case Reposted = 'reposted';
    case CompanyChanged = 'company_changed';
    case CustomerMerged = 'customer_merged';
    case CustomerSeparated = 'customer_separated';
    case Imported = 'imported';
    case ReceiptSent = 'receipt_sent';
    case NudgeStarted = 'nudge_started';
    case NudgeCalledOff = 'nudge_called_off';
    case Rated = 'rated';
    case ApprovalAsked = 'approval_asked';
    case ApprovalAnswered = 'approval_answered';
    case PromiseSetApplied = 'promise_set_applied';
    case PromiseWarned = 'promise_warned';
    case PromiseMissed = 'promise_missed';
    case TimeAgreed = 'time_agreed';
    case TurnAwaited = 'turn_awaited';
    case ReachedUpwards = 'reached_upwards';
    case RuleRan = 'rule_ran';
    case RuleFailed = 'rule_failed';
}
