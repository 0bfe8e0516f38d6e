<?php

declare(strict_types=1);

namespace Tests\App;

use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Channels\MessageSender;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Promises\KeepPromises;
use App\SignIn\SignIns;
use App\Support\NameService;
use App\Team\Teammate;
use App\Workspace\Trail;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\DatabaseTransactionsManager;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\Fixtures\TestDatabase;

/**
 * The application with the small store of the fixtures, on a real MariaDB, each test in a transaction. Mail goes to a
 * sender that remembers it.
 */
abstract class AppTestCase extends TestCase
{
    /** Part of the name of its database, where a test must not share that of the others. */
    protected const DATABASE = '';

    public RememberingSender $sender;

    public function createApplication(): Application
    {
        /** @var Application $app */
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();
        TestDatabase::use($app, static::DATABASE);

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->begin();
        $this->withoutVite();
        // Tests go through weeks in one go; that somebody is signed out meanwhile is tested where it belongs.
        config(['cairnfield.sign_in' => ['idle_minutes' => 5_000_000, 'longest_days' => 4000]]);
        Storage::fake('files');
        $this->sender = new RememberingSender;
        $this->app->instance(MessageSender::class, $this->sender);
        // Names of the tests are known to nobody outside.
        $this->app->instance(NameService::class, new NamesOfTests);
    }

    protected function createTestResponse($response, $request): SeenPage
    {
        $plain = parent::createTestResponse($response, $request);

        return SeenPage::fromBaseResponse($plain->baseResponse, $request)->withExceptions($plain->exceptions);
    }

    /**
     * What the test changes is undone after it.
     */
    protected function begin(): void
    {
        // With the manager for tests, what waits for the commit is done although this one is never committed.
        $manager = new DatabaseTransactionsManager([DB::getDefaultConnection()]);
        $this->app->instance('db.transactions', $manager);
        DB::connection()->setTransactionManager($manager);
        DB::beginTransaction();
        // What is reckoned before each commit is so at the end of each transaction inside this one.
        KeepPromises::$around = 1;
        Event::listen(
            TransactionCommitted::class, fn () => DB::transactionLevel() > 1 ?: $this->app->make(KeepPromises::class)->flush()
        );
        $this->beforeApplicationDestroyed(static function (): void {
            DB::rollBack(0);
            DB::disconnect();
        });
    }

    /**
     * As whoever has signed in has it: noted, and carried by the session.
     *
     * @param  Teammate  $user
     */
    public function actingAs($user, $guard = null): static
    {
        $this->withSession(SignIns::inSession(SignIns::note($user, '127.0.0.1', 'Test')));

        return parent::actingAs($user, $guard);
    }

    public function teammate(string $name): Teammate
    {
        return Teammate::query()->where('email', "{$name}@brindle.example")->firstOrFail();
    }

    /**
     * Sends an answer as a teammate who has seen all there is.
     */
    public function answer(
        Conversation $conversation, string $text, string $as = 'ilse', ConversationState $then = ConversationState::Waiting
    ): Message {
        return $this->app->make(SendReply::class)->send($conversation, $this->teammate($as), new ReplyToSend(
            $text,
            [],
            $then,
            null,
            Str::uuid()->toString(),
            $this->app->make(Trail::class)->lastSeen($conversation),
        ));
    }
}
