<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Hours\StoreHours;
use App\Hours\WorkCalendar;
use App\Rules\Rule;
use App\SetUp\SetUpIndex;
use App\SignIn\TellOfChange;
use App\Sorting\Category;
use App\Sorting\KnownOutcome;
use App\Sorting\Outcome;
use App\Store\BeginLink;
use App\Store\FirstSet;
use App\Store\Store;
use App\Support\StoreSettings;
use App\Team\Role;
use App\Team\Team;
use App\Team\Teammate;
use App\Templates\Template;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Bus;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Schema;
use Tests\App\FilledForm;

/*
 * An installation without people, and how it becomes that of a store.
 */
beforeEach(function (): void {
    Bus::fake([TellOfChange::class]);
    DB::statement('SET FOREIGN_KEY_CHECKS = 0');
    foreach (Schema::getTableListing(DB::getDatabaseName(), false) as $table) {
        in_array($table, ['migrations', 'made_from'], true) || DB::table($table)->delete();
    }
    DB::statement('SET FOREIGN_KEY_CHECKS = 1');
    app()->forgetInstance(StoreSettings::class);
    $this->begin = function (): string {
        Artisan::call('store:begin');

        return (string) parse_url(trim(Artisan::output()), PHP_URL_PATH);
    };
    $this->store = [
        'name' => 'Sagelund Papier', 'country' => 'DE', 'currency' => 'eur', 'language' => 'de', 'languages' => ['en'],
        'time_zone' => 'Europe/Berlin',
        'hours' => ['mon' => '9-12, 13:30–17:00', 'tue' => '09.00 - 17.00', 'wed' => '', 'thu' => '10–18', 'fri' => null],
    ];
    $this->me = [
        'name' => 'Greta Sommer', 'email' => 'Greta@Sagelund.example', 'password' => 'ledger-otter-violin-7',
        'password_confirmation' => 'ledger-otter-violin-7',
    ];
});

it('goes from nobody to an administrator of a store by one link, once', function (): void {
    $link = ($this->begin)();
    $this->get($link)->assertOk()->assertSee('First of four: your store');
    $this->post("{$link}/store", $this->store)->assertRedirect($link);
    $this->get($link)->assertOk()->assertSee('Who are you?')->assertSee('Sagelund Papier');
    $this->get("{$link}?store=1")->assertSee('09:00–12:00, 13:30–17:00');
    $this->post("{$link}/administrator", $this->me)->assertRedirect('/begin');
    $greta = Teammate::query()->sole();
    expect($greta->role)->toBe(Role::Administrator)->and($greta->email)->toBe('greta@sagelund.example')
        ->and($greta->time_zone)->toBe('Europe/Berlin')
        ->and($greta->teams()->sole()->name)->toBe('Kundenbetreuung');
    $this->get('/begin')->assertOk()->assertSee('Greta Sommer')->assertSee('Paket verspätet')->assertSee('Connect an email address');
    // Used up, signed in or not.
    $this->get($link)->assertStatus(410)->assertSee('This link cannot be used');
    $this->post("{$link}/administrator", [...$this->me, 'email' => 'thief@x.example'])->assertStatus(410);
    $this->post("{$link}/store", $this->store)->assertStatus(410);
    expect(Teammate::query()->count())->toBe(1)->and(($this->begin)())->toBe('');
});

it('says what is wrong with the store, and keeps nothing of it', function (array $wrong, string $field): void {
    $link = ($this->begin)();
    $this->post("{$link}/store", [...$this->store, ...$wrong])->assertSessionHasErrors($field);
    expect(Store::isSaid())->toBeFalse();
})->with([
    'no name' => [['name' => ' '], 'name'],
    'no country' => [['country' => 'XX'], 'country'],
    'no currency' => [['currency' => 'QQQ'], 'currency'],
    'no language' => [['language' => 'xx'], 'language'],
    'a language that is a list' => [['language' => ['de']], 'language'],
    'no time zone' => [['time_zone' => 'Mars/Olympus'], 'time_zone'],
    'hours that are words' => [['hours' => ['mon' => 'in the morning']], 'hours.mon'],
    'hours that end before they begin' => [['hours' => ['tue' => '17–9']], 'hours.tue'],
    'hours that overlap' => [['hours' => ['tue' => '9–12, 11–15']], 'hours.tue'],
    'no day that there is' => [['hours' => ['someday' => '9–12']], 'hours'],
    'no hours at all' => [['hours' => ['mon' => '']], 'hours.mon'],
]);

it('takes nobody for an administrator with a weak password, and lets them try again', function (): void {
    $link = ($this->begin)();
    $this->post("{$link}/store", $this->store);
    $weak = [...$this->me, 'password' => 'password1234', 'password_confirmation' => 'password1234'];
    $this->post("{$link}/administrator", $weak)->assertSessionHasErrors('password');
    $this->post("{$link}/administrator", [...$this->me, 'password_confirmation' => 'x'])->assertSessionHasErrors('password');
    expect(Teammate::query()->count())->toBe(0);
    $this->post("{$link}/administrator", $this->me)->assertRedirect('/begin');
});

it('opens by no other key, by none that is old, and by none that was made anew', function (): void {
    $this->get('/begin/'.str_repeat('a', 32))->assertStatus(410);
    $first = ($this->begin)();
    $second = ($this->begin)();
    $this->get($first)->assertStatus(410);
    $this->get($second)->assertOk();
    $this->travel(8)->days();
    app()->forgetInstance(StoreSettings::class);
    $this->get($second)->assertStatus(410);
    $this->get('/begin')->assertRedirect('/sign-in');
    expect(DB::table('store_settings')->where('name', 'begin_link')->value('value'))->not->toContain(basename($second));
});

it('makes one administrator of two who use it in the same moment', function (): void {
    $link = basename(($this->begin)());
    expect(app(BeginLink::class)->use($link))->toBeTrue()->and(app(BeginLink::class)->use($link))->toBeFalse();
});

it('is not offered where somebody can administer', function (): void {
    $link = ($this->begin)();
    Teammate::query()->create([
        'name' => 'A', 'email' => 'a@x.example', 'password' => 'x', 'role' => Role::Administrator, 'time_zone' => 'UTC',
    ])->forceFill(['password_chosen_at' => now()])->save();
    $this->get($link)->assertStatus(410);
    expect(($this->begin)())->toBe('');
});

it('takes the first set in the language of the store, once, with rules that are off', function (string $language, string $category): void {
    $link = ($this->begin)();
    $this->post("{$link}/store", [...$this->store, 'language' => $language]);
    $this->post("{$link}/administrator", $this->me);
    $this->post('/begin/first-set', ['categories' => '1', 'outcomes' => '1', 'templates' => '1', 'rules' => '1'])->assertSessionHas('done');
    expect(Category::query()->where('name', $category)->exists())->toBeTrue()
        ->and(Outcome::query()->count())->toBe(8)
        ->and(Outcome::known(KnownOutcome::Duplicate)->exists)->toBeTrue()
        ->and(Template::query()->where('folder', '!=', 'Sent by rules')->count())->toBe(6)
        ->and(Template::query()->whereDoesntHave('languages', static fn ($languages) => $languages
            ->where('language', in_array($language, ['de', 'da'], true) ? $language : 'en'))->exists())->toBeFalse()
        ->and(Rule::query()->count())->toBe(5)
        ->and(Rule::query()->where('on', true)->count())->toBe(0);
    $this->post('/begin/first-set', ['categories' => '1', 'outcomes' => '1', 'templates' => '1', 'rules' => '1']);
    expect(Outcome::query()->count())->toBe(8)->and(Rule::query()->count())->toBe(5)
        ->and(Category::query()->where('name', $category)->count())->toBe(1);
})->with([['de', 'Paket verspätet'], ['da', 'Forsinket pakke'], ['en', 'Late parcel'], ['pl', 'Late parcel']]);

it('takes what was chosen and leaves the rest, and says on Set up what is still missing until it is there', function (): void {
    $link = ($this->begin)();
    $this->post("{$link}/store", $this->store);
    $this->post("{$link}/administrator", $this->me);
    $this->get('/set-up')->assertSee('3 to do')->assertSee('none is connected: nothing can arrive')
        ->assertSee('nothing can be resolved without one');
    $this->post('/begin/first-set', ['outcomes' => '1']);
    expect(Category::query()->count())->toBe(0)->and(Template::query()->count())->toBe(0)->and(Outcome::query()->count())->toBe(8);
    // Each request looks anew.
    $anew = static function (): void {
        app()->forgetInstance(SetUpIndex::class);
        foreach (Route::getRoutes() as $route) {
            $route->flushController();
        }
    };
    $anew();
    $this->get('/set-up')->assertSee('2 to do')->assertDontSee('nothing can be resolved without one');
    $this->post('/begin/leave', ['step' => 'people']);
    $anew();
    $this->get('/set-up')->assertSee('1 to do');
    $this->post('/begin/leave', ['step' => 'way_in'])->assertSessionHasErrors('step');
    $account = Account::query()->create([
        'channel' => 'email', 'address' => 'hallo@sagelund.example', 'sender_name' => 'Sagelund', 'settings' => [], 'secrets' => [],
    ]);
    $this->get('/begin')->assertSee('hallo@sagelund.example')->assertSee('not heard of yet');
    $account->heard();
    $this->get('/begin')->assertSee('Everything is there');
    $anew();
    $this->get('/set-up')->assertDontSee('1 to do');
});

it('reckons with the hours and the zone that the store says, from then on', function (): void {
    $link = ($this->begin)();
    $this->post("{$link}/store", $this->store);
    $this->post("{$link}/administrator", $this->me);
    // Monday 16:30 in Berlin: half an hour is left that day, and three and a half hours on Tuesday.
    $due = app(StoreHours::class)->after(CarbonImmutable::parse('2026-11-30T15:30:00Z'), 4);
    expect($due->toIso8601ZuluString())->toBe('2026-12-01T11:30:00Z');
    $page = $this->get('/hours/'.WorkCalendar::query()->sole()->id)->assertOk()->assertSee('09:00–12:00, 13:30–17:00');
    FilledForm::on($page, '/hours/'.WorkCalendar::query()->sole()->id)->send($this, ['week[mon]' => '9–22'])->assertSessionHas('done');
    $this->post('/store', [...array_diff_key($this->store, ['hours' => 1]), 'name' => 'Sagelund'])->assertSessionHas('done');
    app()->forgetInstance(StoreSettings::class);
    expect(app(StoreHours::class)->after(CarbonImmutable::parse('2026-11-30T15:30:00Z'), 4)->toIso8601ZuluString())
        ->toBe('2026-11-30T19:30:00Z')
        ->and(Store::current()->name)->toBe('Sagelund')->and(Store::current()->languages)->toBe(['de', 'en']);
    $this->get('/store')->assertSee('Europe/Berlin')->assertDontSee('09:00–22:00');
});

it('changes nothing of a store that was there before, saved without touching anything', function (): void {
    Teammate::query()->create([
        'name' => 'A', 'email' => 'a@x.example', 'password' => 'x', 'role' => Role::Administrator, 'time_zone' => 'UTC',
    ])->forceFill(['password_chosen_at' => now()])->save();
    $before = Store::current();
    $page = $this->actingAs(Teammate::query()->sole())->get('/store')->assertOk();
    $this->post('/store', FilledForm::on($page, '/store')->values())->assertSessionHas('done');
    expect(Store::isSaid())->toBeTrue()->and(Store::current())->toEqual($before);
});

it('has a team of its own, whatever it is called, and the first set names no part that it has not', function (): void {
    expect(Team::query()->count())->toBe(0)->and(FirstSet::current()->team())->toBe('Care')
        ->and(array_keys(FirstSet::current()->names(app(App\Rules\ReadyMade::class))))->toBe(FirstSet::PARTS);
});
