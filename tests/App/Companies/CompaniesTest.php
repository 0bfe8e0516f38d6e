<?php

declare(strict_types=1);

use App\Companies\Company;
use App\Companies\CompanyDomain;
use App\Companies\CompanyMerge;
use App\Companies\CompanyProposal;
use App\Companies\CompanyRefused;
use App\Companies\MergeCompanies;
use App\Companies\PutIntoCompany;
use App\Companies\SaveCompany;
use App\Conditions\ConversationFields;
use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Customers\CustomerMerge;
use App\Customers\MergeCustomers;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnFields;
use App\History\ExportHistory;
use App\History\HistoryFormat;
use App\Promises\PromiseSet;
use App\Promises\PromiseSetToSave;
use App\Promises\SavePromiseSet;
use App\Sorting\ArrangeFields;
use App\Support\Refused;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;

function company(string $name, string ...$domains): Company
{
    return app(SaveCompany::class)->save(null, $name, array_values($domains), [], null);
}

/**
 * A first message of somebody.
 */
function writes(string $name, string $address): Conversation
{
    return Mails::conversation(['From' => "{$name} <{$address}>", 'Subject' => "From {$name}"]);
}

function intoCompany(Conversation $conversation, ?Company $company, ?string $role = null): void
{
    app(PutIntoCompany::class)->put($conversation->customer, $company, $role, test()->teammate('mads'));
}

/**
 * Everything that companies hold, to be compared.
 *
 * @return array<string, list<array<string, mixed>>>
 */
function companiesAsTheyAre(): array
{
    $rows = [];
    foreach (['companies', 'company_domains', 'company_notes', 'company_proposals', 'customers'] as $table) {
        $columns = array_diff(DB::getSchemaBuilder()->getColumnListing($table), ['updated_at', 'created_at', 'id']);
        $keys = $table === 'company_proposals' ? $columns : ['id', ...$columns];
        $rows[$table] = DB::table($table)->orderBy($table === 'company_proposals' ? 'customer_id' : 'id')->orderBy(array_values($keys)[0])
            ->get(array_values($keys))->map(static fn (stdClass $row): array => (array) $row)->all();
    }

    return $rows;
}

it('proposes the company of a known mail domain, below it too, and a person confirms or denies', function (): void {
    $barn = company('Kite Barn', 'Kitebarn.example');
    $nell = writes('Nell Archer', 'nell@kitebarn.example');
    $piet = writes('Piet Dorn', 'piet@books.kitebarn.example');
    $ana = writes('Ana Wrenfield', 'ana@notkitebarn.example');
    expect(CompanyProposal::query()->pluck('customer_id')->all())->toEqualCanonicalizing([$nell->customer_id, $piet->customer_id])
        ->and($nell->customer->company_id)->toBeNull();

    $this->actingAs($this->teammate('ilse'));
    $this->get("/conversations/{$nell->id}")->assertSee('Writes from a domain of')->assertSee('Kite Barn');
    $this->get("/conversations/{$ana->id}")->assertDontSee('Writes from a domain of');
    $this->get("/companies/{$barn->id}")->assertSee('Write from its domains')->assertSee('nell@kitebarn.example');

    [$ofNell, $ofPiet] = [CompanyProposal::of($nell->customer)->sole(), CompanyProposal::of($piet->customer)->sole()];
    $this->post("/company-proposals/{$ofNell->id}/confirm", ['role' => 'buys for the shop'])->assertSessionHas('done');
    $this->post("/company-proposals/{$ofPiet->id}/dismiss")->assertSessionHas('done');
    expect($nell->customer->refresh()->company_id)->toBe($barn->id)
        ->and($nell->customer->company_role)->toBe('buys for the shop')
        ->and($piet->customer->refresh()->company_id)->toBeNull();
    $this->get("/conversations/{$nell->id}")->assertSee('buys for the shop')->assertSee('The customer is of Kite Barn');

    // What was decided is not proposed again: by a further address, or by the domains written anew.
    writes('Piet Dorn', 'piet@books.kitebarn.example');
    app(SaveCompany::class)->save($barn, 'Kite Barn', ['kitebarn.example', 'kitebarn.shop.example'], [], null);
    expect(CompanyProposal::of($piet->customer)->count())->toBe(0)
        ->and($barn->proposals()->count())->toBe(0);
});

it('proposes everybody who has written from a domain once it is known, and nobody any more once it is not', function (): void {
    $nell = writes('Nell Archer', 'nell@kitebarn.example');
    writes('Loft', 'loft@northpier.example');
    $barn = company('Kite Barn');
    expect($barn->proposals()->count())->toBe(0);
    app(SaveCompany::class)->save($barn, 'Kite Barn', ['@kitebarn.example'], [], null);
    expect($barn->proposals()->pluck('customer_id')->all())->toBe([$nell->customer_id]);
    app(SaveCompany::class)->save($barn, 'Kite Barn', [], [], null);
    expect($barn->proposals()->count())->toBe(0);
});

it('refuses what is no domain, or not theirs alone, and adds nothing', function (string $domain, string $says): void {
    company('North Pier Museum', 'northpier.example');
    $this->actingAs($this->teammate('ilse'))->from('/companies')
        ->post('/companies', ['name' => 'Kite Barn', 'domains' => "kitebarn.example, {$domain}"])
        ->assertRedirect('/companies')->assertSessionHas('problem', static fn (string $problem): bool => str_contains($problem, $says));
    expect(Company::query()->where('name', 'Kite Barn')->exists())->toBeFalse()
        ->and(CompanyDomain::query()->where('domain', 'kitebarn.example')->exists())->toBeFalse();
})->with([
    ['no-domain', 'is no mail domain'],
    ['kite_barn!.example', 'is no mail domain'],
    [str_repeat('a', 300).'.example', 'is no mail domain'],
    ['gmail.com', 'Anybody can have a mailbox'],
    ['brindle.example', 'this store itself'],
    ['northpier.example', 'belongs to North Pier Museum'],
]);

it('promises by the company, from the moment it is known and no longer', function (): void {
    $barn = company('Kite Barn');
    $nell = writes('Nell Archer', 'nell@kitebarn.example');
    $before = $nell->refresh()->promise_set_id;
    $targets = PromiseSet::inOrder()->firstOrFail()->targets;
    $set = app(SavePromiseSet::class)->save(null, new PromiseSetToSave('For the Barn', [
        'field' => 'company', 'op' => 'includes', 'value' => [(string) $barn->id],
    ], $targets), null);
    expect($nell->refresh()->promise_set_id)->toBe($before);

    intoCompany($nell, $barn);
    expect($nell->refresh()->promise_set_id)->toBe($set->id);
    $this->actingAs($this->teammate('mads'))->get("/companies/{$barn->id}")->assertSee('For the Barn');

    intoCompany($nell, null);
    expect($nell->refresh()->promise_set_id)->toBe($before)
        ->and(CompanyProposal::query()->where('customer_id', $nell->customer_id)->sole()->state)->toBe(CompanyProposal::DISMISSED);

    // It is asked for, so it stays.
    $this->delete("/companies/{$barn->id}")
        ->assertSessionHas('problem', static fn (string $problem): bool => str_contains($problem, 'For the Barn'));
    expect(Company::query()->whereKey($barn->id)->exists())->toBeTrue();
});

it('goes on promising what a set says of the one that is merged, and again once they are two', function (): void {
    [$barn, $museum] = [company('Kite Barn'), company('Pier Museum')];
    $conversation = writes('Bo', 'bo@pier.example');
    intoCompany($conversation, $museum);
    $set = app(SavePromiseSet::class)->save(null, new PromiseSetToSave(
        'For the museum', ['all' => [['field' => 'company', 'op' => 'includes', 'value' => [(string) $museum->id]]]],
        PromiseSet::query()->firstOrFail()->targets
    ), $this->teammate('mads'));
    $promisedBy = fn (): ?int => $conversation->refresh()->promise_set_id;
    expect($promisedBy())->toBe($set->id);
    $merge = app(MergeCompanies::class)->merge($barn, $museum, $this->teammate('mads'));
    expect($conversation->customer->refresh()->company_id)->toBe($barn->id)->and($promisedBy())->toBe($set->id);
    app(MergeCompanies::class)->undo(CompanyMerge::query()->sole());
    expect($conversation->customer->refresh()->company_id)->toBe($museum->id)->and($promisedBy())->toBe($set->id);
    // What a set asks for cannot be taken away under it.
    expect(fn () => app(SaveCompany::class)->remove($museum->refresh()))->toThrow(Refused::class, 'For the museum');
});

it('says the company in an answer, and what stands for it where there is none', function (): void {
    $conversation = writes('Bo', 'bo@pier.example');
    $says = fn (): string => $this->actingAs($this->teammate('ilse'))->post('/templates/preview', [
        'conversation' => $conversation->number(), 'shown' => 0,
        'texts' => [['language' => 'en', 'text' => 'To {{ company.name | "you at home" }}.']],
    ])->assertOk()->getContent();
    expect($says())->toContain('To you at home.');
    intoCompany($conversation, company('Kite <Barn>'));
    expect($says())->toContain('To Kite &lt;Barn&gt;.')->not->toContain('<Barn>');
});

it('finds its people by its name in the list of customers', function (): void {
    intoCompany(writes('Bo', 'bo@pier.example'), company('Pier Museum'));
    writes('Ann', 'ann@elsewhere.example');
    $this->actingAs($this->teammate('ilse'))->get('/customers?find=pier+mus')->assertOk()->assertSee('bo@pier.example')
        ->assertDontSee('ann@elsewhere.example');
    $this->get('/customers?find=%25')->assertOk()->assertDontSee('bo@pier.example');
});

it('merges two companies and takes them apart again exactly, and conditions find their people all the while', function (): void {
    [$barn, $shop] = [company('Kite Barn', 'kitebarn.example'), company('The Kite Barn Ltd', 'kb.example')];
    app(SaveCompany::class)->save($shop, $shop->name, ['kb.example'], ['Harbour Lane 4'], $this->teammate('mads')->id);
    [$nell, $piet, $una] = [
        writes('Nell Archer', 'nell@kitebarn.example'), writes('Piet Dorn', 'piet@kb.example'), writes('Una Berg', 'una@kb.example'),
    ];
    intoCompany($nell, $barn, 'buys');
    intoCompany($piet, $shop, 'books');
    app(PutIntoCompany::class)->dismiss($shop->id, $una->customer);
    $this->actingAs($this->teammate('ilse'))->post("/companies/{$shop->id}/notes", ['text' => 'Call before ten.']);
    $before = companiesAsTheyAre();
    $found = fn (Company $company): array => collect(
        Conversation::query()->where('junk', false)->tap(
            fn ($query) => app(ConversationFields::class)->get('company')->where(
                $query, Leaf::of('company', Operator::Includes, [(string) $company->id])
            )
        )->pluck('id')
    )->sort()->values()->all();

    $this->post("/companies/{$barn->id}/merge", ['other' => $shop->id])->assertSessionHas('done');
    app()->forgetScopedInstances();
    expect($piet->customer->refresh()->company_id)->toBe($barn->id)
        ->and($barn->refresh()->addresses)->toBe(['Harbour Lane 4'])
        ->and($barn->responsible?->name)->toBe('Mads Overgaard')
        ->and($barn->proposals()->count())->toBe(0)
        // Who asked for the one that was merged finds the people of the one that it is now.
        ->and($found($shop))->toBe($found($barn))->toBe([$nell->id, $piet->id]);
    $this->get("/companies/{$shop->id}")->assertRedirect("/companies/{$barn->id}");
    $this->get("/companies/{$barn->id}")->assertSee('Call before ten.')->assertSee('Undo it');
    $this->post("/companies/{$barn->id}/merge", ['other' => $shop->id])->assertSessionHas('problem');

    $merge = CompanyMerge::query()->sole();
    $this->post("/company-merges/{$merge->id}/undo")->assertSessionHas('done');
    expect(companiesAsTheyAre())->toBe($before)->and($found($shop))->toBe([$piet->id]);
    $this->post("/company-merges/{$merge->id}/undo")->assertSessionHas('problem');
});

it('keeps with the kept one what came since a merge', function (): void {
    [$barn, $shop] = [company('Kite Barn', 'kitebarn.example'), company('The Kite Barn Ltd', 'kb.example')];
    $piet = writes('Piet Dorn', 'piet@kb.example');
    intoCompany($piet, $shop);
    $merge = app(MergeCompanies::class)->merge($barn, $shop, $this->teammate('mads'));
    $later = writes('Una Berg', 'una@kb.example');
    intoCompany($later, $barn->refresh());
    intoCompany($piet->refresh(), null);
    app(MergeCompanies::class)->undo($merge);
    expect($later->customer->refresh()->company_id)->toBe($barn->id)
        ->and($piet->customer->refresh()->company_id)->toBeNull();
});

it('takes the company along when customers are merged, and gives it back exactly', function (): void {
    $barn = company('Kite Barn');
    [$nell, $private] = [writes('Nell Archer', 'nell@kitebarn.example'), writes('Nell Archer', 'nell@archer.example')];
    intoCompany($nell, $barn, 'buys');
    $merge = app(MergeCustomers::class)->merge($private->customer, $nell->customer, $this->teammate('ilse'));
    expect($private->customer->refresh()->company_id)->toBe($barn->id)->and($private->customer->company_role)->toBe('buys')
        // A merged person is of nobody’s list.
        ->and($barn->people()->count())->toBe(1);
    app(MergeCustomers::class)->undo(CustomerMerge::query()->findOrFail($merge->id), $this->teammate('ilse'));
    expect($private->customer->refresh()->company_id)->toBeNull()
        ->and($private->customer->company_role)->toBeNull()
        ->and(Customer::query()->findOrFail($nell->customer_id)->company_id)->toBe($barn->id)
        ->and($barn->people()->pluck('id')->all())->toBe([$nell->customer_id]);
});

it('refuses people who are part of another, companies that are, and to take away what has people', function (): void {
    [$barn, $shop] = [company('Kite Barn'), company('The Kite Barn Ltd')];
    [$nell, $private] = [writes('Nell Archer', 'nell@kitebarn.example'), writes('Nell Archer', 'nell@archer.example')];
    app(MergeCustomers::class)->merge($private->customer, $nell->customer, $this->teammate('ilse'));
    $merged = Customer::query()->whereNotNull('merged_into_id')->sole();
    $put = app(PutIntoCompany::class);
    $ilse = $this->teammate('ilse');
    expect(fn () => $put->put($merged, $barn, null, $ilse))->toThrow(CompanyRefused::class, 'merged into another customer');
    intoCompany($private, $barn);
    expect(fn () => app(SaveCompany::class)->remove($barn))->toThrow(Refused::class, 'has people');
    app(MergeCompanies::class)->merge($barn, $shop, $this->teammate('mads'));
    expect(fn () => $put->put($private->customer, $shop, null, $ilse))->toThrow(CompanyRefused::class, 'another company')
        ->and(fn () => app(MergeCompanies::class)->merge($barn, $barn, $ilse))->toThrow(CompanyRefused::class, 'same company');
    $this->actingAs($this->teammate('ilse'))->post("/companies/{$barn->id}/people", ['who' => 'nobody@kitebarn.example'])
        ->assertSessionHas('problem', static fn (string $problem): bool => str_contains($problem, 'nobody’s address'));
});

it('finds by company in search and go-to, and takes away one that has nobody', function (): void {
    $barn = company('Kite Barn');
    $nell = writes('Nell Archer', 'nell@kitebarn.example');
    $other = writes('Una Berg', 'una@berg.example');
    $this->actingAs($this->teammate('ilse'));
    $this->post("/companies/{$barn->id}/people", ['who' => 'Nell@kitebarn.example', 'role' => 'buys'])->assertSessionHas('done');
    $this->get('/search?q='.urlencode('company:barn'))->assertSee($nell->subject)->assertDontSee($other->subject);
    $this->get('/search?q='.urlencode('-company:barn'))->assertDontSee('/conversations/'.$nell->id)->assertSee($other->subject);
    $this->get('/go-to?q=kite')->assertSee("/companies/{$barn->id}", false);
    $this->get('/companies?find=barn')->assertSee('Kite Barn');
    $this->get('/companies?find=nothing')->assertSee('No company is found');
    $empty = company('Empty', 'empty.example');
    $this->delete("/companies/{$empty->id}")->assertSessionHas('done');
    expect(Company::query()->whereKey($empty->id)->exists())->toBeFalse();
});

it('keeps the store’s own fields of a company, shows them beside its people, asks for them and exports them', function (): void {
    $barn = company('Kite Barn');
    $nell = writes('Nell Archer', 'nell@kitebarn.example');
    $other = writes('Una Berg', 'una@berg.example');
    intoCompany($nell, $barn, 'buys');
    $terms = app(ArrangeFields::class)->make(About::Company, 'Terms', FieldKind::Choice, ['30 days', 'prepaid'], false);
    $this->actingAs($this->teammate('ilse'));
    $this->post("/companies/{$barn->id}/fields", ['fields' => [$terms->id => 'never']])->assertSessionHas('problem');
    $this->post("/companies/{$barn->id}/fields", ['fields' => [$terms->id => '30 days']])->assertSessionHas('done');
    $this->get("/companies/{$barn->id}")->assertSee('Terms')->assertSee('30 days');
    $this->get("/conversations/{$nell->id}")->assertSee('Terms');
    $this->get("/conversations/{$other->id}")->assertDontSee('Terms');

    // From beside a conversation it is the same field, and of nobody where the customer is of no company.
    $this->post("/conversations/{$nell->id}/fields", ['fields' => [$terms->id => 'prepaid']])->assertSessionHas('done');
    $this->post("/conversations/{$other->id}/fields", ['fields' => [$terms->id => '30 days']]);
    expect(app(OwnFields::class)->of(About::Company, $barn->id)[0]['values'])->toBe(['prepaid'])
        ->and(DB::table('own_values')->count())->toBe(1);

    $fields = app(ConversationFields::class);
    $leaf = Leaf::of("own.company.{$terms->word}", Operator::In, ['prepaid']);
    $found = Conversation::query()->tap(static fn ($query) => $fields->get($leaf->field)->where($query, $leaf))->pluck('id')->all();
    expect($found)->toBe([$nell->id])
        ->and($fields->get($leaf->field)->fact($nell->refresh()))->toBe('prepaid')
        ->and($fields->get($leaf->field)->fact($other->refresh()))->toBeNull();

    $lines = iterator_to_array(app(ExportHistory::class)->pieces(HistoryFormat::JsonLines, null), false);
    $exported = array_column(array_map(static fn (string $line): array => json_decode($line, true), $lines), null, 'id');
    expect($exported[$nell->number()]['customer']['company'])->toBe('Kite Barn')
        ->and($exported[$nell->number()]['customer']['role'])->toBe('buys')
        ->and($exported[$nell->number()]['company_fields'])->toBe([$terms->word => ['prepaid']])
        ->and($exported[$other->number()])->not->toHaveKey('company_fields');
});

it('lends what is written in own fields while two are one, and takes back what nobody has changed', function (About $about): void {
    [$one, $other] = $about === About::Company
        ? [company('Kite Barn'), company('The Kite Barn Ltd')]
        : [writes('Nell Archer', 'nell@kitebarn.example')->customer, writes('Nell Archer', 'nell@archer.example')->customer];
    $make = static fn (string $name) => app(ArrangeFields::class)->make($about, $name, FieldKind::Text, [], false);
    [$own, $lent, $changed] = [$make('Terms'), $make('Number'), $make('Region')];
    $fields = app(OwnFields::class);
    $fields->keep($own, $one->id, '30 days');
    $fields->keep($own, $other->id, 'prepaid');
    $fields->keep($lent, $other->id, 'KB-118');
    $fields->keep($changed, $other->id, 'North');
    $shown = static fn (int $id): array => array_column($fields->of($about, $id), 'values');
    $merge = $one instanceof Company && $other instanceof Company
        ? app(MergeCompanies::class)->merge($one, $other, $this->teammate('ilse'))
        : app(MergeCustomers::class)->merge($one, $other, $this->teammate('ilse'));
    expect($shown($one->id))->toBe([['30 days'], ['KB-118'], ['North']]);
    $fields->keep($changed, $one->id, 'South');
    $merge instanceof CompanyMerge
        ? app(MergeCompanies::class)->undo($merge)
        : app(MergeCustomers::class)->undo(CustomerMerge::query()->findOrFail($merge->id), $this->teammate('ilse'));
    expect($shown($one->id))->toBe([['30 days'], [], ['South']])
        ->and($shown($other->id))->toBe([['prepaid'], ['KB-118'], ['North']]);
})->with([About::Company, About::Customer]);

it('counts by company in the record of a promise set, with the list behind each number', function (): void {
    $barn = company('Kite Barn');
    $nell = writes('Nell Archer', 'nell@kitebarn.example');
    $other = writes('Una Berg', 'una@berg.example');
    intoCompany($nell, $barn);
    $set = PromiseSet::inOrder()->firstOrFail();
    $this->actingAs($this->teammate('mads'));
    $this->get("/promises/{$set->id}/record?by=company")->assertSee('Kite Barn')->assertSee('no company');
    $this->get("/promises/{$set->id}/record/behind?by=company&counted=all&value={$barn->id}")
        ->assertSee($nell->subject)->assertDontSee($other->subject);
    expect($this->get("/promises/{$set->id}/record.csv?by=company")->streamedContent())->toContain('Kite Barn');
});
