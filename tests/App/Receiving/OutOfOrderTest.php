<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * What belongs together is found together, in whatever order it arrives, however late, and however often.
 */

beforeEach(function (): void {
    Http::fake(['*' => Http::response([], 404)]);
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
});

/**
 * A question, two more letters in its thread, and one that a program put in without saying to what it belongs.
 *
 * @return list<string>
 */
function letters(): array
{
    $from = ['From' => 'Ana Wrenfield <ana@wrenfield.example>'];

    return [
        Mails::raw([...$from, 'Message-ID' => '<a@x.example>', 'Subject' => 'The reel'], "It jams.\r\n"),
        Mails::raw(
            [
                ...$from, 'Message-ID' => '<b@x.example>', 'Subject' => 'Re: The reel', 'In-Reply-To' => '<a@x.example>',
                'References' => '<a@x.example>',
            ],
            "Still.\r\n"
        ),
        Mails::raw(
            [
                ...$from, 'Message-ID' => '<c@x.example>', 'Subject' => 'Re: The reel', 'In-Reply-To' => '<b@x.example>',
                'References' => '<a@x.example> <b@x.example>',
            ],
            "And now?\r\n"
        ),
        Mails::raw([...$from, 'Message-ID' => '<d@x.example>', 'Subject' => 'AW: the  REEL'], "A photo.\r\n"),
    ];
}

/**
 * @return Generator<string, array{list<int>}>
 */
function everyOrder(): Generator
{
    $orders = [[]];
    for ($of = 0; $of < 4; $of++) {
        $orders = array_merge(...array_map(
            static fn (array $order): array => array_map(
                static fn (int $next): array => [...$order, $next], array_values(array_diff(range(0, 3), $order))
            ),
            $orders,
        ));
    }
    foreach ($orders as $order) {
        yield implode(' ', $order) => [$order];
    }
}

it('makes one conversation of one matter, in whatever order its mail arrives', function (array $order): void {
    $letters = letters();
    foreach ($order as $minutes => $which) {
        CarbonImmutable::setTestNow(CarbonImmutable::parse('2026-11-23T10:00:00Z')->addMinutes($minutes * 10));
        Mails::take($letters[$which]);
        // Once more, as a second way or a second try would bring it.
        Mails::take($letters[$which]);
    }
    $conversation = Conversation::query()->sole();
    expect(Message::query()->count())->toBe(4)
        ->and($conversation->state)->toBe(ConversationState::Open)
        // Whoever waits, waits since the first of it came.
        ->and($conversation->waiting_since->toIso8601ZuluString())->toBe('2026-11-23T10:00:00Z');
})->with(fn () => everyOrder());

it('goes on with what arrives thirteen hours late, at the time at which it came to us', function (): void {
    $conversation = Mails::conversation(['Message-ID' => '<a@x.example>', 'Date' => 'Mon, 23 Nov 2026 09:52:00 +0100']);
    CarbonImmutable::setTestNow('2026-11-23T11:00:00Z');
    $this->answer($conversation, 'It is on its way.');
    CarbonImmutable::setTestNow('2026-11-23T22:55:00Z');
    // Written before our answer, and only now here.
    Mails::take(Mails::raw(['In-Reply-To' => '<a@x.example>', 'Date' => 'Mon, 23 Nov 2026 09:55:00 +0100'], "The second parcel, too.\r\n"));
    expect($conversation->refresh()->state)->toBe(ConversationState::Open)
        ->and($conversation->waiting_since->toIso8601ZuluString())->toBe('2026-11-23T22:55:00Z');
    $this->actingAs($this->teammate('ilse'))
        ->get("/conversations/{$conversation->id}")
        ->assertSeeInOrder(['It is on its way.', 'The second parcel, too.']);
});

it('believes no date that a letter gives itself', function (string $date): void {
    $conversation = Mails::conversation(['Date' => $date]);
    expect($conversation->waiting_since->toIso8601ZuluString())->toBe('2026-11-23T10:00:00Z')
        ->and($conversation->last_message_at->toIso8601ZuluString())->toBe('2026-11-23T10:00:00Z');
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')->assertOk()->assertSee('Where is my kite');
    $this->get("/conversations/{$conversation->id}")->assertOk();
})->with(['Mon, 23 Nov 2099 09:52:00 +0100', 'Thu, 01 Jan 1970 00:00:00 +0000', 'Mon, 99 Foo 2026 99:99:99 +9999', 'yesterday', '']);

it('shows a post as it is at its source, in whatever order that is told', function (array $order): void {
    $post = ['id' => 'p77', 'thread' => 'p77'];
    $events = [
        Services::post('@brindlekites it broke', $post),
        Services::post('@brindlekites it broke a bit', [...$post, 'revision' => 2], 'post.edited'),
        Services::post('@brindlekites it broke a bit', [...$post, 'revision' => 3, 'removed' => true], 'post.removed'),
    ];
    foreach ($order as $which) {
        Services::take(Channel::Pennon, $events[$which]);
        Services::take(Channel::Pennon, $events[$which]);
    }
    $message = Message::query()->sole();
    expect($message->removed_at)->not->toBeNull()
        ->and(JournalEntry::query()->where('kind', 'removed_at_source')->count())->toBeLessThanOrEqual(1);
})->with([[[0, 1, 2]], [[0, 2, 1]], [[1, 0, 2]], [[1, 2, 0]], [[2, 0, 1]], [[2, 1, 0]]]);

it('knows a parcel as it was seen last, in whatever order its scans come', function (array $order): void {
    Services::take(Channel::Shop, Services::order());
    $scans = [
        Services::scan('WP7720388', 'collected', '2026-11-20T07:00:00Z'),
        Services::scan('WP7720388', 'at_depot', '2026-11-21T07:00:00Z'),
        Services::scan('WP7720388', 'delivered', '2026-11-22T07:00:00Z'),
    ];
    foreach ($order as $which) {
        Services::take(Channel::WrenParcel, $scans[$which]);
        Services::take(Channel::WrenParcel, $scans[$which]);
    }
    $parcel = App\Orders\Parcel::query()->with('scans')->sole();
    expect($parcel->scans)->toHaveCount(3)
        ->and($parcel->progress()->last?->stage->value)->toBe('delivered')
        ->and($parcel->progress()->stopped)->toBeFalse();
})->with([[[0, 1, 2]], [[2, 1, 0]], [[1, 2, 0]]]);

it('keeps an order as its latest version tells it, in whatever order they come', function (array $versions): void {
    foreach ($versions as $version) {
        Services::take(
            Channel::Shop,
            Services::order(['version' => $version, 'status' => $version === 3 ? 'cancelled' : 'paid', 'total' => 16300])
        );
    }
    $order = App\Orders\Order::query()->sole();
    expect($order->version)->toBe(max($versions))->and($order->status)->toBe(max($versions) === 3 ? 'cancelled' : 'paid');
})->with([[[1, 2, 3]], [[3, 2, 1]], [[2, 3, 1]], [[3, 3, 3]], [[2, 1]]]);
