<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Queue;
use Tests\App\Mails;

beforeEach(function (): void {
    $url = getenv('TEST_REDIS_URL');
    if ($url === false) {
        $this->markTestSkipped('bin/test starts a Redis for this and names it in TEST_REDIS_URL.');
    }
    config([
        'database.redis.default' => ['url' => $url, 'database' => '0'],
        'database.redis.cache' => ['url' => $url, 'database' => '1'],
        'database.redis.options.prefix' => 'test-'.bin2hex(random_bytes(4)).':',
        'queue.default' => 'redis',
        'cache.default' => 'redis',
    ]);
});

it('delivers answers by a queue on Redis', function (): void {
    $conversation = Mails::conversation();
    $message = $this->answer($conversation, 'By way of Redis.');
    expect($this->sender->delivered)->toBe([])->and(Queue::size('outbox'))->toBe(1);
    Artisan::call('queue:work', ['--once' => true, '--queue' => 'outbox']);
    expect($this->sender->delivered)->toBe([$message->once_key])->and(Queue::size('outbox'))->toBe(0);
});

it('locks on Redis, so that one mailbox is read once at a time', function (): void {
    $first = Cache::lock('fetch-mailbox-1', 20);
    expect($first->get())->toBeTrue()->and(Cache::lock('fetch-mailbox-1', 20)->get())->toBeFalse();
    $first->release();
    expect(Cache::lock('fetch-mailbox-1', 20)->get())->toBeTrue();
});
