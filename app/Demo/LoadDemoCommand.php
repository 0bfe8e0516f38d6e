<?php

declare(strict_types=1);

namespace App\Demo;

use App\Customers\SortIntoGroups;
use App\Store\Store;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Foundation\Application;
use Illuminate\Support\Facades\DB;

final class LoadDemoCommand extends Command
{
    private const OPENED_DAYS_AGO = 62;

    protected $signature = 'demo:load {--without-past : only the conversations of these days, which takes half the time}';

    protected $description = 'Loads the demo store, where the database is empty';

    public function handle(Application $app, DemoStore $store): int
    {
        if (Teammate::query()->exists() || Store::isSaid()) {
            $this->info('There is data already; nothing was loaded.');

            return self::SUCCESS;
        }
        $store->load();
        // What was made before there were any hours would go on by the usual ones.
        $app->forgetScopedInstances();
        [$rules, $otherWays] = [$app->make(DemoRules::class), $app->make(DemoOtherWays::class)];
        // They were there before what happened.
        CarbonImmutable::setTestNow(now()->subDays(self::OPENED_DAYS_AGO));
        $app->make(DemoPromises::class)->load();
        $app->make(DemoTemplates::class)->load();
        $app->make(DemoFields::class)->load();
        $rules->load();
        CarbonImmutable::setTestNow();
        $otherWays->readOrders();
        $count = $app->make(DemoConversations::class)->load(withPast: ! $this->option('without-past'));
        $app->make(DemoReturns::class)->policies();
        $this->option('without-past') || $app->make(DemoReturns::class)->load();
        $app->make(DemoReturns::class)->tellFromNowOn();
        $rules->loadNew();
        $otherWays->listen();
        // What the team was told of before the last days, it has read.
        DB::table('news')->where('at', '<', now()->subDays(2))->update(['read_at' => DB::raw('at')]);
        $app->make(SortIntoGroups::class)->everybody();
        $this->info("The demo store is loaded, with {$count} conversations.");

        return self::SUCCESS;
    }
}
