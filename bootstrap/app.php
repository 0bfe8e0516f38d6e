<?php

declare(strict_types=1);

use App\Bulk\WorkOnBulkChange;
use App\Channels\DeliverDue;
use App\Channels\Mail\FetchMailboxes;
use App\Channels\Mail\TakeMailCommand;
use App\Channels\Services\CatchUpAll;
use App\Customers\SortIntoGroups;
use App\Demo\LoadDemoCommand;
use App\History\ContinueImports;
use App\History\ImportHistoryCommand;
use App\Inbox\BringBackHeld;
use App\Inbox\PlaceInQueue;
use App\Inbox\Presence;
use App\Inbox\ScheduleReply;
use App\Rules\RunOnNews;
use App\Rules\RunOnTime;
use App\Rules\RunRules;
use App\Search\IndexForSearch;
use App\Support\SecurityHeaders;
use App\Tasks\KeepTasks;
use App\Telling\MailNews;
use App\Telling\TellFromJournal;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;

$root = dirname(__DIR__);
$var = getenv('CAIRNFIELD_VAR') ?: $root.'/var';

// Everything that is written while running lies under var/, the framework's caches too. They are
// looked up while the application is being made, before the environment file is read.
foreach (['services', 'packages', 'config', 'routes-v7', 'events'] as $cache) {
    $name = 'APP_'.strtoupper(strtok($cache, '-')).'_CACHE';
    $_SERVER[$name] ??= "{$var}/cache/{$cache}.php";
}

$app = Application::configure(basePath: $root)
    ->withRouting(
        // While measuring, with the bare page that ours are measured beside.
        web: [...(glob($root.'/routes/*.php') ?: []), ...(getenv('CAIRNFIELD_BENCH') === 'yes' ? [$root.'/tests/Bench/bare-page.php'] : [])],
        health: '/up',
    )
    ->withCommands([TakeMailCommand::class, LoadDemoCommand::class, ImportHistoryCommand::class])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/queue');
        // The forwarding shop signs each request instead; see ForwardedMailController. Pages of customers have no
        // session; what they may do is in the signed address, or is open to everybody.
        $middleware->validateCsrfTokens(except: ['intake/mail/*', 'intake/events/*', 'forms/*', 'rate/*']);
    })
    ->withSchedule(function (Schedule $schedule): void {
        $schedule->call(fn () => app(BringBackHeld::class)())->everyMinute()->name('bring back held');
        $schedule->job(new RunOnNews)->everyTwoSeconds()->name('run rules');
        $schedule->call(fn () => RunRules::tidy())->hourly()->name('forget what rules have looked at');
        $schedule->job(new RunOnTime)->everyMinute()->name('run rules and reminders that run with time');
        $schedule->call(fn () => app(PlaceInQueue::class)->moveOn())->everyFiveSeconds()->name('move on what falls due');
        $schedule->call(fn () => WorkOnBulkChange::goOn())->everyMinute()->name('go on with bulk changes');
        $schedule->call(fn () => app(TellFromJournal::class)->run())->everyFiveSeconds()->name('tell people');
        $schedule->job(new MailNews)->everyFifteenSeconds()->name('mail people');
        $schedule->call(fn () => Presence::tidy())->hourly()->name('forget who was here');
        $schedule->call(fn () => app(ScheduleReply::class)->sendDue())->everyFiveSeconds()->name('send what was to be sent later');
        $schedule->call(fn () => app(KeepTasks::class)->remind())->everyMinute()->name('remind of tasks');
        $schedule->job(new FetchMailboxes)->everyFiveSeconds()->name('fetch mailboxes');
        $schedule->job(new CatchUpAll)->everyFifteenSeconds()->name('catch up with services');
        $schedule->call(fn () => app(SortIntoGroups::class)->everybody())->everyTenMinutes()->name('sort customers into groups');
        $schedule->call(fn () => app(ContinueImports::class)())->everyMinute()->name('go on with imports');
        $schedule->call(fn () => app(IndexForSearch::class)->run())->everyFiveSeconds()->name('make new things findable');
        $schedule->job(new DeliverDue)->everyFiveSeconds()->name('deliver what is due');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontFlash(['password', 'imap_password', 'smtp_password']);
    })
    ->create();

$app->useEnvironmentPath($var);
$app->useStoragePath($var.'/storage');

return $app;
