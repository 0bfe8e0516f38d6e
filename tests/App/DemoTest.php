<?php

declare(strict_types=1);

use App\Channels\OutboxItem;
use App\Demo\DemoConversations;
use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Inbox\JournalEntry;
use App\Inbox\Message;

it('plays a believable store: more than forty conversations in all states', function (): void {
    $count = app(DemoConversations::class)->load();
    expect($count)->toBeGreaterThan(40);
    foreach (ConversationState::cases() as $state) {
        expect(Conversation::query()->where('state', $state)->count())->toBeGreaterThan(0, $state->value);
    }
    expect(OutboxItem::query()->where('state', '!=', OutboxItem::SENT)->count())->toBe(0)
        ->and(Message::query()->where('received_at', '>', now())->count())->toBe(0)
        ->and(Conversation::query()->whereNull('category_id')->count())->toBe(0)
        ->and(JournalEntry::query()->where('at', '<', now()->subDays(30))->count())->toBeGreaterThan(0);
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')->assertOk()->assertSee('Promise missed')->assertSee('Within the hour');
});

it('loads nothing where there is data already', function (): void {
    $this->artisan('demo:load')->expectsOutputToContain('nothing was loaded')->assertSuccessful();
    expect(Conversation::query()->count())->toBe(0);
});
