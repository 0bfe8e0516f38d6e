<?php

declare(strict_types=1);

use App\Answering\Draft;
use App\Answering\ScheduledReply;
use App\Channels\Channel;
use App\Conversations\Message;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnField;
use App\Sorting\ArrangeFields;
use App\Sorting\Category;
use App\Sorting\Outcome;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\App\AppTestCase;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * What was done and undone leaves everything as it was, to the last field, but for the trail that tells of it.
 */

/**
 * All that is kept of the conversations, without when it was last saved.
 *
 * @return array<string, mixed>
 */
function inboxNow(): array
{
    $rows = static fn (string $table, string ...$by): array => DB::table($table)->orderBy($by[0])->get()
        ->map(
            static fn (object $row): array => array_diff_key(
                (array) $row, ['id' => 1, 'updated_at' => 1, 'changed_at' => 1, 'at' => 1, 'found_by' => 1]
            )
        )
        ->all();

    return [
        'conversations' => DB::table('conversations')->orderBy('id')->get()
            ->map(static fn (object $row): array => array_diff_key((array) $row, ['updated_at' => 1, 'change_mark' => 1]))->all(),
        'messages' => DB::table('messages')->where('direction', Message::IN)->orderBy('id')->pluck('conversation_id', 'id')->all(),
        'tags' => $rows('conversation_tag', 'tag_id'),
        'orders' => $rows('conversation_order', 'order_id'),
        'values' => $rows('own_values', 'about_id'),
        'drafts' => DB::table('drafts')
            ->orderBy('id')
            ->get(['conversation_id', 'teammate_id', 'kind', 'text'])
            ->map(static fn (object $row): array => (array) $row)
            ->all(),
        'scheduled' => DB::table('scheduled_replies')->where('state', 'due')->count(),
    ];
}

/**
 * What each queue shows, as a person sees it.
 *
 * @return array<string, list<string>>
 */
function queuesNow(AppTestCase $test): array
{
    $shown = [];
    foreach (['my-turn', 'waiting', 'held', 'resolved', 'junk'] as $view) {
        preg_match_all('#href="[^"]*/conversations/(\d+)#', (string) $test->get("/queue/{$view}")->getContent(), $found);
        $shown[$view] = array_values(array_unique($found[1]));
    }

    return $shown;
}

beforeEach(function (): void {
    config(['cairnfield.outbox.call_back_seconds' => 30]);
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Services::take(Channel::Shop, Services::order(['sold_on' => null, 'parcels' => []]));
    $this->one = Mails::conversation(
        ['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Message-ID' => '<one@x.example>', 'Subject' => 'Late'],
        'Where is B-20388?'
    );
    CarbonImmutable::setTestNow('2026-11-23T10:20:00Z');
    Mails::take(
        Mails::raw(
            [
                'From' => 'Ana Wrenfield <ana@wrenfield.example>', 'In-Reply-To' => '<one@x.example>',
                'Message-ID' => '<more@x.example>', 'Subject' => 'Re: Late',
            ],
            'And the reel?'
        )
    );
    $this->other = Mails::conversation(['From' => 'Bo Lind <bo@lind.example>', 'Message-ID' => '<other@x.example>', 'Subject' => 'Tails']);
    $this->third = Mails::conversation(['From' => 'Cy Holm <cy@holm.example>', 'Message-ID' => '<third@x.example>', 'Subject' => 'Reels']);
    $this->field = app(ArrangeFields::class)->make(About::Conversation, 'Batch', FieldKind::Text, [], false);
    CarbonImmutable::setTestNow('2026-11-23T11:00:00Z');
    $this->actingAs($this->teammate('ilse'));
    $this->post("/conversations/{$this->one->id}/tags", ['give' => 'Festival']);
    $this->post("/conversations/{$this->one->id}/fields", ['fields' => [$this->field->id => 'K']]);
    $this->post("/conversations/{$this->one->id}/priority", ['priority' => 'high']);
});

it('is as it was', function (Closure $prepare, Closure $do, Closure $undo): void {
    $prepare->call($this);
    $before = [inboxNow(), queuesNow($this)];
    CarbonImmutable::setTestNow(now()->addSeconds(5));
    $do->call($this);
    expect([inboxNow(), queuesNow($this)])->not->toBe($before);
    CarbonImmutable::setTestNow(now()->addSeconds(5));
    $undo->call($this);
    expect(inboxNow())->toEqual($before[0])->and(queuesNow($this))->toBe($before[1]);
})->with([
    'joined and separated' => [
        function (): void {},
        fn () => $this->post("/conversations/{$this->other->id}/join", ['other' => (string) $this->one->id])->assertSessionHas('done'),
        fn () => $this->post("/conversations/{$this->one->id}/separate")->assertSessionHas('done'),
    ],
    'joined, after an answer to either, and separated' => [
        function (): void {
            $this->answer($this->one, 'We look into it.');
            $this->post(
                "/conversations/{$this->other->id}/hold",
                ['reason' => 'Carrier', 'until' => 'time', 'bring_back_at' => '2026-11-25T09:00']
            );
        },
        fn () => $this->post("/conversations/{$this->other->id}/join", ['other' => (string) $this->one->id])->assertSessionHas('done'),
        fn () => $this->post("/conversations/{$this->one->id}/separate")->assertSessionHas('done'),
    ],
    'joined with what was joined into it, and separated' => [
        fn () => $this->post("/conversations/{$this->one->id}/join", ['other' => (string) $this->third->id])->assertSessionHas('done'),
        fn () => $this->post("/conversations/{$this->other->id}/join", ['other' => (string) $this->one->id])->assertSessionHas('done'),
        fn () => $this->post("/conversations/{$this->one->id}/separate")->assertSessionHas('done'),
    ],
    'joined both ways in turn, separated in turn' => [
        function (): void {},
        function (): void {
            $this->post("/conversations/{$this->one->id}/join", ['other' => (string) $this->third->id]);
            $this->post("/conversations/{$this->other->id}/join", ['other' => (string) $this->one->id]);
        },
        function (): void {
            $this->post("/conversations/{$this->one->id}/separate");
            $this->post("/conversations/{$this->third->id}/separate");
        },
    ],
    'answered and called back' => [
        function (): void {},
        fn () => $this->post("/conversations/{$this->one->id}/reply", [
            'text' => 'It leaves today.', 'then' => 'resolved', 'outcome' => Outcome::query()
                ->value('id'), 'seen' => DB::table('journal')
                ->max('id'), 'once' => Str::uuid()
                ->toString(),
        ])->assertSessionHas('done'),
        function (): void {
            $this->post('/messages/'.Message::query()->where('direction', Message::OUT)->sole()->id.'/call-back')->assertSessionHas('done');
            // What was written is a draft again, as it has to be.
            expect(Draft::query()->sole()->text)->toBe('It leaves today.');
            Draft::query()->delete();
        },
    ],
    'answered for later and called off' => [
        function (): void {},
        fn () => $this->post("/conversations/{$this->one->id}/reply", [
            'text' => 'Tomorrow.', 'then' => 'waiting', 'when' => 'at', 'at' => '2026-11-24T09:00', 'seen' => DB::table('journal')
                ->max('id'), 'once' => Str::uuid()
                ->toString(),
        ])->assertSessionHas('done'),
        function (): void {
            $this->post('/scheduled/'.ScheduledReply::query()->sole()->id.'/call-off')->assertSessionHas('done');
            Draft::query()->delete();
        },
    ],
    'sorted otherwise and back' => [
        fn () => $this->post(
            "/conversations/{$this->one->id}/category", ['category' => Category::query()->where('name', 'Late parcel')->value('id')]
        ),
        function (): void {
            $this->post(
                "/conversations/{$this->one->id}/category", ['category' => Category::query()->where('name', 'Refund')->value('id')]
            );
            $this->post("/conversations/{$this->one->id}/tags", ['give' => 'New']);
            $this->post("/conversations/{$this->one->id}/fields", ['fields' => [$this->field->id => 'L']]);
            $this->post("/conversations/{$this->one->id}/priority", ['priority' => 'low']);
        },
        function (): void {
            $this->post(
                "/conversations/{$this->one->id}/category",
                ['category' => Category::query()->where('name', 'Late parcel')->value('id')]
            );
            $this->post("/conversations/{$this->one->id}/tags", ['take' => App\Sorting\Tag::query()->where('name', 'New')->value('id')]);
            $this->post("/conversations/{$this->one->id}/fields", ['fields' => [OwnField::query()->sole()->id => 'K']]);
            $this->post("/conversations/{$this->one->id}/priority", ['priority' => 'high']);
        },
    ],
]);

it('takes no order away that had come to a conversation otherwise, nor one that somebody attached since', function (): void {
    Services::take(Channel::Shop, Services::order(['id' => 'ord_2', 'number' => 'B-20399', 'sold_on' => null, 'parcels' => []]));
    $orders = fn ($of): array => $of->orders()->reorder('orders.id')->pluck('number')->all();
    $this->post("/conversations/{$this->other->id}/orders", ['number' => 'B-20399']);
    expect($orders($this->other))->toBe(['B-20399']);
    $this->post("/conversations/{$this->other->id}/join", ['other' => (string) $this->one->id])->assertSessionHas('done');
    expect($orders($this->other))->toBe(['B-20388', 'B-20399']);
    $this->post("/conversations/{$this->one->id}/separate")->assertSessionHas('done');
    expect($orders($this->other))->toBe(['B-20399'])->and($orders($this->one))->toBe(['B-20388']);
});

it('keeps another’s answer where one calls one’s own back', function (): void {
    $ours = $this->answer($this->one, 'It leaves today.');
    CarbonImmutable::setTestNow(now()->addSeconds(4));
    $this->answer($this->one, 'And the reel tomorrow.', 'mads');
    $before = $this->one->refresh()->only(['state', 'waiting_since', 'due_at', 'preview', 'last_answered_at', 'last_message_at']);
    CarbonImmutable::setTestNow(now()->addSeconds(4));
    $this->post("/messages/{$ours->id}/call-back")->assertSessionHas('done');
    expect($this->one->refresh()->only(array_keys($before)))->toEqual($before)
        ->and($this->one->first_replied_at)->not->toBeNull();
    $this->get('/queue/waiting')->assertSee('Late');
});
