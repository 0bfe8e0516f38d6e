<?php

declare(strict_types=1);

// Takes in hostile mail of so many megabytes, kind by kind, each in a process of its own, and shows what became of it:
// php tests/Bench/hostile.php MEGABYTES [KIND]. Called by bin/bench.

use App\Channels\Account;
use App\Channels\Mail\TakeMail;
use App\Conversations\Conversation;
use App\Demo\DemoStore;
use App\Search\IndexForSearch;
use App\Team\Teammate;
use App\Workspace\ConversationPage;
use Illuminate\Contracts\Console\Kernel;
use Symfony\Component\Process\Process;
use Tests\Fixtures\HostileMail;

require __DIR__.'/../../vendor/autoload.php';

/** Seconds of processor that a message may take, by its megabytes. */
const WANTED = [1 => 2.0, 25 => 10.0];

$application = require __DIR__.'/../../bootstrap/app.php';
$application->make(Kernel::class)->bootstrap();
config(['queue.default' => 'null', 'queue.connections.null' => ['driver' => 'null']]);
$megabytes = (int) $argv[1];
$kinds = array_keys(HostileMail::kinds());

if (($argv[3] ?? '') !== 'child') {
    Account::query()->exists() || app(DemoStore::class)->load();
    $wanted = WANTED[$megabytes] ?? 2.0 * $megabytes;
    echo "\n{$megabytes} MB of each kind; wanted: under {$wanted} s of processor to take it in\n";
    echo "| what it is | taken in, s | shown, s | memory, MB | what becomes of it |\n|---|---|---|---|---|\n";
    $slow = 0;
    foreach (array_filter($kinds, static fn (string $kind): bool => in_array($argv[2] ?? '', ['', $kind], true)) as $kind) {
        $child = new Process(
            [PHP_BINARY, '-d', 'pcov.enabled=0', '-d', 'memory_limit=1G', __FILE__, (string) $megabytes, $kind, 'child']
        );
        $child->setTimeout(120)->run();
        $line = trim($child->getOutput());
        $row = $child->isSuccessful() && str_starts_with($line, '|')
            ? $line
            : "| {$kind} | **not taken** | | | ".substr($line, 0, 200).' |';
        $slow += preg_match('/^\|[^|]+\| ([\d.]+) /', $row, $time) === 1 && (float) $time[1] < $wanted ? 0 : 1;
        echo $row, "\n";
    }
    echo $slow === 0 ? "All within what is wanted.\n" : "{$slow} not within what is wanted.\n";
    exit($slow === 0 ? 0 : 1);
}

$raw = HostileMail::kinds()[$argv[2]]($megabytes * 1_000_000);
$processor = static function (): float {
    $usage = getrusage();

    return $usage['ru_utime.tv_sec'] + $usage['ru_stime.tv_sec'] + ($usage['ru_utime.tv_usec'] + $usage['ru_stime.tv_usec']) / 1e6;
};
$from = $processor();
$taken = app(TakeMail::class)->take($raw);
$takenAt = $processor();
$becomes = 'set aside';
if ($taken->outcome !== null) {
    app(IndexForSearch::class)->run();
    $conversation = Conversation::query()->findOrFail($taken->outcome->conversation);
    $message = $conversation->messages()->firstOrFail();
    $becomes = implode(', ', array_filter([
        strlen($message->text).' bytes of text', $message->html === null ? '' : strlen($message->html).' of HTML',
        ($files = $message->attachments()->count()) === 0 ? '' : "{$files} files", count($message->marks) === 0 ? '' : 'marked',
    ]));
    $teammate = Teammate::query()->where('email', 'ilse@brindle.example')->firstOrFail();
    auth()->setUser($teammate);
    $takenAt = $processor();
    view('workspace.conversation', [
        ...app(ConversationPage::class)->content($conversation, $teammate), 'here' => [], 'hereMark' => '', 'look' => null, 'since' => 0,
    ])->render();
}
printf(
    "| %s | %.2f | %.2f | %d | %s |\n", $argv[2], $takenAt - $from, $processor() - $takenAt, memory_get_peak_usage(true) >> 20, $becomes
);
