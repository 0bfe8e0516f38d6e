<?php

declare(strict_types=1);

namespace App\Notifications;

/**
 * What people are told of.
 */
enum NewsKind: string
{
    case Mentioned = 'mentioned';
    case Given = 'given';
    case CustomerWrote = 'customer_wrote';
    case Noted = 'noted';
    case StateChanged = 'state_changed';
    case CameBack = 'came_back';
    case PartnerAnswered = 'partner_answered';
    case NotSent = 'not_sent';
    case TaskDue = 'task_due';
    case ApprovalAsked = 'approval_asked';
    case ApprovalAnswered = 'approval_answered';
    case PromiseWarned = 'promise_warned';
    case PromiseMissed = 'promise_missed';
    case RefundFailed = 'refund_failed';
    case RuleTells = 'rule_tells';
    case RuleFailed = 'rule_failed';
    case Installation = 'installation';

    public function label(): string
    {
        return match ($this) {
            self::Mentioned => 'Somebody names me in a note',
            self::Given => 'A conversation is given to me',
            self::CustomerWrote => 'A customer writes in what is mine or I follow',
            self::Noted => 'A note in what is mine or I follow',
            self::StateChanged => 'Somebody resolves, holds or reopens what I follow',
            self::CameBack => 'Something held comes back to me',
            self::PartnerAnswered => 'A partner answers me',
            self::NotSent => 'An answer of mine was not sent',
            self::TaskDue => 'A task of mine falls due',
            self::ApprovalAsked => 'Somebody needs my yes or no',
            self::ApprovalAnswered => 'What I asked to be approved is answered',
            self::PromiseWarned => 'A promise of mine is about to be missed',
            self::PromiseMissed => 'A promise of mine, or of nobody’s, is missed',
            self::RefundFailed => 'Money that I gave back does not arrive',
            self::RuleTells => 'A rule tells me something',
            self::RuleFailed => 'A rule cannot be carried out',
            self::Installation => 'Something of the installation wants a look',
        };
    }

    /**
     * How it is told unless somebody chose otherwise.
     *
     * @return array{bool, MailWhen} in the application, and by mail
     */
    public function usual(): array
    {
        return match ($this) {
            self::Mentioned, self::NotSent, self::ApprovalAsked => [true, MailWhen::AtOnce],
            self::ApprovalAnswered,
            self::Given,
            self::CameBack,
            self::PartnerAnswered,
            self::TaskDue,
            self::PromiseWarned,
            self::PromiseMissed,
            self::RefundFailed,
            self::RuleTells,
            self::RuleFailed,
            self::Installation => [true, MailWhen::Never],
            self::CustomerWrote, self::Noted, self::StateChanged => [true, MailWhen::Never],
        };
    }
}
