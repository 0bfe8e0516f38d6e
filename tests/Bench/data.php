<?php

declare(strict_types=1);

// Makes conversations by the hundred thousand, for measuring: php tests/Bench/data.php COUNT. Adds to what
// there is until there are COUNT. Called by bin/bench.

use App\Channels\Account;
use App\Channels\Channel;
use App\Conversations\ConversationState;
use App\Conversations\PlaceInQueue;
use App\Demo\DemoStore;
use App\Team\Teammate;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Search\SearchText;
use Cairnfield\Core\Text\Folding;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$application = require __DIR__.'/../../bootstrap/app.php';
$application->make(Kernel::class)->bootstrap();
DB::connection()->disableQueryLog();

$wanted = max(100, (int) ($argv[1] ?? 200_000));
Teammate::query()->exists() || app(DemoStore::class)->load();
$have = (int) DB::table('conversations')->count();
mt_srand(20_261_123 + $have);

// A few thousand words, the first ones common and the last ones rare, as in any language.
$syllables = [
    'ka', 'lo', 'mi', 'ren', 'tu', 'sel', 'vo', 'ha', 'dri', 'pon', 'est', 'ul', 'ar', 'no', 'ge', 'wi', 'bra', 'che', 'fol', 'zim',
];
$words = [
    'parcel', 'kite', 'order', 'spar', 'line', 'broken', 'where', 'return', 'refund', 'festival', 'late', 'tail', 'sail', 'thanks',
    'invoice', 'address',
];
for ($number = 0; count($words) < 5000; $number++) {
    $words[] = $syllables[$number % 20].$syllables[intdiv($number, 20) % 20].$syllables[
        ($number * 7 + intdiv($number, 400)) % 20
    ].($number >= 4000 ? 'x' : '');
}
$word = static fn (): string => $words[(int) (count($words) * (mt_rand() / mt_getrandmax()) ** 3) % count($words)];
$sentence = static fn (int $length): string => implode(' ', array_map(static fn (): string => $word(), range(1, $length)));
$names = static fn (int $number): string => ucfirst($words[100 + $number % 1500]).' '.ucfirst($words[200 + intdiv($number, 3) % 3000]);

$accounts = Account::query()->get()->filter(static fn (Account $account): bool => $account->channel->bringsMessages())->values()->all();
$shop = Account::query()->where('channel', Channel::Shop)->firstOrFail()->id;
$owners = Teammate::query()->pluck('id')->all();
$categories = DB::table('categories')->whereNotNull('parent_id')->pluck('id')->all();
$outcomes = DB::table('outcomes')->pluck('id')->all();
$teams = DB::table('teams')->pluck('id')->all();
$place = $application->make(PlaceInQueue::class);
$now = CarbonImmutable::now();
$pick = static fn (array $of): mixed => $of[mt_rand(0, count($of) - 1)];

$insert = static function (string $table, array $rows): void {
    foreach (array_chunk($rows, 400) as $chunk) {
        DB::table($table)->insert($chunk);
    }
};

while ($have < $wanted) {
    $count = min(2000, $wanted - $have);
    $base = (int) max(DB::table('conversations')->max('id'), 1000) + 1;
    $customerBase = (int) DB::table('customers')->max('id') + 1;
    $messageBase = (int) DB::table('messages')->max('id') + 1;
    $orderBase = (int) DB::table('orders')->max('id') + 1;
    $customers = $handles = $conversations = $messages = $journal = $documents = $orders = $beside = [];
    for ($number = 0; $number < intdiv($count, 2) + 1; $number++) {
        $name = $names($customerBase + $number);
        $customers[] = [
            'id' => $customerBase + $number, 'name' => $name, 'name_folded' => Folding::fold($name), 'created_at' => $now,
            'updated_at' => $now,
        ];
        $handles[] = [
            'customer_id' => $customerBase + $number, 'kind' => 'email', 'value' => 'p'.($customerBase + $number).'@post.example',
            'shown' => 'p'.($customerBase + $number).'@post.example', 'created_at' => $now, 'updated_at' => $now,
        ];
    }
    $insert('customers', $customers);
    $insert('handles', $handles);
    $messageId = $messageBase;
    for ($number = 0; $number < $count; $number++) {
        $id = $base + $number;
        $customer = $customerBase + intdiv($number, 2);
        $account = $pick($accounts);
        $draw = mt_rand(1, 1000);
        $state = match (true) {
            $draw <= 15 => ConversationState::Open,
            $draw <= 35 => ConversationState::Waiting,
            $draw <= 45 => ConversationState::Held,
            $draw <= 250 => ConversationState::Resolved,
            default => ConversationState::Closed,
        };
        $isDone = $state->isDone();
        $last = $isDone ? $now->subMinutes(mt_rand(60, 60 * 24 * 700)) : $now->subMinutes(mt_rand(1, 60 * 24 * 4));
        $subject = ucfirst($sentence(mt_rand(3, 7)));
        $values = [
            'subject' => $subject, 'state' => $state, 'priority' => mt_rand(1, 12) === 1
                ? $pick(Priority::cases())
                : Priority::Normal, 'customer_place' => mt_rand(1, 20) === 1
                ? 1
                : 5,
            'waiting_since' => $state === ConversationState::Open
                ? $last
                : null, 'due_at' => $state === ConversationState::Open
                ? $last->addMinutes(mt_rand(60, 3000))
                : null,
            'bring_back_at' => $state === ConversationState::Held ? $now->addMinutes(mt_rand(60, 9000)) : null, 'last_message_at' => $last,
        ];
        $text = '';
        $said = mt_rand(1, 5);
        for ($part = 0; $part < $said; $part++, $messageId++) {
            $out = $part % 2 === 1;
            $body = $sentence(mt_rand(12, 60));
            $text .= " {$body}";
            $at = $last->subHours(($said - $part - 1) * 5);
            $key = hash('sha256', "bench-{$messageId}");
            $messages[] = [
                'id' => $messageId, 'conversation_id' => $id, 'account_id' => $account->id, 'teammate_id' => $out
                    ? $pick($owners)
                    : null, 'direction' => $out
                    ? 'out'
                    : 'in',
                'from_name' => $names($customer), 'from_address' => "p{$customer}@post.example", 'to' => '[]', 'cc' => '[]',
                'marks' => '[]', 'subject' => $subject, 'message_id' => "b{$messageId}@post.example", 'message_id_key' => $key,
                'text' => $body, 'received_at' => $at, 'once_key' => $key, 'created_at' => $at, 'updated_at' => $at,
            ];
            $journal[] = [
                'conversation_id' => $id, 'teammate_id' => null, 'actor' => $out ? 'teammate' : 'customer',
                'kind' => $out ? 'replied' : 'message_received', 'message_id' => $messageId,
                'details' => json_encode($out ? ['to' => 'p@post.example'] : array_filter([
                    'channel' => 'email', 'account' => 'care@brindle.example', 'isFirst' => $part === 0,
                ])),
                'why' => '', 'at' => $at,
            ];
        }
        $journal[] = [
            'conversation_id' => $id, 'teammate_id' => null, 'actor' => 'application', 'kind' => 'state_changed',
            'message_id' => null, 'details' => json_encode(['from' => 'open', 'to' => $state->value]), 'why' => '', 'at' => $last,
        ];
        $orderNumber = sprintf('B-%06d', $id);
        if ($number % 2 === 0) {
            $orders[] = [
                'id' => $orderBase + intdiv($number, 2), 'account_id' => $shop, 'outside_id' => "bench{$id}",
                'number' => $orderNumber, 'number_key' => str_replace('-', '', $orderNumber), 'version' => 1, 'status' => 'sent',
                'placed_at' => $last,
                'currency' => 'EUR', 'prices_include_tax' => true, 'customer_id' => $customer, 'buyer_name' => $names($customer),
                'order_discount' => 0, 'shipping_amount' => 900, 'shipping_refunded' => 0, 'shipping_tax_rate' => '0.25',
                'total' => 11900, 'fetched_at' => $now, 'created_at' => $now, 'updated_at' => $now,
            ];
            $beside[] = ['conversation_id' => $id, 'order_id' => $orderBase + intdiv($number, 2), 'found_by' => 'text', 'at' => $last];
        }
        $conversations[] = [
            'id' => $id, 'subject' => $subject, 'bare_subject_key' => hash('sha256', $subject), 'customer_id' => $customer,
            'account_id' => $account
                ->id, 'channel' => $account
                ->channel
                ->value, 'state' => $state
                ->value,
            'owner_id' => $isDone
                || mt_rand(1, 10) > 4
                ? $pick($owners)
                : null, 'team_id' => $pick($teams), 'category_id' => mt_rand(1, 8) === 1
                ? null
                : $pick($categories), 'outcome_id' => $isDone
                ? $pick($outcomes)
                : null,
            'priority' => $values['priority']->value, 'customer_place' => $values['customer_place'], 'language' => $pick(
                ['da', 'en', 'de', 'lv', null]
            ), 'public' => mt_rand(1, 15) === 1, 'preview' => mb_substr(ltrim($text), 0, 200),
            'waiting_since' => $values['waiting_since'], 'due_at' => $values['due_at'], 'bring_back_at' => $values['bring_back_at'],
            'last_message_at' => $last, 'last_customer_message_at' => $last, 'created_at' => $last
                ->subDay(), 'updated_at' => $last,
            ...$place->of($values),
        ];
        $documents[] = [
            'said_at' => $last, 'conversation_id' => $id,
            'text' => SearchText::of(
                "C-{$id} {$id} {$subject} {$names($customer)} p{$customer}@post.example ".($number % 2 === 0 ? $orderNumber : '').$text
            ),
        ];
    }
    foreach (
        [
            'conversations' => $conversations, 'orders' => $orders, 'conversation_order' => $beside, 'messages' => $messages,
            'journal' => $journal, 'search_documents' => $documents,
        ] as $table => $rows
    ) {
        $insert($table, $rows);
    }
    $have += $count;
    if ($have % 20_000 === 0) {
        fwrite(STDERR, "  {$have} conversations\n");
    }
}
// What was made is not news.
DB::table('store_settings')->upsert(
    [
        ['name' => 'search.indexed', 'value' => (string) DB::table('journal')->max('id'), 'updated_at' => now()],
        ['name' => 'notifications.told', 'value' => (string) DB::table('journal')->max('id'), 'updated_at' => now()],
    ],
    ['name'], ['value', 'updated_at']
);
foreach (['conversations', 'messages', 'journal', 'search_documents', 'customers', 'orders'] as $table) {
    DB::statement("ANALYZE TABLE {$table}");
}
echo number_format($have), " conversations\n";
