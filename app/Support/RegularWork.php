<?php

declare(strict_types=1);

namespace App\Support;

use App\Answering\Outbox\DeliverDue;
use App\Answering\ScheduleReply;
use App\Approvals\RemindOfApprovals;
use App\Bulk\WorkOnBulkChange;
use App\Channels\Mail\AddressDetails;
use App\Channels\Mail\FetchMailboxes;
use App\Channels\Services\CatchUpAll;
use App\Conversations\BringBackHeld;
use App\Conversations\PlaceInQueue;
use App\CreditNotes\DrawCreditNotes;
use App\CreditNotes\IssueCreditNotes;
use App\Customers\SortIntoGroups;
use App\Exchanges\PlaceExchanges;
use App\Health\Heartbeats;
use App\Health\Part;
use App\History\ContinueImports;
use App\Notifications\MailNews;
use App\Notifications\NotifyFromJournal;
use App\Promises\CheckPromisesTonight;
use App\Promises\RecountPromises;
use App\Promises\TellPromises;
use App\Refunds\ReconcilePayments;
use App\Refunds\SendPayouts;
use App\Refunds\TellOfRefunds;
use App\Refunds\TellShopOfRefunds;
use App\Returns\FetchLabels;
use App\Returns\LapseReturns;
use App\Returns\TellOfReturns;
use App\Returns\TellShopOfReturns;
use App\Routing\GiveWaitingTurns;
use App\Rules\RunOnNews;
use App\Rules\RunOnTime;
use App\Rules\RunRules;
use App\Search\IndexForSearch;
use App\SignIn\SignIns;
use App\Sorting\ChangeWhoReads;
use App\Tasks\KeepTasks;
use App\Workspace\Presence;
use Closure;
use Illuminate\Console\Scheduling\Schedule;

/**
 * What is looked after again and again, and how often. All of it is safe to repeat.
 */
final class RegularWork
{
    public function planOn(Schedule $schedule): void
    {
        foreach ($this->seconds() as $name => [$seconds, $work]) {
            $event = match (true) {
                $work instanceof Closure => $schedule->call(self::afresh($work)),
                $work instanceof RegularJob => $schedule->call($work::putInQueue(...)),
                default => $schedule->job($work),
            };
            $event->everySecond()->name($name);
            $event->repeatSeconds = max(1, intdiv($seconds, (int) config('cairnfield.schedule.times_as_often')));
        }
        $schedule->call(fn () => app(BringBackHeld::class)())->everyMinute()->name('bring back held');
        $schedule->job(new RunOnTime)->everyMinute()->name('run rules and reminders that run with time');
        $schedule->call(fn () => app(AddressDetails::class)->tryUntried())->everyMinute()->name('see which mail servers take details');
        $schedule->call(fn () => WorkOnBulkChange::goOn())->everyMinute()->name('go on with bulk changes');
        $schedule->call(fn () => app(KeepTasks::class)->remind())->everyMinute()->name('remind of tasks');
        $schedule->call(fn () => RecountPromises::goOn())->everyMinute()->name('go on with reckoning promises anew');
        $schedule->call(fn () => app(LapseReturns::class)())->everyMinute()->name('remind of returns, and let them lapse');
        $schedule->call(fn () => app(ContinueImports::class)())->everyMinute()->name('go on with imports');
        $schedule->call(fn () => app(SortIntoGroups::class)->everybody())->everyTenMinutes()->name('sort customers into groups');
        $schedule->call(fn () => app(RemindOfApprovals::class)())->hourly()->name('remind of what waits for a yes');
        $schedule->call(fn () => app(ChangeWhoReads::class)->releaseAll())->hourly()->name('take from people what they do not read');
        $schedule->call(fn () => RunRules::tidy())->hourly()->name('forget what rules have looked at');
        $schedule->job(new ReconcilePayments)->dailyAt('03:10')->name('compare what was given back with the provider’s book');
        $schedule->job(new CheckPromisesTonight)->dailyAt('02:40')->name('check promises against the journal');
        $schedule->call(fn () => SignIns::tidy())->daily()->name('forget who was signed in long ago');
        $schedule->call(fn () => Presence::tidy())->hourly()->name('forget who was here');
    }

    /**
     * One process does them for a minute: what one has read is not taken for true by the next.
     */
    private static function afresh(Closure $work): Closure
    {
        return static function () use ($work): void {
            app()->forgetScopedInstances();
            $work();
        };
    }

    /**
     * @return array<string, array{int, object}> by name: every how many seconds; a job for the queue, or what is done at once
     */
    private function seconds(): array
    {
        return [
            'say that time goes on' => [5, fn () => Heartbeats::works(Part::Schedule, 60)],
            'run rules' => [2, new RunOnNews],
            'fetch mailboxes' => [5, new FetchMailboxes],
            'catch up with services' => [15, new CatchUpAll],
            'deliver what is due' => [5, new DeliverDue],
            'pay out what is given back' => [5, new SendPayouts],
            'tell the shop what was given back' => [10, new TellShopOfRefunds],
            'issue credit notes' => [5, new IssueCreditNotes],
            'draw credit notes' => [5, new DrawCreditNotes],
            'tell customers what was given back' => [5, new TellOfRefunds],
            'order what is sent in exchange' => [5, new PlaceExchanges],
            'tell customers of their returns' => [5, new TellOfReturns],
            'ask for labels of returns' => [5, new FetchLabels],
            'tell the shop what came back' => [10, new TellShopOfReturns],
            'mail people' => [15, new MailNews],
            'move on what falls due' => [5, fn () => app(PlaceInQueue::class)->moveOn()],
            'give out what waits for a turn' => [10, fn () => app(GiveWaitingTurns::class)->give()],
            'tell of promises' => [5, fn () => app(TellPromises::class)->tell()],
            'tell people' => [5, fn () => app(NotifyFromJournal::class)->run()],
            'send what was to be sent later' => [5, fn () => app(ScheduleReply::class)->sendDue()],
            'make new things findable' => [5, fn () => app(IndexForSearch::class)->run()],
        ];
    }
}
