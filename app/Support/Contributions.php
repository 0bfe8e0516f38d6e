<?php

declare(strict_types=1);

namespace App\Support;

use App\Answering\Happened\CalledBack;
use App\Answering\Happened\Delivered;
use App\Answering\Happened\DeliveryFailed;
use App\Answering\Happened\Forwarded;
use App\Answering\Happened\Liked;
use App\Answering\Happened\Noted;
use App\Answering\Happened\PartnerAnswered;
use App\Answering\Happened\PartnerAsked;
use App\Answering\Happened\Replied;
use App\Answering\Happened\Reposted;
use App\Answering\Happened\ScheduleCalledOff;
use App\Answering\Happened\Scheduled;
use App\Answering\Happened\SendingAgain;
use App\Answering\HoldsAnswersBack;
use App\Approvals\ApprovalsPanel;
use App\Approvals\Happened\ApprovalAnswered;
use App\Approvals\Happened\ApprovalAsked;
use App\Approvals\WaitingApproval;
use App\Bulk\Happened\BulkUndone;
use App\Checklists\ChecklistChange;
use App\Checklists\ChecklistsOfConversation;
use App\Checklists\ChecklistsPanel;
use App\Checklists\Happened\ChecklistStarted;
use App\Checklists\Happened\ChecklistTicked;
use App\Companies\Happened\CompanyChanged;
use App\Conversations\AssignConversation;
use App\Conversations\Changes\CategoryChange;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\FieldChange;
use App\Conversations\Changes\JunkChange;
use App\Conversations\Changes\LanguageChange;
use App\Conversations\Changes\OwnerChange;
use App\Conversations\Changes\PriorityChange;
use App\Conversations\Changes\StateChange;
use App\Conversations\Changes\TagGiven;
use App\Conversations\Changes\TagTaken;
use App\Conversations\Changes\TeamChange;
use App\Conversations\Changes\WhatNeeds;
use App\Conversations\ChangeState;
use App\Conversations\Happened\Began;
use App\Conversations\Happened\CategoryChanged;
use App\Conversations\Happened\ComesBack;
use App\Conversations\Happened\CopiesChanged;
use App\Conversations\Happened\FieldChanged;
use App\Conversations\Happened\Junked;
use App\Conversations\Happened\LanguageChanged;
use App\Conversations\Happened\NotJunk;
use App\Conversations\Happened\OwnerChanged;
use App\Conversations\Happened\PriorityChanged;
use App\Conversations\Happened\ReachedUpwards;
use App\Conversations\Happened\StateChanged;
use App\Conversations\Happened\TagsChanged;
use App\Conversations\Happened\TeamChanged;
use App\Conversations\Happened\TurnAwaited;
use App\Conversations\Journal\BeforeCommit;
use App\Conversations\Journal\Payloads;
use App\Conversations\Snapshots\Columns;
use App\Conversations\Snapshots\GivenTags;
use App\Conversations\Snapshots\Snapshot;
use App\Customers\Happened\CustomerMerged;
use App\Customers\Happened\CustomerSeparated;
use App\Exchanges\Happened\ExchangeMoved;
use App\Exchanges\Happened\OrderChangeAsked;
use App\Fields\ValuesOfConversation;
use App\History\Happened\Imported;
use App\Hours\CountsInHours;
use App\Joining\Happened\Joined;
use App\Joining\Happened\MessageSplitOff;
use App\Joining\Happened\Separated;
use App\Nudges\Happened\NudgeCalledOff;
use App\Nudges\Happened\NudgeStarted;
use App\Nudges\NudgeChange;
use App\Nudges\NudgePlansNeed;
use App\Nudges\NudgesOfConversation;
use App\Nudges\NudgesPanel;
use App\Orders\FollowsAttached;
use App\Orders\FollowsParcels;
use App\Orders\Happened\BuyerAsked;
use App\Orders\Happened\BuyerVerified;
use App\Orders\Happened\OrderAttached;
use App\Orders\Happened\OrderChanged;
use App\Orders\Happened\OrderDetached;
use App\Orders\Happened\ParcelSeen;
use App\Orders\OrdersPanel;
use App\Orders\TakesCredits;
use App\Promises\Happened\PromiseMissed;
use App\Promises\Happened\PromiseSetApplied;
use App\Promises\Happened\PromiseWarned;
use App\Promises\Happened\TimeAgreed;
use App\Promises\KeepPromises;
use App\Promises\PromisesNeed;
use App\Promises\SavePromiseSet;
use App\Ratings\Happened\Rated;
use App\Receiving\Happened\EditedAtSource;
use App\Receiving\Happened\MessageReceived;
use App\Receiving\Happened\ReceiptSent;
use App\Receiving\Happened\RemovedAtSource;
use App\Receiving\TakesWishedReturns;
use App\Refunds\Happened\RefundAsked;
use App\Refunds\Happened\RefundEnded;
use App\Refunds\Happened\RefundWithdrawn;
use App\Returns\FollowReturnParcel;
use App\Returns\Happened\ReturnMoved;
use App\Returns\Happened\ReturnReminded;
use App\Returns\ReturnsPanel;
use App\Returns\TakeReturnRequest;
use App\Returns\TakeWishedReturn;
use App\Routing\ReachUpwardsChange;
use App\Rules\Happened\RuleFailed;
use App\Rules\Happened\RuleRan;
use App\Rules\RulesNeed;
use App\StoreCredit\TakeCredit;
use App\Tasks\Happened\TaskDone;
use App\Tasks\Happened\TaskMade;
use App\Tasks\TasksPanel;
use App\Templates\TemplatesNeed;
use App\Views\ViewsNeed;
use App\Workspace\Panels;
use Illuminate\Contracts\Container\Container;
use Illuminate\Support\ServiceProvider;

/**
 * What places add to what others hold together. A new place adds itself here, and nobody else is edited.
 */
final class Contributions extends ServiceProvider
{
    /** In the order in which they are offered. */
    private const CHANGES = [
        PriorityChange::class, CategoryChange::class, StateChange::class, LanguageChange::class, OwnerChange::class,
        TeamChange::class, TagGiven::class, TagTaken::class, FieldChange::class, ChecklistChange::class, NudgeChange::class,
        JunkChange::class, ReachUpwardsChange::class,
    ];

    private const NEEDS_THINGS = [RulesNeed::class, TemplatesNeed::class, NudgePlansNeed::class, ViewsNeed::class, PromisesNeed::class];

    private const SNAPSHOT_PARTS = [
        GivenTags::class, ValuesOfConversation::class, ChecklistsOfConversation::class, NudgesOfConversation::class,
    ];

    /** In the order in which they stand. */
    private const PANELS = [TasksPanel::class, NudgesPanel::class, ApprovalsPanel::class, ChecklistsPanel::class, OrdersPanel::class,
        ReturnsPanel::class];

    /** By kind, so that only those are loaded that a page shows. */
    private const JOURNAL = [
        'approval_answered' => ApprovalAnswered::class,
        'approval_asked' => ApprovalAsked::class,
        'began' => Began::class,
        'bulk_undone' => BulkUndone::class,
        'called_back' => CalledBack::class,
        'category_changed' => CategoryChanged::class,
        'checklist_started' => ChecklistStarted::class,
        'checklist_ticked' => ChecklistTicked::class,
        'comes_back' => ComesBack::class,
        'company_changed' => CompanyChanged::class,
        'copies_changed' => CopiesChanged::class,
        'customer_merged' => CustomerMerged::class,
        'customer_separated' => CustomerSeparated::class,
        'delivered' => Delivered::class,
        'delivery_failed' => DeliveryFailed::class,
        'edited_at_source' => EditedAtSource::class,
        'exchange_moved' => ExchangeMoved::class,
        'field_changed' => FieldChanged::class,
        'forwarded' => Forwarded::class,
        'imported' => Imported::class,
        'joined' => Joined::class,
        'junked' => Junked::class,
        'language_changed' => LanguageChanged::class,
        'liked' => Liked::class,
        'message_received' => MessageReceived::class,
        'not_junk' => NotJunk::class,
        'noted' => Noted::class,
        'nudge_called_off' => NudgeCalledOff::class,
        'nudge_started' => NudgeStarted::class,
        'order_attached' => OrderAttached::class,
        'order_changed' => OrderChanged::class,
        'order_detached' => OrderDetached::class,
        'order_change_asked' => OrderChangeAsked::class,
        'buyer_verified' => BuyerVerified::class,
        'buyer_asked' => BuyerAsked::class,
        'owner_changed' => OwnerChanged::class,
        'parcel_seen' => ParcelSeen::class,
        'partner_answered' => PartnerAnswered::class,
        'partner_asked' => PartnerAsked::class,
        'priority_changed' => PriorityChanged::class,
        'promise_missed' => PromiseMissed::class,
        'promise_set_applied' => PromiseSetApplied::class,
        'promise_warned' => PromiseWarned::class,
        'rated' => Rated::class,
        'refund_asked' => RefundAsked::class,
        'refund_ended' => RefundEnded::class,
        'refund_withdrawn' => RefundWithdrawn::class,
        'reached_upwards' => ReachedUpwards::class,
        'receipt_sent' => ReceiptSent::class,
        'removed_at_source' => RemovedAtSource::class,
        'replied' => Replied::class,
        'reposted' => Reposted::class,
        'return_moved' => ReturnMoved::class,
        'return_reminded' => ReturnReminded::class,
        'rule_failed' => RuleFailed::class,
        'rule_ran' => RuleRan::class,
        'schedule_called_off' => ScheduleCalledOff::class,
        'scheduled' => Scheduled::class,
        'sending_again' => SendingAgain::class,
        'separated' => Separated::class,
        'split_off' => MessageSplitOff::class,
        'state_changed' => StateChanged::class,
        'tags_changed' => TagsChanged::class,
        'task_done' => TaskDone::class,
        'task_made' => TaskMade::class,
        'team_changed' => TeamChanged::class,
        'time_agreed' => TimeAgreed::class,
        'turn_awaited' => TurnAwaited::class,
    ];

    public function register(): void
    {
        $this->app->scoped(Changes::class, static fn (Container $app): Changes => new Changes(
            array_map($app->make(...), self::CHANGES)
        ));
        // What is promised is reckoned in the transaction of what happened.
        $this->app->singleton(KeepPromises::class);
        $this->app->bind(BeforeCommit::class, KeepPromises::class);
        $this->app->bind(HoldsAnswersBack::class, WaitingApproval::class);
        $this->app->bind(FollowsParcels::class, FollowReturnParcel::class);
        $this->app->bind(FollowsAttached::class, TakeReturnRequest::class);
        $this->app->bind(TakesWishedReturns::class, TakeWishedReturn::class);
        $this->app->bind(TakesCredits::class, TakeCredit::class);
        $this->app->bind(CountsInHours::class, SavePromiseSet::class);
        $this->app->bind(WhatNeeds::class, static fn (Container $app): WhatNeeds => new WhatNeeds(
            array_map($app->make(...), self::NEEDS_THINGS)
        ));
        $this->app->bind(Panels::class, static fn (Container $app): Panels => new Panels(array_map($app->make(...), self::PANELS)));
        $this->app->singleton(Payloads::class, static fn (): Payloads => new Payloads(self::JOURNAL));
        $this->app->bind(Snapshot::class, static fn (Container $app): Snapshot => new Snapshot([
            ...Columns::all(), ...array_map($app->make(...), self::SNAPSHOT_PARTS),
        ], $app->make(ChangeState::class), $app->make(AssignConversation::class)));
    }
}
