<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Channels\ItemKind;
use App\Conversations\ChannelItem;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Promises\PromisedKind;
use App\Receiving\TakeItem;
use Carbon\CarbonImmutable;
use Tests\App\Services;

it('makes a conversation of a mention, once, however often it comes', function (): void {
    $event = Services::post('@brindlekites where is my kite? Festival on Saturday!');
    expect(Services::take(Channel::Pennon, $event)['result'])->toBe('new')
        ->and(Services::take(Channel::Pennon, $event)['result'])->toBe('again');

    $conversation = Conversation::query()->sole();
    expect($conversation->subject)->toBe('where is my kite? Festival on Saturday!')
        ->and($conversation->public)->toBeTrue()
        ->and($conversation->kind)->toBe(ItemKind::Post)
        ->and($conversation->customer->name)->toBe('Ana')
        ->and($conversation->language)->toBe('en')
        ->and($conversation->state->value)->toBe('open')
        ->and($conversation->due_at)->not->toBeNull()
        ->and(Message::query()->sole()->public)->toBeTrue();
});

it('only lists mentions where the account says so, and makes one a conversation by hand', function (): void {
    $account = Services::account(Channel::Pennon);
    $account->forceFill(['arrivals' => ['mentions' => 'words', 'words' => ['order']]])->save();
    expect(Services::take(Channel::Pennon, Services::post('nice kites @brindlekites'))['result'])->toBe('listed')
        ->and(Services::take(Channel::Pennon, Services::post('my order, @brindlekites'))['result'])->toBe('new')
        ->and(Services::take(Channel::Pennon, Services::post('reordering now @brindlekites', ['author' => '@other']))['result'])
        ->toBe('listed')
        ->and(Services::take(Channel::Pennon, Services::post('thanks', ['author' => '@third', 'thread' => 'ours'], 'post.reply'))['result'])
        ->toBe('new');

    $listed = ChannelItem::query()->whereNull('message_id')->firstOrFail();
    $made = app(TakeItem::class)->makeConversation($listed);
    $again = app(TakeItem::class)->makeConversation($listed);
    expect($made->isNew)->toBeTrue()->and($again->isNew)->toBeFalse()
        ->and($listed->refresh()->conversation_id)->toBe($made->conversation);
});

it('joins what the same person writes within the interval, and links back after it', function (): void {
    CarbonImmutable::setTestNow('2026-11-23 09:00:00');
    Services::take(Channel::Pennon, Services::post('@brindlekites where is my kite?'));
    CarbonImmutable::setTestNow('2026-11-23 15:00:00');
    Services::take(Channel::Pennon, Services::direct('I meant the red one'));
    $first = Conversation::query()->sole();
    expect($first->messages()->count())->toBe(2);

    CarbonImmutable::setTestNow('2026-11-24 15:00:00');
    Services::take(Channel::Pennon, Services::direct('Still nothing'));
    $second = Conversation::query()->orderByDesc('id')->firstOrFail();
    expect($second->id)->not->toBe($first->id)->and($second->linked_conversation_id)->toBe($first->id);
});

it('shows what was changed and removed at its source, whatever order it comes in', function (): void {
    $id = Services::id('p');
    $event = fn (int $revision, string $text, bool $removed = false): array => Services::post(
        $text, ['id' => $id, 'revision' => $revision, 'removed' => $removed],
        $removed ? 'post.removed' : ($revision > 1 ? 'post.edited' : 'post.mention')
    );
    // The second change comes before the first item does.
    expect(Services::take(Channel::Pennon, $event(2, '@brindlekites Where is my KITE'))['result'])->toBe('new')
        ->and(Services::take(Channel::Pennon, $event(1, '@brindlekites Where is my kit'))['result'])->toBe('again')
        ->and(Services::take(Channel::Pennon, $event(3, '@brindlekites Where is my kite?'))['result'])->toBe('changed')
        ->and(Services::take(Channel::Pennon, $event(4, '@brindlekites Where is my kite?', true))['result'])->toBe('changed')
        ->and(Services::take(Channel::Pennon, $event(4, '@brindlekites Where is my kite?', true))['result'])->toBe('again');

    $message = Message::query()->sole();
    expect($message->text)->toBe('@brindlekites Where is my kite?')
        ->and($message->earlier_texts)->toBe(['@brindlekites Where is my KITE'])
        ->and($message->edited_at)->not->toBeNull()
        ->and($message->removed_at)->not->toBeNull();
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$message->conversation_id}")
        ->assertSee('changed what they had written there')->assertSee('removed it there')->assertSee('Where is my KITE');
});

it('keeps an item that was removed before it was heard of, and says so', function (): void {
    Services::take(Channel::Pennon, Services::post('@brindlekites you are thieves', ['revision' => 2, 'removed' => true], 'post.removed'));
    expect(Message::query()->sole()->removed_at)->not->toBeNull();
});

it('takes comments and direct messages of the photo network', function (): void {
    $comment = ['id' => 'e1', 'type' => 'comment-new', 'at' => now()->toIso8601ZuluString(), 'data' => [
        'photo' => ['id' => 'f1', 'caption' => 'Merlin in slate'],
        'comment' => [
            'id' => 'k77', 'by' => ['user' => 'karindahl', 'shown' => 'Karin Dahl'], 'text' => 'When is the red one back?',
            'under' => null, 'at' => now()->toIso8601ZuluString(), 'version' => 1, 'gone' => false,
        ],
        'under_ours' => false,
    ]];
    $direct = [
        'id' => 'e2', 'type' => 'talk-message', 'at' => now()->toIso8601ZuluString(),
        'data' => [
            'message' => [
                'id' => 'm78', 'person' => ['user' => 'karindahl', 'shown' => 'Karin Dahl'], 'text' => 'Could you write to me?',
                'ours' => false, 'at' => now()->toIso8601ZuluString(), 'version' => 1, 'gone' => false,
            ],
        ],
    ];
    Services::take(Channel::Snapline, $comment);
    Services::take(Channel::Snapline, $direct);
    expect(
        Services::take(
            Channel::Snapline, [...$direct, 'data' => ['message' => [...$direct['data']['message'], 'id' => 'm79', 'ours' => true]]]
        )['result']
    )->toBe('ours');
    $conversation = Conversation::query()->sole();
    expect($conversation->about_title)->toBe('Merlin in slate')->and($conversation->messages()->count())->toBe(2);
});

it('holds itself to the marketplace’s deadline where that comes first', function (): void {
    CarbonImmutable::setTestNow('2026-11-20 16:00:00'); // Friday, an hour after which the store is closed until Saturday.
    Services::take(Channel::Marrowby, Services::orderMessage('Where is it?', ['answer_by' => '2026-11-20T17:30:00Z']));
    $conversation = Conversation::query()->sole();
    expect($conversation->due_at->toIso8601ZuluString())->toBe('2026-11-20T17:30:00Z')
        ->and($conversation->due_kind)->toBe(PromisedKind::Marketplace);
    $this->answer($conversation, 'It is on its way.');
    expect($conversation->refresh()->due_kind)->toBeNull()->and($conversation->due_at)->toBeNull();
});

it('keeps ratings and return requests as matters of their own', function (): void {
    Services::take(Channel::Marrowby, Services::orderMessage('Where is it?'));
    Services::take(Channel::Marrowby, Services::rating(2, 'Strap missing', ['buyer' => ['id' => 'anaw88', 'name' => 'Ana W.']]));
    expect(Conversation::query()->count())->toBe(2);
    $rating = Conversation::query()->where('kind', ItemKind::Rating)->sole();
    expect($rating->stars)->toBe(2)->and($rating->subject)->toBe('2 stars for Dunlin, single line');
});

it('reads the other marketplace’s threads, and not what we wrote there', function (): void {
    Services::take(Channel::Quaymart, Services::entry('Wrong colour'));
    Services::take(Channel::Quaymart, Services::entry('I would like the red one'));
    expect(Services::take(Channel::Quaymart, Services::entry('We send it', [], ['by' => 'seller']))['result'])->toBe('ours')
        ->and(Conversation::query()->sole()->messages()->count())->toBe(2);
});

it('does not store half of an event that it cannot read', function (array $event, string $says): void {
    $answer = Services::take(Channel::Pennon, $event);
    expect($answer['taken'])->toBeFalse()->and($answer['reason'])->toContain($says)
        ->and(ChannelItem::query()->count())->toBe(0)->and(Message::query()->count())->toBe(0);
    $this->actingAs($this->teammate('corin'))->get('/troubles')->assertOk()->assertSee($says);
})->with([
    'an unknown event' => [['type' => 'post.praised', 'data' => []], 'There is no event “post.praised”'],
    'no data' => [['type' => 'post.mention'], '“data” is not an object'],
    'a number for a text' => [fn () => Services::post('x', ['text' => 5]), '“data.post.text” is not a text'],
    'a time that is none' => [fn () => Services::post('x', ['posted_at' => 'yesterday']), 'RFC 3339'],
    'an id with spaces' => [fn () => Services::post('x', ['id' => 'a b']), 'an id of'],
]);

it('takes texts and names of every kind', function (string $text, string $name): void {
    Services::take(Channel::Pennon, Services::post($text, ['author_name' => $name]));
    $message = Message::query()->sole();
    expect($message->text)->toBe($text);
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')->assertOk();
    $this->get("/conversations/{$message->conversation_id}")->assertOk()->assertSee($text);
})->with([
    'only an emoji' => ['🪁', 'Ana'],
    'right to left' => ['איפה העפיפון שלי?', 'ליאורה כהן'],
    'a name of 500 characters' => ['hello there', str_repeat('Alma ', 100)],
    'only a mention' => ['@brindlekites', '@anawren'],
]);
