<?php

declare(strict_types=1);

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Demo\DemoConversations;
use App\Demo\DemoFields;
use App\Demo\DemoPromises;
use App\Demo\DemoRules;
use App\Demo\DemoStore;
use App\Demo\DemoTemplates;
use App\Promises\PromiseSetVersion;
use App\Rules\Rule;
use App\Templates\SuggestTemplates;
use App\Templates\Template;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Tests\App\Mails;

/**
 * Opens the demo store in place of the tests' own, and plays its past.
 *
 * @return int how many conversations there are
 */
function playDemo(string $loadedAt): int
{
    DB::statement('SET FOREIGN_KEY_CHECKS = 0');
    foreach (Schema::getTableListing(DB::getDatabaseName(), false) as $table) {
        in_array($table, ['migrations', 'made_from'], true) || DB::table($table)->delete();
    }
    DB::statement('SET FOREIGN_KEY_CHECKS = 1');
    CarbonImmutable::setTestNow(CarbonImmutable::parse($loadedAt)->subDays(62));
    app(DemoStore::class)->load();
    app(DemoPromises::class)->load();
    app(DemoTemplates::class)->load();
    app(DemoFields::class)->load();
    app(DemoRules::class)->load();
    CarbonImmutable::setTestNow($loadedAt);

    return app(DemoConversations::class)->load(onServices: false);
}

function expectBelievableStore(int $count): void
{
    expect($count)->toBeGreaterThan(80);
    foreach (ConversationState::cases() as $state) {
        expect(Conversation::query()->where('state', $state)->count())->toBeGreaterThan(0, $state->value);
    }
    expect(OutboxItem::query()->where('state', '!=', OutboxItem::SENT)->count())->toBe(0)
        ->and(Message::query()->where('received_at', '>', now())->count())->toBe(0)
        ->and(Conversation::query()->whereNull('category_id')->count())->toBe(0)
        ->and(JournalEntry::query()->where('at', '<', now()->subDays(30))->count())->toBeGreaterThan(0)
        // Orders, parcels and telephones are no cards: nothing is taken out of what nobody planted.
        ->and(Message::query()->whereNotNull('redacted')->pluck('text')->filter(
            static fn (string $text): bool => ! str_contains($text, 'my card [card …1111]')
        )->all())->toBe([]);
    foreach (PromiseSetVersion::query()->get() as $version) {
        expect(array_keys($version->content['calendars']))->toEqualCanonicalizing(
            array_unique(array_column($version->content['targets'], 'calendar')), $version->content['name']
        );
    }
    test()->actingAs(test()->teammate('ilse'))->get('/queue/my-turn')->assertOk()->assertSee('Promise missed')->assertSee('first reply');
}

// What is shown depends on the hour and the weekday at which it is loaded.
it('plays a believable store late on a Sunday', function (): void {
    expectBelievableStore(playDemo('2026-11-29T23:30:00Z'));
});

it('has a past in which templates were used, customers rated, and rules closed what was over, and suggests from it', function (): void {
    expectBelievableStore(playDemo('2026-12-25T09:00:00Z'));
    $spar = Template::query()->where('name', 'Which spar fits')->firstOrFail();
    expect($spar->hand_uses)->toBeGreaterThan(3)->and($spar->last_used_at?->isBefore(now()))->toBeTrue()
        ->and(DB::table('template_uses')->where('changed_thousandths', '>', 0)->count())->toBeGreaterThan(0)
        ->and(DB::table('ratings')->distinct()->pluck('score')->sort()->values()->all())->toBe([2, 3, 4, 5]);
    $closings = DB::table('rule_runs')
        ->whereIn('rule_id', Rule::query()->where('name', 'Close ten working days after resolving')->pluck('id'))
        ->pluck('at');
    expect($closings->count())
        ->toBeGreaterThan(30)
        ->and($closings->map(static fn (string $at): string => substr($at, 0, 10))->unique()->count())
        ->toBeGreaterThan(10)
        // What is long past asks nothing of anybody.
        ->and(Conversation::query()->where('state', ConversationState::Open)->where('last_message_at', '<', now()->subDays(12))->count())
        ->toBe(0);

    // What fits is suggested from that past, with the reason.
    $asked = Mails::conversation(
        ['From' => 'Ruth Ames <ruth@ames.example>', 'Subject' => 'A spar for my Kestrel'],
        'Mine broke in the car door. Which spar fits, and does it come with a ferrule?'
    );
    $found = app(SuggestTemplates::class)->for($asked, $this->teammate('ilse'));
    expect(array_map(static fn (array $one): string => $one[0]->name, $found))->toContain('Which spar fits')
        ->and($found[0][1])->toContain('“spar”');
});

it('loads nothing where there is data already', function (): void {
    $this->artisan('demo:load')->expectsOutputToContain('nothing was loaded')->assertSuccessful();
    expect(Conversation::query()->count())->toBe(0);
});
