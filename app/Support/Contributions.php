<?php

declare(strict_types=1);

namespace App\Support;

use App\Approvals\ApprovalsPanel;
use App\Checklists\ChecklistChange;
use App\Checklists\ChecklistsOfConversation;
use App\Checklists\ChecklistsPanel;
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
use App\Conversations\Journal\Payloads;
use App\Conversations\Snapshots\Columns;
use App\Conversations\Snapshots\GivenTags;
use App\Conversations\Snapshots\Snapshot;
use App\Fields\ValuesOfConversation;
use App\Nudges\NudgeChange;
use App\Nudges\NudgePlansNeed;
use App\Nudges\NudgesOfConversation;
use App\Nudges\NudgesPanel;
use App\Orders\OrdersPanel;
use App\Rules\RulesNeed;
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
        JunkChange::class,
    ];

    private const NEEDS_THINGS = [RulesNeed::class, TemplatesNeed::class, NudgePlansNeed::class, ViewsNeed::class];

    private const SNAPSHOT_PARTS = [
        GivenTags::class, ValuesOfConversation::class, ChecklistsOfConversation::class, NudgesOfConversation::class,
    ];

    /** In the order in which they stand. */
    private const PANELS = [TasksPanel::class, NudgesPanel::class, ApprovalsPanel::class, ChecklistsPanel::class, OrdersPanel::class];

    private const JOURNAL = [
        \App\Answering\Happened\CalledBack::class,
        \App\Answering\Happened\Delivered::class,
        \App\Answering\Happened\DeliveryFailed::class,
        \App\Answering\Happened\Forwarded::class,
        \App\Answering\Happened\Liked::class,
        \App\Answering\Happened\Noted::class,
        \App\Answering\Happened\PartnerAnswered::class,
        \App\Answering\Happened\PartnerAsked::class,
        \App\Answering\Happened\Replied::class,
        \App\Answering\Happened\Reposted::class,
        \App\Answering\Happened\ScheduleCalledOff::class,
        \App\Answering\Happened\Scheduled::class,
        \App\Answering\Happened\SendingAgain::class,
        \App\Approvals\Happened\ApprovalAnswered::class,
        \App\Approvals\Happened\ApprovalAsked::class,
        \App\Bulk\Happened\BulkUndone::class,
        \App\Checklists\Happened\ChecklistStarted::class,
        \App\Checklists\Happened\ChecklistTicked::class,
        \App\Conversations\Happened\Began::class,
        \App\Conversations\Happened\CategoryChanged::class,
        \App\Conversations\Happened\ComesBack::class,
        \App\Conversations\Happened\CopiesChanged::class,
        \App\Conversations\Happened\FieldChanged::class,
        \App\Conversations\Happened\Junked::class,
        \App\Conversations\Happened\LanguageChanged::class,
        \App\Conversations\Happened\NotJunk::class,
        \App\Conversations\Happened\OwnerChanged::class,
        \App\Conversations\Happened\PriorityChanged::class,
        \App\Conversations\Happened\StateChanged::class,
        \App\Conversations\Happened\TagsChanged::class,
        \App\Conversations\Happened\TeamChanged::class,
        \App\Customers\Happened\CustomerMerged::class,
        \App\Customers\Happened\CustomerSeparated::class,
        \App\History\Happened\Imported::class,
        \App\Joining\Happened\Joined::class,
        \App\Joining\Happened\MessageSplitOff::class,
        \App\Joining\Happened\Separated::class,
        \App\Nudges\Happened\NudgeCalledOff::class,
        \App\Nudges\Happened\NudgeStarted::class,
        \App\Orders\Happened\OrderAttached::class,
        \App\Orders\Happened\OrderChanged::class,
        \App\Orders\Happened\OrderDetached::class,
        \App\Orders\Happened\ParcelSeen::class,
        \App\Ratings\Happened\Rated::class,
        \App\Receiving\Happened\EditedAtSource::class,
        \App\Receiving\Happened\MessageReceived::class,
        \App\Receiving\Happened\ReceiptSent::class,
        \App\Receiving\Happened\RemovedAtSource::class,
        \App\Rules\Happened\RuleFailed::class,
        \App\Rules\Happened\RuleRan::class,
        \App\Tasks\Happened\TaskDone::class,
        \App\Tasks\Happened\TaskMade::class,
    ];

    public function register(): void
    {
        $this->app->scoped(Changes::class, static fn (Container $app): Changes => new Changes(
            array_map($app->make(...), self::CHANGES)
        ));
        $this->app->bind(WhatNeeds::class, static fn (Container $app): WhatNeeds => new WhatNeeds(
            array_map($app->make(...), self::NEEDS_THINGS)
        ));
        $this->app->bind(Panels::class, static fn (Container $app): Panels => new Panels(array_map($app->make(...), self::PANELS)));
        $this->app->singleton(Payloads::class, static fn (): Payloads => new Payloads(self::JOURNAL));
        $this->app->bind(Snapshot::class, static fn (Container $app): Snapshot => new Snapshot([
            ...Columns::all(), ...array_map($app->make(...), self::SNAPSHOT_PARTS),
        ], $app->make(ChangeState::class)));
    }
}
