<?php

declare(strict_types=1);

namespace App\Demo;

use App\Customers\SortIntoGroups;
use App\Team\Teammate;
use Illuminate\Console\Command;

final class LoadDemoCommand extends Command
{
    protected $signature = 'demo:load';

    protected $description = 'Loads the demo store, where the database is empty';

    public function handle(DemoStore $store, DemoConversations $conversations, DemoOtherWays $otherWays, DemoTemplates $templates, DemoFields $fields, DemoRules $rules, DemoRatings $ratings, SortIntoGroups $groups): int
    {
        if (Teammate::query()->exists()) {
            $this->info('There is data already; nothing was loaded.');

            return self::SUCCESS;
        }
        $store->load();
        $templates->load();
        $fields->load();
        $rules->load();
        $otherWays->readOrders();
        $count = $conversations->load();
        $ratings->load();
        $otherWays->listen();
        $templates->countUses();
        $groups->everybody();
        $this->info("The demo store is loaded, with {$count} conversations.");

        return self::SUCCESS;
    }
}
