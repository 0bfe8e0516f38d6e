<?php

declare(strict_types=1);

// Measures telling of promises while so many conversations are open, each with two that run: php tests/Bench/promises.php, called
// by bin/bench after bin/bench data has made the conversations. What it changes of them is set back.

use App\Conversations\PlaceInQueue;
use App\Promises\KeepPromises;
use App\Promises\PromiseSet;
use App\Promises\TellPromises;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$application = require __DIR__.'/../../bootstrap/app.php';
$application->make(Kernel::class)->bootstrap();
DB::connection()->disableQueryLog();

$set = (int) PromiseSet::inOrder()->value('id');
$count = (int) DB::table('conversations')->count();
DB::statement('CREATE TABLE IF NOT EXISTS bench_states AS SELECT id, state, due_at, due_group, next_up FROM conversations');
DB::table('promises')->delete();
DB::statement(
    "UPDATE conversations SET state = 'open', due_at = UTC_TIMESTAMP() + INTERVAL (id % 9000) + 120 MINUTE, due_group = 3, "
    .'next_up = 320500000000000 + id'
);
foreach (['first_reply', 'resolve'] as $kind) {
    DB::statement(
        'INSERT INTO promises (conversation_id, promise_set_id, version, kind, started_at, state, priority, target, spent, due_at, '
        ."warn_at, warn_next, miss_next) SELECT id, {$set}, 1, '{$kind}', created_at, 'running', 'normal', 14400, 0, "
        .'UTC_TIMESTAMP() + INTERVAL (id % 9000) + 120 MINUTE, UTC_TIMESTAMP() + INTERVAL (id % 9000) + 90 MINUTE, '
        .'UTC_TIMESTAMP() + INTERVAL (id % 9000) + 90 MINUTE, UTC_TIMESTAMP() + INTERVAL (id % 9000) + 120 MINUTE FROM conversations'
    );
}
DB::statement('ANALYZE TABLE promises');
$tell = $application->make(TellPromises::class);
$place = $application->make(PlaceInQueue::class);
$seconds = static function (Closure $do): float {
    $from = hrtime(true);
    $do();

    return (hrtime(true) - $from) / 1e9;
};
printf("%s open conversations, %s promises that run\n", number_format($count), number_format($count * 2));
$tell->tell();
$place->moveOn();
printf(
    "nothing due: %.3f s to tell of promises, %.3f s to move on what falls due\n", $seconds($tell->tell(...)), $seconds($place->moveOn(...))
);
foreach ([250, 1000, 4000] as $due) {
    DB::statement(
        "UPDATE promises SET miss_next = UTC_TIMESTAMP(), due_at = UTC_TIMESTAMP() WHERE kind = 'first_reply' AND miss_next IS NOT NULL "
        ."LIMIT {$due}"
    );
    $spent = $seconds(static fn (): int => $tell->tell());
    printf("%s missed at once: %.2f s, %.2f ms each\n", number_format($due), $spent, $spent / $due * 1000);
}
foreach (['warn_next', 'miss_next'] as $column) {
    $plan = DB::selectOne(
        "EXPLAIN SELECT id, conversation_id FROM promises WHERE {$column} IS NOT NULL AND {$column} <= UTC_TIMESTAMP() ORDER BY {$column} "
        .'LIMIT 500'
    );
    printf("plan for %s: %s by %s, about %s rows, %s\n", $column, $plan->type, $plan->key, $plan->rows, $plan->Extra);
}
$ids = DB::table('conversations')->orderByDesc('id')->limit(300)->pluck('id')->all();
$keep = $application->make(KeepPromises::class);
$spent = $seconds(static function () use ($keep, $ids): void {
    foreach ($ids as $id) {
        DB::transaction(static fn () => $keep->anew((int) $id, false));
    }
});
printf("reckoned anew from the journal: %.2f ms a conversation\n", $spent / count($ids) * 1000);
DB::table('promises')->delete();
DB::statement(
    'UPDATE conversations JOIN bench_states USING (id) SET conversations.state = bench_states.state, '
    .'conversations.due_at = bench_states.due_at, '
    .'conversations.due_group = bench_states.due_group, conversations.next_up = bench_states.next_up'
);
DB::statement('DROP TABLE bench_states');
