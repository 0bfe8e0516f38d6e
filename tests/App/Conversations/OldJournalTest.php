<?php

declare(strict_types=1);

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\PayloadFormat;
use App\Conversations\Journal\Payloads;
use App\Conversations\Journal\Told;
use App\Sorting\Category;
use App\Sorting\Tag;
use App\Support\LocalTime;
use Tests\App\Mails;

/*
 * The journal of before held texts: the migration makes data of them, with the ids of what still has that name.
 */

/**
 * @param  array<string, string|null>  $old
 * @return array<string, mixed>
 */
function madeData(JournalKind $kind, array $old, string $why = '', ?int $message = null, int $entry = 900_000): array
{
    $migration = require database_path('migrations/2026_11_29_000600_journal_as_data.php');
    $row = (object) [
        'id' => $entry, 'conversation_id' => Mails::conversation()->id, 'message_id' => $message, 'kind' => $kind->value,
        'why' => $why, 'at' => '2026-11-23 10:00:00',
    ];
    $new = Closure::bind(fn (): array => $this->converted($row, $old), $migration, $migration::class)();

    return json_decode((string) json_encode($new), true);
}

it('makes data of every kind that can be read and said', function (JournalKind $kind): void {
    $old = [
        'state_changed' => ['to' => 'open'], 'order_changed' => ['order' => 'B-1', 'refunded' => '€20.00'],
        'joined' => ['other' => 'C-1002'], 'split_off' => ['other' => 'C-1002'], 'separated' => ['other' => 'C-1002'],
        'partner_answered' => ['partner' => 'Wren Parcel'], 'rated' => ['score' => '2'],
        'field_changed' => [
            'field' => 'Batch', 'to' => 'K',
        ], 'order_attached' => ['order' => 'B-1'], 'language_changed' => ['to' => 'German'],
    ][$kind->value] ?? [];
    // These have never been texts.
    $asData = [JournalKind::PromiseSetApplied, JournalKind::PromiseWarned, JournalKind::PromiseMissed, JournalKind::TimeAgreed,
        JournalKind::TurnAwaited, JournalKind::ReachedUpwards, JournalKind::CompanyChanged,
        JournalKind::RefundAsked, JournalKind::RefundEnded, JournalKind::RefundWithdrawn,
        JournalKind::ExchangeMoved, JournalKind::OrderChangeAsked, JournalKind::ReturnMoved, JournalKind::ReturnReminded];
    if (in_array($kind, $asData, true)) {
        expect(app(Payloads::class)->of($kind))->toMatch('/^App.(Promises|Conversations|Companies|Refunds|Returns|Exchanges)/');

        return;
    }
    $payload = PayloadFormat::read(app(Payloads::class)->of($kind), madeData($kind, $old));
    $sentence = $payload->sentence(new Told('Ilse Norrby', null, '', app(LocalTime::class)));
    // Tags that neither came nor went leave nothing to say but by whom.
    expect($sentence)->toMatch($kind === JournalKind::TagsChanged ? '/^( by Ilse Norrby)?$/' : '/^\p{Lu}/u')->not->toContain('_');
})->with(JournalKind::cases());

it('finds again what was named', function (): void {
    $category = Category::query()->whereNotNull('parent_id')->firstOrFail();
    $tag = (new Tag)->forceFill(['name' => 'batch K', 'folded' => 'batch k']);
    $tag->save();
    $mads = $this->teammate('mads');
    expect(madeData(JournalKind::CategoryChanged, ['from' => null, 'to' => $category->path])['to'])
        ->toBe(['id' => $category->id, 'name' => $category->path])
        ->and(madeData(JournalKind::OwnerChanged, ['from' => 'Gone Person', 'to' => $mads->name, 'owner' => (string) $mads->id]))
        ->toBe(['from' => ['name' => 'Gone Person'], 'to' => ['id' => $mads->id, 'name' => $mads->name]])
        ->and(madeData(JournalKind::TagsChanged, ['given' => 'batch K, gone'])['given'])
        ->toBe([['id' => $tag->id, 'name' => 'batch K'], ['name' => 'gone']])
        ->and(madeData(JournalKind::Joined, ['other' => 'C-1002'])['other'])->toBe(['id' => 1002, 'name' => 'C-1002'])
        ->and(madeData(JournalKind::OrderChanged, ['order' => 'B-1', 'refunded' => '€20.00'])['refunded'])->toBe(2000);
});

it('knows the first message of a conversation, and which state a later one ended', function (): void {
    $conversation = Mails::conversation();
    $first = (int) $conversation->messages()->value('id');
    expect(
        madeData(JournalKind::MessageReceived, ['channel' => 'email', 'to' => 'care@x.example'], message: $first)['isFirst']
    )->toBeTrue();
    $entry = Illuminate\Support\Facades\DB::table('journal')->insertGetId([
        'conversation_id' => $conversation->id, 'actor' => 'application', 'kind' => 'state_changed',
        'details' => '{"from":"held","to":"open"}', 'why' => 'the customer wrote', 'at' => now(),
    ]);
    $later = madeData(JournalKind::MessageReceived, ['channel' => 'email'], message: $first + 1, entry: $entry - 1);
    expect([$later['isFirst'], $later['before']])->toBe([false, 'held']);
});
