<?php

declare(strict_types=1);

// A simulated month on a large store: what is stored of promises is compared with what follows from the journal, and with what the
// simulation wrote down itself: php tests/Bench/month.php CONVERSATIONS. Called by bin/bench.

use App\Demo\DemoStore;
use App\Hours\WorkCalendar;
use App\Promises\PromiseSet;
use App\Sorting\Outcome;
use App\Team\Teammate;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Fixtures\SimulatedMonth;

require __DIR__.'/../../vendor/autoload.php';
$application = require __DIR__.'/../../bootstrap/app.php';
$application->make(Kernel::class)->bootstrap();
// What workers would do beside it is no part of this.
config(['queue.default' => 'null', 'queue.connections.null' => ['driver' => 'null']]);
DB::connection()->disableQueryLog();
app(DemoStore::class)->load();

$count = max(10, (int) ($argv[1] ?? 1000));
$steps = $count * 8;
$month = new SimulatedMonth(
    Teammate::query()->where('email', 'ilse@brindle.example')->sole(), PromiseSet::inOrder()->firstOrFail(),
    WorkCalendar::query()->orderBy('id')->firstOrFail(), Outcome::query()->firstOrFail()
);
$from = hrtime(true);
$month->go($steps, $count, false);
$spent = (hrtime(true) - $from) / 1e9;
printf(
    "%s conversations, %s things that happened, %s promises: %.0f s, %.1f ms each with looking for what is due\n",
    number_format(count($month->conversations())), number_format($steps), number_format(DB::table('promises')->count()), $spent,
    $spent / $steps * 1000
);
$from = hrtime(true);
$journal = $month->differencesFromJournal();
printf(
    "compared with the journal: %d differ; %.2f ms a conversation\n", count($journal),
    (hrtime(true) - $from) / 1e6 / count($month->conversations())
);
$happened = $month->differencesFromWhatHappened();
printf("compared with what happened: %d differ\n", count($happened));
foreach (array_slice([...$journal, ...$happened], 0, 10) as $difference) {
    echo "  {$difference}\n";
}
exit($journal === [] && $happened === [] ? 0 : 1);
