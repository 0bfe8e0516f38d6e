<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Rules\Rule;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpIndex;
use App\SetUp\SetUpPage;
use Illuminate\Support\Facades\DB;
use Tests\Fixtures\OneOfEach;

/**
 * @return list<string>
 */
function titles(array $pages): array
{
    return array_values(array_map(static fn (SetUpPage $page): string => $page->title, $pages));
}

it('shows each role what it may arrange, and opens it to them and to nobody else', function (string $name, int $count): void {
    $who = $this->teammate($name);
    $mine = app(SetUpIndex::class)->of($who);
    $all = app(SetUpIndex::class)->of($this->teammate('corin'));
    expect($mine)->toHaveCount($count);
    $page = $this->actingAs($who)->get('/set-up')->assertOk();
    foreach ($all as $one) {
        $isMine = in_array($one, $mine, true);
        $isMine ? $page->assertSee($one->title)->assertSee($one->about) : $page->assertDontSee($one->about);
        $this->get($one->address)->assertStatus($isMine ? 200 : 403);
    }
})->with(['care' => ['ilse', 4], 'the returns bench' => ['femi', 4], 'a lead' => ['mads', 14], 'an administrator' => ['corin', 23]]);

it('has the bar that a role needs, with Set up in everybody’s', function (string $name, array $places): void {
    $page = $this->actingAs($this->teammate($name))->get('/queue/my-turn');
    preg_match('/<nav class="places".*?<\/nav>/s', (string) $page->getContent(), $bar);
    preg_match_all('/<a href="[^"]+"[^>]*>([^<]+)<\/a>/', $bar[0], $found);
    expect($found[1])->toBe($places);
    $page->assertSee('href="/set-up"', false)->assertSee('aria-label="All places"', false);
})->with([
    'care' => ['ilse', ['Queue', 'Returns', 'Orders', 'Customers', 'Public']],
    'the returns bench' => ['femi', ['Queue', 'Returns', 'Orders', 'Customers']],
    'a lead' => ['mads', ['Queue', 'Returns', 'Orders', 'Customers', 'Public']],
    'an administrator' => ['corin', ['Queue', 'Returns', 'Orders', 'Customers', 'Public']],
]);

it('finds pages by their name, by what they are for, and by what is set there', function (
    string $written, array $found, ?string $shown
): void {
    $index = app(SetUpIndex::class)->find($this->teammate('corin'), $written);
    expect(
        array_merge(...array_values(array_map(static fn (array $pages): array => titles(array_column($pages, 0)), $index ?: [[]])))
    )->toBe($found);
    $page = $this->actingAs($this->teammate('corin'))
        ->get('/set-up?find='.urlencode($written), ['HX-Request' => 'true'])
        ->assertOk()
        ->assertDontSee('<html', false);
    $shown === null ?: $page->assertSee($shown);
})->with([
    'by name' => ['outcomes', ['Outcomes'], null],
    'by the beginning of a word' => ['checkl', ['Checklists'], null],
    'by a setting' => ['signature', ['Ways in'], 'signature'],
    'by two words of a setting' => ['blocked sender', ['On arrival'], 'blocked senders'],
    'in another case, with spaces' => ['  SIGNature ', ['Ways in'], 'signature'],
    'by something that several have' => ['working days', ['Hours', 'Nudge plans'], 'working days'],
    'by nothing' => ['zeppelin', [], 'No setting is called that.'],
    'by what is no word' => ['%_<b>', [], 'No setting is called that.'],
]);

it('names what wants a look, and says so on each page of its group', function (): void {
    OneOfEach::make();
    Account::query()
        ->where('address', 'care@brindle.example')
        ->sole()
        ->forceFill(['last_error' => 'could not be reached', 'last_error_at' => now()])
        ->save();
    $this->actingAs($this->teammate('corin'))->get('/set-up')
        ->assertSee('1 in trouble')->assertSee('1 to look at')->assertSee('3 things want a look.');
    $this->get('/arrival')->assertSee('1 in trouble')->assertSee('href="/set-up"', false);
});

it('says that rules failed, or that one of them waits for somebody to say go on', function (array $rule, string $said): void {
    OneOfEach::make();
    $failing = Rule::query()->firstOrFail();
    $failing->forceFill($rule)->save();
    DB::table('rule_runs')->insert([
        'rule_id' => $failing->id, 'conversation_id' => DB::table('conversations')
            ->value('id'), 'event_key' => 'x', 'state' => 'failed', 'because' => '[]', 'actions' => '[]', 'done' => '[]', 'at' => now(),
    ]);
    $this->actingAs($this->teammate('mads'))->get('/set-up')->assertSee($said);
})->with(['failed' => [[], '1 failed in a day'], 'stopped' => [['stopped_at' => '2026-11-23 10:00:00'], '1 wait for a word']]);

it('says that nothing wants a look where nothing does', function (): void {
    $this->actingAs($this->teammate('mads'))->get('/set-up')->assertSee('Nothing wants a look.');
});

it('gives each page the way back and its neighbours, as far as one may go there', function (): void {
    $index = app(SetUpIndex::class);
    expect(titles($index->neighbours($this->teammate('mads'), 'rules/7/versions')))
        ->toBe(['Templates', 'Promises', 'Rules', 'Nudge plans', 'Return policies'])
        ->and(titles($index->neighbours($this->teammate('corin'), 'rules')))
        ->toBe(['Templates', 'Promises', 'Rules', 'Addresses told by rules', 'Nudge plans', 'Return policies', 'Limits'])
        ->and($index->neighbours($this->teammate('corin'), 'queue/my-turn'))->toBe([])
        ->and($index->holds('sorting/tags'))->toBeTrue()->and($index->holds('tasks'))->toBeFalse();
    $this->actingAs($this->teammate('mads'))->get('/sorting/outcomes')
        ->assertSeeInOrder(['aria-label="Set up"', 'href="/set-up"', 'Categories', 'Outcomes', 'Tags', 'Own fields'], false);
});

it('is gone to by the box, too', function (): void {
    $this->actingAs($this->teammate('mads'))->get('/go-to?q=check')->assertSee('/sorting/checklists');
    $this->actingAs($this->teammate('ilse'))->get('/go-to?q=check')->assertDontSee('/sorting/checklists');
    $this->get('/go-to?q=set')->assertSee('/set-up');
});

it('has a page for every group, each at an address of its own', function (): void {
    $pages = app(SetUpIndex::class)->of($this->teammate('corin'));
    $addresses = array_map(static fn (SetUpPage $page): string => $page->address, $pages);
    expect(array_unique($addresses))->toHaveCount(count($pages));
    foreach (SetUpGroup::cases() as $group) {
        expect(array_filter($pages, static fn (SetUpPage $page): bool => $page->group === $group))->not->toBeEmpty($group->value);
    }
});
