<?php

declare(strict_types=1);

// Measures the pages of the daily work through nginx and PHP-FPM, beside the bare page in the same run:
// php tests/Bench/work.php ADDRESS. Called by bin/bench, once for each number of conversations.

use App\Bulk\BulkChange;
use App\Bulk\MakeBulkChange;
use App\Bulk\PlanBulkChange;
use App\Bulk\UndoBulkChange;
use App\Conversations\Conversation;
use App\Queue\QueueFilter;
use App\Queue\QueueView;
use App\Team\Teammate;
use App\Views\ShownView;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$application = require __DIR__.'/../../bootstrap/app.php';
$application->make(Kernel::class)->bootstrap();
config(['queue.default' => 'null', 'queue.connections.null' => ['driver' => 'null']]);
DB::connection()->disableQueryLog();

$address = rtrim((string) $argv[1], '/');
$rounds = (int) ($argv[2] ?? 120);
$withPlans = ($argv[3] ?? '') === 'plans';
$client = curl_init();
curl_setopt_array($client, [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEFILE => '', CURLOPT_FOLLOWLOCATION => false]);
$get = static function (string $path) use ($client, $address): array {
    curl_setopt_array($client, [CURLOPT_URL => $address.$path, CURLOPT_HTTPGET => true]);
    $from = hrtime(true);
    $body = (string) curl_exec($client);

    return [(hrtime(true) - $from) / 1e6, (int) curl_getinfo($client, CURLINFO_RESPONSE_CODE), $body];
};
[, , $page] = $get('/sign-in');
preg_match('/name="_token" value="([^"]+)"/', $page, $token);
curl_setopt_array(
    $client,
    [
        CURLOPT_URL => "{$address}/sign-in", CURLOPT_POST => true,
        CURLOPT_POSTFIELDS => http_build_query([
            '_token' => $token[1] ?? '', 'email' => 'ilse@brindle.example', 'password' => 'kites-and-cairns',
        ]),
    ]
);
curl_exec($client);
[, $code] = $get('/bench/bare');
$code === 200 || exit("The bench could not sign in ({$code}).\n");

$ilse = Teammate::query()->where('email', 'ilse@brindle.example')->firstOrFail();
// Orders with what a worksheet reads: three lines, a gift card and a card.
$sheets = DB::table('conversation_order')->join('orders', 'orders.id', '=', 'conversation_order.order_id')
    ->whereIn('conversation_order.conversation_id',
        Conversation::readable($ilse)->select('conversations.id'))
    ->orderBy('orders.id')->limit(200)
    ->get(['orders.id', 'conversation_order.conversation_id'])->unique('id')->values()->all();
foreach ($sheets as $sheet) {
    foreach ([[1, 2, 11900], [2, 1, 1400], [3, 4, 2550]] as [$line, $quantity, $price]) {
        DB::table('order_lines')->insertOrIgnore([
            'order_id' => $sheet->id, 'outside_id' => "l{$line}", 'sku' => "S{$line}", 'title' => "Thing {$line}", 'quantity' => $quantity,
            'unit_price' => $price, 'discount' => 100, 'tax_rate' => '0.25', 'sent' => $quantity, 'returned' => 0, 'refunded' => 0,
        ]);
    }
    foreach (['gift_card' => 5000, 'card' => 30000] as $kind => $captured) {
        DB::table('order_payments')->insertOrIgnore([
            'order_id' => $sheet->id, 'outside_id' => "p-{$sheet->id}-{$kind}", 'kind' => $kind, 'label' => $kind,
            'captured' => $captured, 'refunded' => 0,
        ]);
    }
    DB::table('orders')->where('id', $sheet->id)->update(['currency' => 'EUR', 'prices_include_tax' => 1, 'order_discount' => 500]);
}
$lines = DB::table('order_lines')->whereIn('order_id', array_column($sheets, 'id'))->get(['id', 'order_id'])->groupBy('order_id');
$ids = Conversation::readable($ilse)->inRandomOrder()->limit(400)->pluck('id')->all();
$names = DB::table('customers')->inRandomOrder()->limit(100)->pluck('name')->all();
mt_srand(7);
// Half of what is looked for are numbers and names, the rest common and rare words, alone and together.
$searches = [];
foreach (range(0, 99) as $number) {
    $searches[] = match ($number % 8) {
        0 => 'c-'.$ids[$number], 1 => $names[$number], 2 => sprintf('B-%06d', $ids[$number]), 3 => explode(' ', $names[$number])[1],
        4 => ['parcel', 'kite', 'order', 'spar'][$number % 4], 5 => 'broken spar state:open', 6 => [
            'refund late festival', 'where return tail',
        ][$number % 2], default => explode(' ', $names[$number])[0].' refund',
    };
}
[, , $queue] = $get('/queue/my-turn');
preg_match('#/queue/my-turn/changes\?mark=[\w.-]+#', $queue, $queuePoll);
[, , $shown] = $get("/conversations/{$ids[0]}");
preg_match("#/conversations/{$ids[0]}/changes\?mark=[\w.-]+#", $shown, $conversationPoll);
$saved = (int) DB::table('saved_views')->orderBy('id')->value('id');

[, , $shown] = $get("/orders/{$sheets[0]->id}/refund");
preg_match('/name="_token" value="([^"]+)"/', $shown, $token);
// As htmx sends the form after a change: the figures alone come back.
$reckon = static function (int $round) use ($client, $address, $sheets, $lines, $token): array {
    $order = $sheets[$round % count($sheets)]->id;
    curl_setopt_array($client, [
        CURLOPT_URL => "{$address}/orders/{$order}/refund/reckon", CURLOPT_POST => true, CURLOPT_HTTPHEADER => ['HX-Request: true'],
        CURLOPT_POSTFIELDS => http_build_query([
            '_token' => $token[1] ?? '', 'delivery' => 'share', 'goodwill' => '5 %', 'lines' => $lines[$order]->pluck('id')->mapWithKeys(
                static fn (int $id): array => [$id => 1]
            )->all(),
        ]),
    ]);
    $from = hrtime(true);
    $body = (string) curl_exec($client);
    $spent = (hrtime(true) - $from) / 1e6;
    $code = (int) curl_getinfo($client, CURLINFO_RESPONSE_CODE);
    curl_setopt_array($client, [CURLOPT_HTTPHEADER => [], CURLOPT_HTTPGET => true]);

    return [$spent, $code, $body];
};

$pages = [
    'the bare page' => static fn (int $round): string => '/bench/bare',
    'queue, my turn' => static fn (int $round): string => '/queue/my-turn',
    'queue, a saved view' => static fn (int $round): string => "/queue/{$saved}",
    'conversation' => static fn (int $round): string => '/conversations/'.$ids[$round % count($ids)],
    'worksheet' => static fn (int $round): string => "/orders/{$sheets[$round % count($sheets)]->id}/refund?conversation="
        .$sheets[$round % count($sheets)]->conversation_id,
    'worksheet, reckoned anew' => $reckon,
    'returns bench' => static fn (int $round): string => '/returns?tab=all',
    'search' => static fn (int $round): string => '/search?q='.urlencode($searches[$round % count($searches)]),
    'board' => static fn (int $round): string => '/queue/my-turn/board',
    'poll of the queue, no news' => static function (int $round) use (&$queuePoll): string {
        return $queuePoll[0] ?? '/queue/my-turn';
    },
    'poll of a conversation, no news' => static fn (int $round): string => $conversationPoll[0] ?? '/',
];
$times = array_fill_keys(array_keys($pages), []);
foreach ($pages as $page) {
    foreach (range(0, 9) as $round) {
        is_string($path = $page($round)) && $get($path);
    }
}
// All in turn, so that a machine that slows down slows all alike.
$slow = [];
for ($round = 0; $round < $rounds; $round++) {
    // A mark holds until the minute turns: asked for anew, so that the poll finds nothing.
    preg_match('#/queue/my-turn/changes\?mark=[\w.-]+#', $get('/queue/my-turn')[2], $queuePoll);
    foreach ($pages as $name => $page) {
        $answered = $page($round);
        $path = is_string($answered) ? $answered : $name;
        [$spent, $code] = is_string($answered) ? $get($path) : $answered;
        if (! in_array($code, [200, 204], true)) {
            exit("{$path} answered {$code}.\n");
        }
        $times[$name][] = $spent;
        if ($name === 'search' && $spent > 150) {
            $slow[urldecode($path)] = $spent;
        }
    }
}
$percentile = static function (array $sorted, float $share): float {
    sort($sorted);

    return $sorted[(int) min(count($sorted) - 1, floor(count($sorted) * $share))];
};
$count = (int) DB::table('conversations')->count();
$bare = $percentile($times['the bare page'], .95);
printf("\n%s conversations, %s messages\n", number_format($count), number_format((int) DB::table('messages')->count()));
printf("| %-32s | %8s | %8s | %8s | %14s |\n|%s|\n", 'page', 'p50 ms', 'p95 ms', 'p99 ms', 'p95 to bare', str_repeat('-', 86));
foreach ($times as $name => $spent) {
    printf(
        "| %-32s | %8.1f | %8.1f | %8.1f | %14.2f |\n", $name, $percentile($spent, .5), $percentile($spent, .95),
        $percentile($spent, .99), $percentile($spent, .95) / $bare
    );
}
foreach ($slow as $path => $spent) {
    printf("  slow: %s %.0f ms\n", $path, $spent);
}

// Counting the views anew, as when something has happened.
$teammate = Teammate::query()->where('email', 'ilse@brindle.example')->firstOrFail();
$from = hrtime(true);
for ($round = 0; $round < 20; $round++) {
    $application->make(App\Views\ViewCounts::class)->of($teammate, App\Views\SavedView::query()->get(), "bench-{$count}-{$round}");
}
printf("counting the views anew: %.1f ms\n", (hrtime(true) - $from) / 20 / 1e6);

// A change to 500 at once, and undoing it.
$plan = $application->make(PlanBulkChange::class);
$chosen = Conversation::query()->where('state', 'resolved')->limit(500)->pluck('id')->all();
$from = hrtime(true);
$bulk = $plan->ofChosen($chosen, 'add_tag:', 'bench', $teammate);
$planned = (hrtime(true) - $from) / 1e6;
$bulk->forceFill(['state' => BulkChange::RUNNING])->save();
$from = hrtime(true);
while (! $application->make(MakeBulkChange::class)->go($bulk, 50)) {
}
$made = (hrtime(true) - $from) / 1e6;
$from = hrtime(true);
while (! $application->make(UndoBulkChange::class)->go($bulk, 50)) {
}
printf(
    "%d at once: planned in %.0f ms, made in %.1f ms each, undone in %.1f ms each\n", count($chosen), $planned,
    $made / max(1, count($chosen)), (hrtime(true) - $from) / 1e6 / max(1, count($chosen))
);

if ($withPlans) {
    echo "\nQuery plans\n";
    $explain = static function (string $label, string $sql, array $bindings): void {
        echo "{$label}\n";
        foreach (DB::select("EXPLAIN {$sql}", $bindings) as $row) {
            printf("  table %s, type %s, key %s, rows %s, %s\n", $row->table, $row->type, $row->key ?? '—', $row->rows, $row->Extra);
        }
    };
    foreach ([QueueView::MyTurn, QueueView::Waiting, QueueView::Resolved] as $view) {
        $query = Conversation::query()->limit(101);
        ShownView::builtIn($view)->narrow(
            $query, $application->make(App\Conditions\ConditionQuery::class), $teammate,
            QueueFilter::fromRequest(Request::create('/'))->owner
        );
        $explain("the view “{$view->label()}”", $query->toSql(), $query->getBindings());
    }
}
