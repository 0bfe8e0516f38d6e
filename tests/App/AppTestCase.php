<?php

declare(strict_types=1);

namespace Tests\App;

use App\Channels\MessageSender;
use App\Demo\DemoStore;
use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Inbox\Message;
use App\Inbox\ReplyToSend;
use App\Inbox\SendReply;
use App\Inbox\Trail;
use App\Team\Teammate;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/**
 * The application with the demo store's team and addresses, on a real MariaDB, each test in a
 * transaction. Mail goes to a sender that remembers it.
 */
abstract class AppTestCase extends TestCase
{
    use RefreshDatabase;

    public RememberingSender $sender;

    public function createApplication(): Application
    {
        /** @var Application $app */
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        Storage::fake('files');
        $this->sender = new RememberingSender;
        $this->app->instance(MessageSender::class, $this->sender);
        $this->app->make(DemoStore::class)->load();
    }

    public function teammate(string $name): Teammate
    {
        return Teammate::query()->where('email', "{$name}@brindle.example")->firstOrFail();
    }

    /**
     * Sends an answer as a teammate who has seen all there is.
     */
    public function answer(Conversation $conversation, string $text, string $as = 'ilse', ConversationState $then = ConversationState::Waiting): Message
    {
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
