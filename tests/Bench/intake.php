<?php

declare(strict_types=1);

// Measures how fast messages are taken in by one worker, beside the rate of bare inserts of the very
// same rows in the same run: php tests/Bench/intake.php COUNT. Called by bin/bench.

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\ItemKind;
use App\Channels\Mail\MailParser;
use App\Channels\OutsideItem;
use App\Channels\ReceivedMessage;
use App\Channels\SenderHandle;
use App\Demo\DemoStore;
use App\Receiving\ReceiveMessage;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$application = require __DIR__.'/../../bootstrap/app.php';
$application->make(Kernel::class)->bootstrap();
config(['queue.default' => 'null', 'queue.connections.null' => ['driver' => 'null']]);
DB::connection()->disableQueryLog();

$count = max(100, (int) ($argv[1] ?? 20_000));
app(DemoStore::class)->load();

$texts = [
    "Hello,\n\nwhere is my parcel? I ordered the Merlin on Monday, and the page still says that it was packed.\n\nKind regards\n%s",
    "Hej,\n\njeg har ikke modtaget min drage endnu. Kan I se hvor den er?\n\nVenlig hilsen\n%s",
    "Guten Tag,\n\nmein Drachen ist angekommen, aber eine Stange ist gebrochen. Bestellung B-2%04d.\n\nViele Grüße\n%s",
    "Bonjour,\n\nje voudrais retourner le cerf-volant B-2%04d, il est trop grand.\n\nCordialement\n%s",
];
$first = ['Alma', 'Bo', 'Carla', 'Dario', 'Elsa', 'Finn', 'Gitte', 'Hugo', 'Ida', 'Joost'];
$last = ['Aas', 'Bruun', 'Costa', 'Dekker', 'Engel', 'Friis', 'Gallo', 'Hauge', 'Ilves', 'Jansen'];
$name = static fn (int $number): string => $first[$number % 10].' '.$last[intdiv($number, 10) % 10];
$text = static fn (int $number): string => match ($number % 4) {
    0, 1 => sprintf($texts[$number % 4], $name($number)),
    default => sprintf($texts[$number % 4], $number % 10_000, $name($number)),
};

// Every third mail goes on in a conversation, and a third of the people write more than once.
$mail = static function (int $number) use ($name, $text): string {
    $person = intdiv($number, 3);
    $isAnswer = $number % 3 === 2;

    return implode("\r\n", array_filter([
        "From: {$name($person)} <person{$person}@post.example>",
        'To: care@brindle.example',
        $isAnswer ? "Subject: Re: Question {$person}" : "Subject: Question {$number}",
        'Date: Mon, 23 Nov 2026 09:52:00 +0100',
        "Message-ID: <m{$number}@post.example>",
        $isAnswer ? 'In-Reply-To: <m'.($number - 1).'@post.example>' : null,
        'MIME-Version: 1.0',
        'Content-Type: text/plain; charset=utf-8',
        '',
        str_replace("\n", "\r\n", $text($number)),
    ], static fn (?string $line): bool => $line !== null));
};
$marketplace = static function (int $number) use ($name, $text): ReceivedMessage {
    $person = intdiv($number, 3);
    $order = sprintf('71-4%06d', $person);

    return ReceivedMessage::item(
        Channel::Marrowby,
        SenderHandle::on(Channel::Marrowby, "buyer{$person}", $name($person)),
        new OutsideItem(
            "mm{$number}", ItemKind::OrderMessage, false, "order:{$order}", true, orderNumber: $order,
            answerBy: new DateTimeImmutable('+1 day')
        ),
        "About {$order}",
        $text($number),
        new DateTimeImmutable,
    );
};

$tables = ['customers', 'handles', 'conversations', 'messages', 'journal', 'unknown_numbers'];
$highest = static fn (): array => array_combine(
    $tables, array_map(static fn (string $table): int => (int) DB::table($table)->max('id'), $tables)
);

/**
 * @param  callable(int): ReceivedMessage  $prepared
 */
$run = static function (string $label, callable $prepared, Account $account) use ($application, $count, $tables, $highest): void {
    $receive = $application->make(ReceiveMessage::class);
    $before = $highest();
    $spent = 0;
    $memory = [];
    for ($number = 0; $number < $count; $number++) {
        $received = $prepared($number);
        $from = hrtime(true);
        $receive->receive($account, $received);
        $spent += hrtime(true) - $from;
        if ($number === intdiv($count, 10) || $number === $count - 1) {
            gc_collect_cycles();
            $memory[] = memory_get_usage();
            memory_reset_peak_usage();
        }
    }
    $rate = $count / ($spent / 1e9);

    // The rows that this has written, once more as bare inserts: a transaction a message, the same tables and indexes.
    $rows = 0;
    foreach ($tables as $table) {
        DB::statement("DROP TABLE IF EXISTS bench_{$table}");
        DB::statement("CREATE TABLE bench_{$table} LIKE {$table}");
    }
    $pending = [];
    foreach ($tables as $table) {
        $pending[$table] = DB::table($table)->where('id', '>', $before[$table])->orderBy('id')->lazy(2000)->getIterator();
    }
    $totals = array_combine(
        $tables, array_map(static fn (string $table): int => DB::table($table)->where('id', '>', $before[$table])->count(), $tables)
    );
    $bare = 0;
    $written = array_fill_keys($tables, 0);
    for ($number = 0; $number < $count; $number++) {
        $batch = [];
        foreach ($tables as $table) {
            $upTo = (int) ceil($totals[$table] * ($number + 1) / $count);
            while ($written[$table] < $upTo && $pending[$table]->valid()) {
                $batch[$table][] = (array) $pending[$table]->current();
                $pending[$table]->next();
                $written[$table]++;
            }
        }
        $from = hrtime(true);
        DB::transaction(static function () use ($batch): void {
            foreach ($batch as $table => $values) {
                foreach ($values as $value) {
                    DB::table("bench_{$table}")->insert($value);
                }
            }
        });
        $bare += hrtime(true) - $from;
        $rows += array_sum(array_map(count(...), $batch));
    }
    foreach ($tables as $table) {
        DB::statement("DROP TABLE bench_{$table}");
    }
    $bareRate = $count / ($bare / 1e9);
    printf(
        '%-22s %7.0f messages/s   bare inserts of the same %.1f rows each %7.0f/s   ratio %.2f   memory %.1f MB after a tenth, %.1f '
            ."MB at the end\n",
        $label, $rate, $rows / $count, $bareRate, $rate / $bareRate, $memory[0] / 1e6, $memory[1] / 1e6,
    );
};

$parser = new MailParser;
printf("%s messages each, one worker\n", number_format($count));
$run(
    'mail', static fn (int $number): ReceivedMessage => $parser->parse($mail($number)),
    Account::query()->where('channel', Channel::Email)->orderBy('id')->firstOrFail()
);
$run('marketplace', $marketplace, Account::query()->where('channel', Channel::Marrowby)->firstOrFail());
