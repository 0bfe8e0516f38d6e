<?php

declare(strict_types=1);

use App\Answering\Outbox\ComposeOutgoing;
use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\DeliveryFailed;
use App\Channels\Mail\FetchMailbox;
use App\Channels\Mail\MailToReadAgain;
use App\Channels\Mail\SmtpSender;
use App\Channels\Mail\UnreadableMail;
use App\Conversations\Message;
use App\Support\FileStore;
use Illuminate\Contracts\Filesystem\Factory;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\App\Mails;

/*
 * Against the real IMAP and SMTP servers of the simulated world, which bin/test has started. Each
 * test has a mailbox of its own.
 */

function ownAccount(): Account
{
    $account = Account::query()->firstOrFail();
    $address = 'box-'.Str::lower(Str::random(12)).'@brindle.example';
    $account->forceFill(['address' => $address, 'settings' => [...$account->settings, 'imap_user' => $address]])->save();

    return $account;
}

function putInto(Account $account, string ...$messages): void
{
    $path = '{127.0.0.1:'.$account->settings['imap_port'].'/imap/notls}INBOX';
    $connection = imap_open($path, $account->address, $account->secrets['imap_password']);
    foreach ($messages as $message) {
        expect(imap_append($connection, $path, $message))->toBeTrue();
    }
    imap_close($connection);
    imap_errors();
}

/** Where what it puts on the queue is looked at. */
function fetch(Account $account): void
{
    app()->call([new FetchMailbox($account->id), 'handle']);
}

function whenStored(Closure $do): void
{
    DB::listen(static fn (QueryExecuted $query) => str_starts_with($query->sql, 'insert into `messages`') ? $do() : null);
}

it('reads what is new in a mailbox, byte for byte, and goes on where it stopped', function (): void {
    $account = ownAccount();
    $first = Mails::raw(['Subject' => 'One'], "Gr\xC3\xBC\xC3\x9Fe,\r\n.\r\nFrom here on\r\n\r\n");
    putInto($account, $first, Mails::raw(['Subject' => 'Two']));
    FetchMailbox::dispatchSync($account->id);
    $account->refresh();
    expect(Message::query()->orderBy('id')->pluck('subject')->all())->toBe(['One', 'Two'])
        ->and(app(FileStore::class)->read((string) Message::query()->orderBy('id')->value('original')))->toBe($first)
        ->and($account->last_uid)->toBe(2)
        ->and($account->last_heard_at)->not->toBeNull()
        ->and($account->last_error)->toBeNull();

    FetchMailbox::dispatchSync($account->id);
    putInto($account, Mails::raw(['Subject' => 'Three']));
    FetchMailbox::dispatchSync($account->id);
    expect(Message::query()->count())->toBe(3)->and($account->refresh()->last_uid)->toBe(3);
});

it('reads everything again when the server numbers anew, and stores nothing twice', function (): void {
    $account = ownAccount();
    putInto($account, Mails::raw(['Subject' => 'One']), Mails::raw(['Subject' => 'Two']));
    FetchMailbox::dispatchSync($account->id);
    $account->refresh()->forceFill(['uid_validity' => 1, 'last_uid' => 4000])->save();
    FetchMailbox::dispatchSync($account->id);
    expect(Message::query()->count())->toBe(2)
        ->and($account->refresh()->last_uid)->toBe(2)
        ->and($account->uid_validity)->toBeGreaterThan(1);
});

/** A connection of the account that ends at the query that begins so. */
function breakOffAt(Account $account, string $query): InvokedProcess
{
    $between = Process::start(['node', '-e', <<<'JS'
        const net = require('node:net');
        const server = net.createServer((near) => {
            const far = net.connect(Number(process.argv[1]), '127.0.0.1');
            near.pipe(far).pipe(near);
            near.on('error', () => {});
            far.on('error', () => {});
        });
        server.listen(0, '127.0.0.1', () => console.log(server.address().port));
        JS, (string) $account->settings['imap_port']]);
    $between->waitUntil(static fn (string $type, string $printed): bool => str_ends_with($printed, "\n"));
    $account->forceFill(['settings' => [...$account->settings, 'imap_port' => trim($between->output())]])->save();
    DB::listen(static function (QueryExecuted $executed) use ($between, $query): void {
        if (str_starts_with($executed->sql, $query) && $between->running()) {
            $between->signal(SIGKILL);
            $between->wait();
        }
    });

    return $between;
}

it('loses nothing where the connection breaks off while it is read', function (string $query): void {
    $account = ownAccount();
    $direct = $account->settings;
    putInto($account, Mails::raw(['Subject' => 'Earlier']));
    fetch($account);
    putInto($account, Mails::raw(['Subject' => 'One']), Mails::raw(['Subject' => 'Two']));
    // The first had no room when it was read before.
    MailToReadAgain::later($account, 2);
    $account->refresh()->forceFill(['last_uid' => 2])->save();
    $this->travel(20)->seconds();
    $between = breakOffAt($account, $query);
    fetch($account);
    expect($between->running())->toBeFalse()
        ->and($account->refresh()->last_error)->toContain('broke off')
        ->and(UnreadableMail::query()->exists())->toBeFalse();
    $account->forceFill(['settings' => $direct])->save();
    $this->travel(20)->seconds();
    fetch($account);
    expect(Message::query()->orderBy('subject')->pluck('subject')->all())->toBe(['Earlier', 'One', 'Two'])
        ->and(MailToReadAgain::count($account))->toBe(0)
        ->and($account->refresh()->last_error)->toBeNull();
})->with([
    'before what waits' => ['select `uid` from `mail_to_read_again`'],
    'at a message' => ['update `accounts` set `reading_uid`'],
    'between two' => ['delete from `mail_to_read_again`'],
]);

it('goes on past a message that cannot be read', function (): void {
    config(['cairnfield.mail.largest_message' => 5000]);
    $account = ownAccount();
    putInto($account, Mails::raw(['Subject' => 'Huge'], str_repeat("x\r\n", 4000)), Mails::raw(['Subject' => 'Small']));
    FetchMailbox::dispatchSync($account->id);
    expect(Message::query()->pluck('subject')->all())->toBe(['Small'])->and($account->refresh()->last_uid)->toBe(2);
});

it('reads a message that was begun and not ended once more alone, then sets it aside and goes on', function (): void {
    $account = ownAccount();
    putInto($account, Mails::raw(['Subject' => 'Before it']));
    FetchMailbox::dispatchSync($account->id);
    putInto($account, Mails::raw(['Subject' => 'Held it up']), $raw = Mails::raw(['Subject' => 'After it']));
    $broken = fn (int $times) => $account->refresh()
        ->forceFill(['last_uid' => $times, 'reading_uid' => $times + 1, 'reading_attempts' => $times])
        ->save();
    $broken(1);
    Queue::fake();
    fetch($account);
    expect(Message::query()->pluck('subject')->all())->toBe(['Before it', 'Held it up'])
        ->and($account->refresh()->only(['last_uid', 'reading_uid', 'reading_attempts']))
        ->toBe(['last_uid' => 2, 'reading_uid' => null, 'reading_attempts' => 0]);
    Queue::assertPushed(FetchMailbox::class, 1);

    $broken(2);
    fetch($account);
    $aside = UnreadableMail::query()->sole();
    expect($aside->reason)->toContain('begun 2 times and never ended')
        ->and($aside->subject)->toBe('After it')
        ->and($aside->account_id)->toBe($account->id)
        ->and(app(FileStore::class)->read($aside->original))->toBe($raw);
    putInto($account, Mails::raw(['Subject' => 'At last']));
    fetch($account);
    expect(Message::query()->pluck('subject')->all())->toBe(['Before it', 'Held it up', 'At last'])
        ->and($account->refresh()->last_uid)->toBe(4);
});

it('remembers which message it is about to read, before it reads it', function (): void {
    $account = ownAccount();
    putInto($account, Mails::raw(['Subject' => 'One']), Mails::raw(['Subject' => 'Two']));
    $seen = [];
    whenStored(function () use ($account, &$seen): void {
        $seen[] = DB::table('accounts')->where('id', $account->id)->get(['last_uid', 'reading_uid', 'reading_attempts'])->map(
            static fn (object $row): array => array_values((array) $row)
        )->sole();
    });
    FetchMailbox::dispatchSync($account->id);
    expect($seen)->toBe([[0, 1, 1], [1, 2, 1]]);
});

it('does not count as begun what could not be stored just now', function (): void {
    $account = ownAccount();
    putInto($account, Mails::raw(['Subject' => 'One']));
    whenStored(fn () => throw new RuntimeException('The disk is full.'));
    foreach (range(1, 3) as $time) {
        FetchMailbox::dispatchSync($account->id);
    }
    expect($account->refresh()->only(['last_uid', 'reading_uid', 'reading_attempts']))
        ->toBe(['last_uid' => 0, 'reading_uid' => null, 'reading_attempts' => 0])
        ->and($account->last_error)->toContain('The disk is full');
});

it('sets aside in turn what cannot be stored now, goes on with others, and reads it again', function (): void {
    $account = ownAccount();
    // There is room for two small ones only: files whose content is known to begin so cannot be kept.
    $large = fn (string $subject) => Mails::raw(['Subject' => $subject], 'Too large '.$subject);
    putInto($account, $large('One'), Mails::raw(['Subject' => 'Two']));
    $disk = app(Factory::class)->disk();
    $full = Mockery::mock($disk)->makePartial();
    $full->shouldReceive('put')->andReturnUsing(fn (string $name, string $bytes) => str_contains((string) gzdecode($bytes), 'Too large')
        ? throw new RuntimeException('No space left on device')
        : $disk->put($name, $bytes));
    Storage::set(config('filesystems.default'), $full);
    FetchMailbox::dispatchSync($account->id);
    expect(Message::query()->pluck('subject')->all())->toBe(['Two'])
        ->and($account->refresh()->last_uid)->toBe(2)
        ->and($account->last_error)->toContain('One message waits in the mailbox until there is room')
        ->and($disk->allFiles('arriving'))->toBe([]);

    // Too early, then with room.
    Storage::set(config('filesystems.default'), $disk);
    FetchMailbox::dispatchSync($account->id);
    expect(Message::query()->count())->toBe(1);
    $this->travel(20)->seconds();
    FetchMailbox::dispatchSync($account->id);
    expect(Message::query()->pluck('subject')->all())->toBe(['Two', 'One'])
        ->and($account->refresh()->last_error)->toBeNull()
        ->and(DB::table('mail_to_read_again')->count())->toBe(0);
});

it('reads all that had no room as soon as one of them has it', function (): void {
    $account = ownAccount();
    fetch($account);
    putInto($account, ...array_map(static fn (int $number): string => Mails::raw(['Subject' => "Waits {$number}"]), range(1, 8)));
    // The last was tried but a moment ago, and all are more than one turn takes.
    foreach (range(1, 8) as $uid) {
        MailToReadAgain::later($account, $uid);
        $this->travel(2)->seconds();
    }
    $account->refresh()->forceFill(['last_uid' => 8])->save();
    Queue::fake([FetchMailbox::class]);
    fetch($account);
    expect(Message::query()->count())->toBe(1);
    Queue::assertPushed(FetchMailbox::class, 1);
    fetch($account);
    fetch($account);
    expect(Message::query()->count())->toBe(8)
        ->and(MailToReadAgain::count($account))->toBe(0)
        ->and($account->refresh()->last_error)->toBeNull();
    Queue::assertPushed(FetchMailbox::class, 2);
});

it('does not wait for what was taken out of the mailbox in between', function (): void {
    $account = ownAccount();
    FetchMailbox::dispatchSync($account->id);
    MailToReadAgain::later($account->refresh(), 77);
    $this->travel(20)->seconds();
    putInto($account, Mails::raw(['Subject' => 'One']));
    FetchMailbox::dispatchSync($account->id);
    expect(Message::query()->pluck('subject')->all())->toBe(['One'])
        ->and($account->refresh()->last_error)->toBeNull()
        ->and(DB::table('mail_to_read_again')->count())->toBe(0);
});

it('gives the next account its turn', function (): void {
    $account = ownAccount();
    putInto($account, Mails::raw(['Subject' => 'One']), Mails::raw(['Subject' => 'Two']));
    whenStored(fn () => $this->travel(20)->seconds());
    Queue::fake();
    fetch($account);
    expect(Message::query()->pluck('subject')->all())->toBe(['One']);
    Queue::assertPushed(FetchMailbox::class, fn (FetchMailbox $next): bool => $next->accountId === $account->id);
});

it('says in plain words why a mailbox cannot be read', function (array $settings, string $password, string $said): void {
    $account = ownAccount();
    $account->forceFill([
        'settings' => [...$account->settings, ...$settings],
        'secrets' => [...$account->secrets, 'imap_password' => $password],
    ])->save();
    FetchMailbox::dispatchSync($account->id);
    expect($account->refresh()->last_error)->toContain($said)->and($account->last_error_at)->not->toBeNull();
})->with([
    'a wrong password' => [[], 'wrong', 'or its password'],
    'nobody there' => [['imap_port' => 9], 'any', 'could not be reached'],
]);

it('does not read a paused account', function (): void {
    $account = ownAccount();
    $account->forceFill(['state' => AccountState::Paused])->save();
    putInto($account, Mails::raw());
    FetchMailbox::dispatchSync($account->id);
    expect(Message::query()->count())->toBe(0);
});

it('checks a sending server by signing in, and says what is wrong', function (): void {
    $account = ownAccount();
    app(SmtpSender::class)->check($account);
    $account->settings = [...$account->settings, 'smtp_port' => 9];
    expect(fn () => app(SmtpSender::class)->check($account))->toThrow(DeliveryFailed::class, 'did not let us in');
});

it('hands an answer over to a real server', function (): void {
    $account = ownAccount();
    $customer = 'customer-'.Str::lower(Str::random(10)).'@x.example';
    $conversation = Mails::conversation(['From' => "Åse Ørn <{$customer}>", 'To' => $account->address, 'Subject' => 'Drage']);
    $message = $this->answer($conversation, 'På vej!');
    app(SmtpSender::class)->deliver(app(ComposeOutgoing::class)->of(
        $message->outboxItem()->with(['message.attachments', 'message.teammate', 'account'])->sole()
    ));

    $path = '{127.0.0.1:'.$account->settings['imap_port'].'/imap/notls}INBOX';
    $connection = imap_open($path, $customer, $account->secrets['imap_password']);
    $header = imap_headerinfo($connection, 1);
    expect(imap_num_msg($connection))->toBe(1)
        ->and($header->message_id)->toBe("<{$message->message_id}>")
        ->and(imap_utf8($header->subject))->toBe("Re: Drage [{$conversation->number()}]");
    imap_close($connection);
    imap_errors();
});
