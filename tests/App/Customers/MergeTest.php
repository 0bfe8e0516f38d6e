<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Customers\CustomerMerge;
use App\Customers\DuplicateProposal;
use App\Customers\Handle;
use App\Customers\MergeCustomers;
use App\Customers\SortIntoGroups;
use App\Customers\TelephoneNumber;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

beforeEach(fn () => Http::fake(['*' => Http::response([], 404)]));

/**
 * Ana by email, who ordered so once, and Ana on the marketplace.
 *
 * @return array{Customer, Customer}
 */
function twoAnas(): array
{
    Services::take(
        Channel::Shop,
        Services::order([
            'id' => 'ord_20205', 'number' => 'B-20205', 'sold_on' => null, 'parcels' => [],
            'customer' => [
                'id' => null, 'name' => 'Ana Wrenfield', 'email' => 'ana@wrenfield.example', 'telephone' => '20 00 01 88',
                'address' => ['lines' => ['Møllevej 12', '8000 Aarhus'], 'country' => 'DK'],
            ],
        ])
    );
    Services::take(Channel::Shop, Services::order());
    Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late'], 'Where is 71-4480217?');
    Services::take(Channel::Marrowby, Services::orderMessage('Where is it?'));

    return [
        Handle::query()->where('value', 'ana@wrenfield.example')->firstOrFail()->customer,
        Handle::query()->where('value', 'anaw88')->firstOrFail()->customer,
    ];
}

it('proposes likely duplicates with the reasons, and shows them', function (): void {
    [$byMail, $onMarket] = twoAnas();
    $proposal = DuplicateProposal::query()->sole();
    expect([$proposal->one_id, $proposal->other_id])->toEqualCanonicalizing([$byMail->id, $onMarket->id])
        ->and($proposal->reasons)->toContain('one wrote about the other’s order B-20388')->toContain('same name Ana Wrenfield');
    $this->actingAs($this->teammate('ilse'))->get('/duplicates')->assertSee('anaw88')->assertSee('same name Ana Wrenfield');
    $this->get("/customers/{$byMail->id}")->assertSee('Likely the same person');

    $this->post("/duplicates/{$proposal->id}/dismiss")->assertSessionHas('done');
    Services::take(Channel::Marrowby, Services::orderMessage('Hello?'));
    Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Once more'], '71-4480217');
    expect(DuplicateProposal::query()->sole()->state)->toBe('dismissed');
});

it('proposes those who ordered with one telephone number', function (): void {
    $order = fn (string $number, string $name, string $email): array => Services::order([
        'id' => $number, 'number' => $number, 'sold_on' => null, 'parcels' => [],
        'customer' => [
            'id' => null, 'name' => $name, 'email' => $email, 'telephone' => '20 00 01 88',
            'address' => ['lines' => ["At {$number}"], 'country' => 'DK'],
        ],
    ]);
    Services::take(Channel::Shop, $order('B-20101', 'Ana Wrenfield', 'ana@wrenfield.example'));
    Services::take(Channel::Shop, $order('B-20102', 'A. Wrenfield', 'ana@work.example'));
    expect(DuplicateProposal::query()->sole()->reasons)->toContain('same telephone number +4520000188')
        ->and(Handle::query()->where('kind', 'telephone')->count())->toBe(1);
});

it('merges two customers with all that is theirs, and gives back exactly that', function (): void {
    [$byMail, $onMarket] = twoAnas();
    $before = [
        DB::table('handles')->orderBy('id')->pluck('customer_id', 'id')->all(),
        DB::table('conversations')->orderBy('id')->pluck('customer_id', 'id')->all(),
        DB::table('orders')->orderBy('id')->pluck('customer_id', 'id')->all(),
    ];
    $this->actingAs($this->teammate('ilse'))->post("/customers/{$byMail->id}/merge", ['other' => $onMarket->id])->assertSessionHas('done');
    expect($byMail->orders()->count())->toBe(2)
        ->and($byMail->conversations()->count())->toBe(2)
        ->and($byMail->handles()->pluck('value')->all())->toContain('anaw88', 'ana@wrenfield.example', '+4520000188')
        ->and(DuplicateProposal::query()->sole()->state)->toBe('merged');
    $this->get("/customers/{$onMarket->id}")->assertRedirect("/customers/{$byMail->id}");

    // What comes since stays with the one who was kept.
    Services::take(Channel::Marrowby, Services::orderMessage('Now it is here', ['order_number' => '71-9999999']));
    $later = Conversation::query()->orderByDesc('id')->firstOrFail();
    expect($later->customer_id)->toBe($byMail->id);

    $merge = CustomerMerge::query()->sole();
    $this->post("/customer-merges/{$merge->id}/undo")->assertSessionHas('done');
    $this->post("/customer-merges/{$merge->id}/undo")->assertSessionHas('problem');
    expect([
        DB::table('handles')->orderBy('id')->pluck('customer_id', 'id')->all(),
        DB::table('conversations')->where('id', '!=', $later->id)->orderBy('id')->pluck('customer_id', 'id')->all(),
        DB::table('orders')->orderBy('id')->pluck('customer_id', 'id')->all(),
    ])->toBe($before)->and($later->refresh()->customer_id)->toBe($byMail->id);
});

it('refuses merges that make no sense', function (): void {
    [$one, $other] = twoAnas();
    $merge = fn () => app(MergeCustomers::class)->merge($one, $other, $this->teammate('ilse'));
    $this->actingAs($this->teammate('ilse'))->post("/customers/{$one->id}/merge", ['other' => $one->id])->assertSessionHas('problem');
    $merge();
    $this->post("/customers/{$one->id}/merge", ['other' => $other->id])->assertSessionHas('problem');
    $this->actingAs($this->teammate('femi'))->post("/customers/{$one->id}/merge", ['other' => $other->id])->assertForbidden();
});

it('reads telephone numbers however they are written', function (string $written, ?string $e164): void {
    expect(TelephoneNumber::read($written)?->e164)->toBe($e164);
})->with([
    ['20 00 01 88', '+4520000188'],
    ['+420 777 000 114', '+420777000114'],
    ['0045 20000188', '+4520000188'],
    ['(+44) 7700 900440', '+447700900440'],
    ['12', null],
    ['no number', null],
]);

it('adds handles by hand, and says whose one is already', function (): void {
    [$byMail, $onMarket] = twoAnas();
    $this->actingAs($this->teammate('ilse'));
    $this->post("/customers/{$onMarket->id}/handles", ['kind' => 'pennon', 'value' => '@AnaWren'])->assertSessionHas('done');
    expect($onMarket->handles()->where('kind', 'pennon')->value('value'))->toBe('@anawren');
    $this->post(
        "/customers/{$onMarket->id}/handles", ['kind' => 'email', 'value' => 'ANA@wrenfield.example']
    )->assertSessionHas('problem', fn (string $text): bool => str_contains($text, 'merge'));
    $this->post("/customers/{$onMarket->id}/handles", ['kind' => 'telephone', 'value' => 'twelve'])->assertSessionHas('problem');
    expect($byMail->handles()->where('kind', 'email')->count())->toBe(1);
});

it('keeps notes and facts, and sorts customers into groups by them', function (): void {
    [$byMail, $onMarket] = twoAnas();
    $this->actingAs($this->teammate('ilse'));
    $this->post("/customers/{$byMail->id}/notes", ['text' => 'Flies at every festival'])->assertSessionHas('done');
    $this->post(
        "/customers/{$byMail->id}", ['name' => 'Ana Wrenfield', 'language' => 'da', 'facts' => "club: Festival\nnonsense\n: empty"]
    )->assertSessionHas('done');
    expect($byMail->refresh()->facts)->toBe(['club' => 'Festival'])
        ->and($byMail->groups()->pluck('name')->all())->toBe(['Festival club']);
    $this->get("/customers/{$byMail->id}")->assertSee('Flies at every festival')->assertSee('Festival club');
    $this->get('/customers?group='.$byMail->groups()->value('customer_groups.id'))
        ->assertSee('ana@wrenfield.example')
        ->assertDontSee('anaw88');

    $this->post('/customer-groups', ['name' => 'Danes', 'field' => ['language', ''], 'is' => ['da', '']])->assertSessionHas('done');
    expect($byMail->groups()->pluck('name')->sort()->values()->all())->toBe(['Danes', 'Festival club']);
    $byMail->forceFill(['language' => 'sv'])->save();
    app(SortIntoGroups::class)->everybody();
    expect($byMail->groups()->pluck('name')->all())->toBe(['Festival club']);
});

it('finds customers by name, address, telephone and order', function (string $find): void {
    twoAnas();
    $this->actingAs($this->teammate('femi'))->get('/customers?'.http_build_query(['find' => $find]))->assertSee('ana@wrenfield.example');
})->with(['Ana', 'wrenf', 'ana@wren', '20 00 01 88', '+45 20000188', 'B-20205']);

it('takes back with the separation what the one who was kept got of the other, but not what was written since', function (): void {
    [$byMail, $onMarket] = twoAnas();
    $byMail->forceFill(['facts' => ['club' => 'Festival', '2024' => 'flew'], 'language' => null])->save();
    $onMarket->forceFill(['facts' => ['club' => 'Harbour', 'size' => 'M', 'dog' => 'Rex', '2025' => 'flew'], 'language' => 'da'])->save();
    $this->actingAs($this->teammate('ilse'))->post("/customers/{$byMail->id}/merge", ['other' => $onMarket->id])->assertSessionHas('done');
    expect($byMail->refresh()->facts)->toBe(['club' => 'Festival', 2024 => 'flew', 'size' => 'M', 'dog' => 'Rex', 2025 => 'flew'])
        ->and($byMail->language)->toBe('da');
    $byMail->forceFill([
        'facts' => [
            ...['size' => 'L', 'since' => 'the merge'], ...['dog' => 'Rex'], ...['club' => 'Festival'],
        ] + [2024 => 'flew', 2025 => 'flew'],
    ])->save();
    $this->post('/customer-merges/'.CustomerMerge::query()->sole()->id.'/undo')->assertSessionHas('done');
    expect($byMail->refresh()->facts)->toEqualCanonicalizing(['club' => 'Festival', 2024 => 'flew', 'size' => 'L', 'since' => 'the merge'])
        ->and($byMail->language)->toBeNull()
        ->and($onMarket->refresh()->facts)->toBe(['club' => 'Harbour', 'size' => 'M', 'dog' => 'Rex', 2025 => 'flew'])
        ->and($onMarket->language)->toBe('da')->and($onMarket->merged_into_id)->toBeNull();
});

it('keeps a language that somebody has set since, and does not propose again who were separated', function (): void {
    [$byMail, $onMarket] = twoAnas();
    $onMarket->forceFill(['language' => 'da'])->save();
    $this->actingAs($this->teammate('ilse'))->post("/customers/{$byMail->id}/merge", ['other' => $onMarket->id]);
    $byMail->refresh()->forceFill(['language' => 'sv'])->save();
    $this->post('/customer-merges/'.CustomerMerge::query()->sole()->id.'/undo');
    expect($byMail->refresh()->language)->toBe('sv')->and(DuplicateProposal::query()->sole()->state)->toBe('dismissed');
    $this->get('/duplicates')->assertDontSee('anaw88');
});

it('separates in the order in which it was merged, and says so otherwise', function (): void {
    [$byMail, $onMarket] = twoAnas();
    $third = Mails::conversation(['From' => 'ana@work.example', 'Message-ID' => '<third@x.example>'])->customer;
    $this->actingAs($this->teammate('ilse'));
    $this->post("/customers/{$byMail->id}/merge", ['other' => $onMarket->id])->assertSessionHas('done');
    $this->post("/customers/{$third->id}/merge", ['other' => $byMail->id])->assertSessionHas('done');
    [$first, $second] = CustomerMerge::query()->orderBy('id')->get()->all();
    expect($third->conversations()->count())->toBe(3);
    $this->get("/customers/{$onMarket->id}")->assertRedirect();
    $this->post("/customer-merges/{$first->id}/undo")->assertSessionHas('problem');
    $this->post("/customer-merges/{$second->id}/undo")->assertSessionHas('done');
    $this->post("/customer-merges/{$first->id}/undo")->assertSessionHas('done');
    expect([$third->conversations()->count(), $byMail->conversations()->count(), $onMarket->conversations()->count()])->toBe([1, 1, 1]);
});

it('is merged and separated by those who answer customers only', function (): void {
    [$byMail, $onMarket] = twoAnas();
    $this->actingAs($this->teammate('ilse'))->post("/customers/{$byMail->id}/merge", ['other' => $onMarket->id]);
    $merge = CustomerMerge::query()->sole();
    $this->actingAs($this->teammate('femi'))->post("/customer-merges/{$merge->id}/undo")->assertForbidden();
    $this->post('/sign-out');
    $this->post("/customer-merges/{$merge->id}/undo")->assertRedirect('/sign-in');
    expect($merge->refresh()->undone_at)->toBeNull();
});
