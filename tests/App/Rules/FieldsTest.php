<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conditions\UnknownField;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Customers\CustomerGroup;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Ratings\RateConversation;
use App\Rules\RuleFields;
use App\Rules\RuleTrigger;
use App\Rules\RuleTriggers;
use App\Sorting\ArrangeFields;
use Cairnfield\Core\Rules\Condition;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

const EVERYTHING = [
    'tags', 'orders.parcels.scans', 'customer.groups', 'customer.orders', 'customer.ratings', 'rating', 'owner',
    'linkedConversation', 'message.attachments',
];

function arrival(Conversation $conversation): RuleTrigger
{
    $entry = JournalEntry::query()
        ->where('conversation_id', $conversation->id)
        ->where('kind', JournalKind::MessageReceived)
        ->orderByDesc('id')
        ->firstOrFail();

    return app(RuleTriggers::class)->ofEntries([$entry->id], EVERYTHING)[0];
}

function factOf(RuleTrigger $trigger, string $field): mixed
{
    return app(RuleFields::class)->factsOf($trigger, [$field])->value($field);
}

/**
 * Ana has bought, waits for her parcel, has rated before, and writes on a Saturday evening with a picture.
 */
function anaWrites(): Conversation
{
    Http::fake(['*' => Http::response([], 404)]);
    CarbonImmutable::setTestNow('2026-11-28T20:00:00Z');
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'collected', '2026-11-24T07:00:00Z'));
    $boundary = 'b1';
    $body = "--{$boundary}\r\nContent-Type: text/plain; charset=utf-8\r\n\r\nThis is unacceptable. Where is "
        ."71-4480217?\r\n--{$boundary}\r\nContent-Type: image/png; name=\"photo.png\"\r\nContent-Disposition: attachment; "
        ."filename=\"photo.png\"\r\nContent-Transfer-Encoding: base64\r\n\r\niVBORw0KGgo=\r\n--{$boundary}--\r\n";
    $conversation = Mails::conversation(
        [
            'From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late parcel', 'MIME-Version' => '1.0',
            'Content-Type' => "multipart/mixed; boundary={$boundary}",
        ],
        $body
    );
    app(AssignConversation::class)->assign($conversation, test()->teammate('ruta'), Actor::application());
    test()->teammate('ruta')->forceFill(['away_from' => now()->subHour()])->save();
    app(ChangeTags::class)->change($conversation, [ChangeTags::named('festival')], [], Actor::application());
    app(RateConversation::class)->rate($conversation, 2, '');

    return $conversation->refresh();
}

it('knows each thing that can be asked when somebody writes', function (string $field, mixed $is): void {
    expect(factOf(arrival(anaWrites()), $field))->toBe($is);
})->with([
    'text' => ['message_text', 'This is unacceptable. Where is 71-4480217?'],
    'subject of the message' => ['message_subject', 'Late parcel'],
    'check of the sender' => ['sender_check', null],
    'domain' => ['sender_domain', 'wrenfield.example'],
    'address' => ['sender_address', 'ana@wrenfield.example'],
    'hour in the store’s zone' => ['hour', 21],
    'days since the order' => ['order_age_days', 12],
    'products' => ['order_products', "Merlin delta, red MER-RED\nTails, orange, pair TAI-ORA"],
    'file' => ['message_has_file', true],
    'no state before' => ['state_before', null],
    'who' => ['done_by', 'customer'],
    'weekday in the store’s zone' => ['weekday', '6'],
    'after hours' => ['in_hours', false],
    'owner away' => ['owner_away', true],
    'begun anew' => ['goes_on', false],
    'orders placed' => ['customer_orders', 1],
    'fewest stars' => ['customer_ratings', 2],
    'total' => ['order_total', 163.0],
    'currency' => ['order_currency', 'EUR'],
    'status' => ['order_status', 'sent'],
    'days unseen' => ['parcel_days_unseen', 4],
    'country' => ['order_country', 'DK'],
    'source' => ['order_source', 'Marrowby'],
    'state' => ['state', 'open'],
    'mood' => ['mood', 'upset'],
    'priority' => ['priority', 'normal'],
    'channel' => ['channel', 'email'],
    'language' => ['language', 'en'],
    'conversation’s subject' => ['subject', 'Late parcel'],
    'name' => ['customer_name', 'Ana Wrenfield'],
    'waits' => ['unanswered', true],
    'public' => ['public', false],
    'machine' => ['automatic', false],
    'answered' => ['answered', false],
    'files at all' => ['has_file', true],
    'orders beside it' => ['orders', 1],
    'no review' => ['stars', null],
    'own rating' => ['rating', 2],
    'no category' => ['category', null],
    'no outcome' => ['outcome', null],
]);

it('knows nothing where there is nothing, and says so without a fault', function (string $field, mixed $is): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $conversation = Mails::conversation(['From' => 'Nobody <nobody-yet@hruby.example>'], "Hello.\r\n");
    expect(factOf(arrival($conversation), $field))->toBe($is);
})->with([
    [
        'message_has_file', false,
    ], ['owner_away', false], ['goes_on', false], ['customer_orders', 0], [
        'customer_ratings', null,
    ], ['order_total', null], ['order_status', null], ['order_age_days', null], ['order_products', null], ['hour', 11],
    [
        'parcel_days_unseen', null,
    ], ['order_country', null], ['order_source', null], ['owner', null], ['rating', null], ['in_hours', true], ['weekday',
        '1'], ['mood', 'neutral'], ['orders', 0],
]);

it('names people, teams, tags and groups by their number, whatever they are called later', function (): void {
    $conversation = anaWrites();
    $group = CustomerGroup::query()->firstOrFail();
    DB::table('customer_group_members')->insert(['customer_id' => $conversation->customer_id, 'group_id' => $group->id]);
    $trigger = arrival($conversation);
    expect(factOf($trigger, 'owner'))->toBe((string) $this->teammate('ruta')->id)
        ->and(factOf($trigger, 'team'))->toBe((string) $conversation->team_id)
        ->and(factOf($trigger, 'tags'))->toBe([(string) $conversation->tags()->value('tags.id')])
        ->and(factOf($trigger, 'customer_group'))->toBe([(string) $group->id]);
});

it('can tell every field that the editor offers', function (): void {
    $trigger = arrival(anaWrites());
    $fields = app(RuleFields::class)->all();
    expect(count($fields))->toBeGreaterThan(35);
    foreach ($fields as $key => $field) {
        $value = factOf($trigger, $key);
        expect($value === null || is_scalar($value) || array_is_list((array) $value))->toBeTrue($key)
            ->and($field->label())->not->toBe('')->and($field->operators())->not->toBe([], $key);
    }
});

it('asks the database beforehand for what conditions will read', function (string $field, ?string $relation): void {
    $condition = Condition::read(json_decode((string) json_encode(['field' => $field, 'op' => 'is_empty'])));
    expect(RuleFields::reads($condition))->toBe($relation === null ? [] : [$relation]);
})->with([
    ['customer_group', 'customer.groups'], ['customer_name', 'customer'], ['customer_orders', 'customer.orders'], [
        'customer_ratings', 'customer.ratings',
    ], ['tags', 'tags'], [
        'message_has_file', 'message.attachments',
    ],
    [
        'parcel_days_unseen', 'orders.parcels.scans',
    ], ['order_total', 'orders'], ['order_country', 'orders'], ['orders', 'orders'], ['has_file', 'files'], [
        'own.conversation.batch', 'ownValues',
    ], [
        'own.customer.club', 'customer.ownValues',
    ], [
        'own.order.gift', 'orders.ownValues',
    ], ['owner_away', 'owner'], ['goes_on', 'linkedConversation'], ['rating', 'rating'], ['state', null], ['message_text', null],
]);

it('asks the database as often for many as for few, whatever is asked', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    foreach (About::cases() as $about) {
        app(ArrangeFields::class)->make($about, 'Club', FieldKind::Text, [], false);
    }
    $fields = app(RuleFields::class);
    $condition = Condition::read(
        json_decode(
            (string) json_encode([
                'all' => array_map(static fn (string $key): array => ['field' => $key, 'op' => 'is_empty'], array_keys($fields->all())),
            ])
        )
    );
    $queries = static function (int $count) use ($fields, $condition): int {
        $entries = JournalEntry::query()->where('kind', JournalKind::MessageReceived)->orderBy('id')->limit($count)->pluck('id')->all();
        DB::enableQueryLog();
        DB::flushQueryLog();
        foreach (app(RuleTriggers::class)->ofEntries($entries, RuleFields::reads($condition)) as $trigger) {
            $fields->facts($trigger, $condition);
        }

        return count(DB::getQueryLog());
    };
    foreach (range(1, 6) as $number) {
        Mails::conversation([
            'From' => "c{$number}@x.example", 'Message-ID' => "<q{$number}@x.example>", 'Subject' => "Question {$number}",
        ]);
    }
    $queries(2);
    expect($queries(6))->toBe($queries(2));
});

it('says a condition in words, with what was found', function (array $condition, string $inWords, ?array $because): void {
    $fields = app(RuleFields::class);
    $trigger = arrival(anaWrites());
    $read = Condition::read(json_decode((string) json_encode($condition)));
    $facts = $fields->facts($trigger, $read);
    $true = $read->because($facts);
    expect($fields->inWords($read->root))->toBe($inWords)
        ->and($true === null ? null : array_map(fn ($leaf): string => $fields->sentence($leaf, $facts), $true))->toBe($because);
})->with([
    'words' => [
        ['field' => 'message_text', 'op' => 'has_any_word', 'value' => ['lost', 'unacceptable', 'where']],
        'Text of the message has one of the words “lost”, “unacceptable”, “where”',
        ['Text of the message has “unacceptable”, “where”'],
    ],
    'a choice' => [
        ['field' => 'order_status', 'op' => 'in', 'value' => ['sent']], 'Status of the order is sent',
        ['Status of the order is sent'],
    ],
    'several choices' => [
        ['field' => 'order_country', 'op' => 'in', 'value' => ['DK', 'SE']], 'Country of the order is one of Denmark, “SE”',
        ['Country of the order is one of Denmark, “SE”'],
    ],
    'a number' => [
        ['field' => 'order_total', 'op' => 'more_than', 'value' => 100], 'Total of the order is more than 100',
        ['Total of the order is more than 100'],
    ],
    'yes or no' => [
        ['field' => 'message_has_file', 'op' => 'is', 'value' => true], 'The message has a file is yes',
        ['The message has a file is yes'],
    ],
    'nested' => [
        [
            'all' => [
                ['field' => 'mood', 'op' => 'in', 'value' => ['upset']],
                ['any' => [['field' => 'state', 'op' => 'in', 'value' => ['closed']], ['field' => 'stars', 'op' => 'is_empty']]],
                ['not' => ['field' => 'public', 'op' => 'is', 'value' => true]],
            ],
        ],
        'Mood is upset and (State is Closed or Stars of a review is empty) and not (Said in public is yes)',
        ['Mood is upset', 'Stars of a review is empty'],
    ],
    'not true' => [['field' => 'in_hours', 'op' => 'is', 'value' => true], 'In working hours is yes', null],
]);

it('refuses a condition on a field that is gone, by name', function (): void {
    $condition = Condition::read(json_decode('{"field": "own.conversation.gone", "op": "is_empty"}'));
    expect(fn () => app(RuleFields::class)->known($condition))->toThrow(UnknownField::class)
        ->and(app(RuleFields::class)->inWords($condition->root))->toBe('own.conversation.gone (gone) is empty');
});
