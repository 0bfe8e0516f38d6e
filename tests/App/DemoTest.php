<?php

declare(strict_types=1);

use App\Channels\OutboxItem;
use App\Demo\DemoConversations;
use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Inbox\JournalEntry;
use App\Inbox\Message;
use Carbon\CarbonImmutable;

it('plays a believable store on any day: more than forty conversations in all states', function (string $loadedAt): void {
    CarbonImmutable::setTestNow($loadedAt);
    $count = app(DemoConversations::class)->load(onServices: false);
    expect($count)->toBeGreaterThan(40);
    foreach (ConversationState::cases() as $state) {
        expect(Conversation::query()->where('state', $state)->count())->toBeGreaterThan(0, $state->value);
    }
    expect(OutboxItem::query()->where('state', '!=', OutboxItem::SENT)->count())->toBe(0)
        ->and(Message::query()->where('received_at', '>', now())->count())->toBe(0)
        ->and(Conversation::query()->whereNull('category_id')->count())->toBe(0)
        ->and(JournalEntry::query()->where('at', '<', now()->subDays(30))->count())->toBeGreaterThan(0);
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')->assertOk()->assertSee('Promise missed')->assertSee('first reply');
})->with(['a Monday noon' => '2026-11-23T11:00:00Z', 'a Sunday night' => '2026-11-29T23:30:00Z', 'Christmas' => '2026-12-25T09:00:00Z']);

it('loads nothing where there is data already', function (): void {
    $this->artisan('demo:load')->expectsOutputToContain('nothing was loaded')->assertSuccessful();
    expect(Conversation::query()->count())->toBe(0);
});
