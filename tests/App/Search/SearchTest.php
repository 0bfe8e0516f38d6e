<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Customers\Handle;
use App\Fields\OwnField;
use App\Search\IndexForSearch;
use App\Search\Narrowings;
use App\Search\SearchConversations;
use App\Sorting\Category;
use Cairnfield\Core\Search\SearchQuery;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Searches;
use Tests\App\Services;

it('finds words wherever they were said, whatever the accents and case, the latest first', function (): void {
    Searches::threeConversations();
    expect(Searches::subjects('sail'))->toBe(['Gift card', 'Torn sail'])
        ->and(Searches::subjects('SAIL kestrel'))->toBe(['Torn sail'])
        ->and(Searches::subjects('grosse'))->toBe(['Naht am Drachen'])->and(Searches::subjects('JURGEN'))->toBe(['Naht am Drachen'])
        ->and(Searches::subjects('ana@wren.example'))->toBe(['Torn sail'])
        ->and(Searches::subjects('返品'))->toBe(['Torn sail'])
        ->and(Searches::subjects('"gift card"'))->toBe(['Gift card'])->and(Searches::subjects('"card gift"'))->toBe([])
        ->and(Searches::subjects('sail -gift'))->toBe(['Torn sail'])
        ->and(Searches::subjects('nowhere'))->toBe([]);
});

it('finds notes, files, own fields and numbers, too', function (): void {
    Searches::threeConversations();
    $torn = Conversation::query()->where('subject', 'Torn sail')->sole();
    $this->actingAs($this->teammate('mads'))->post(
        "/conversations/{$torn->id}/notes", ['text' => 'Workshop says: ripstop', 'once' => Str::uuid()->toString()]
    );
    $this->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Batch', 'kind' => 'text']);
    $this->post("/conversations/{$torn->id}/fields", ['fields' => [OwnField::query()->value('id') => 'Kappa']]);
    expect(Searches::subjects('ripstop'))->toBe(['Torn sail'])->and(Searches::subjects('kappa'))->toBe(['Torn sail'])
        ->and(Searches::subjects($torn->number()))->toBe(['Torn sail'])
        ->and(Searches::subjects('batch:kap'))->toBe(['Torn sail'])->and(Searches::subjects('batch:other'))->toBe([]);
});

it('narrows by what is known', function (): void {
    Searches::threeConversations();
    $torn = Conversation::query()->where('subject', 'Torn sail')->sole();
    $torn->forceFill([
        'state' => ConversationState::Held, 'owner_id' => $this->teammate('ilse')->id,
        'category_id' => Category::query()->where('name', 'Faulty item')->value('id'),
    ])->save();
    $this->actingAs($this->teammate('ilse'))->post("/conversations/{$torn->id}/tags", ['give' => 'Festival']);
    foreach (
        [
            'state:held', 'owner:ilse', 'owner:me', 'category:faulty', 'category:product', 'tag:fest', 'from:ana', 'from:wrenf',
            'sail state:held', 'has:tag', 'before:2026-11-23 after:2026-11-21',
        ] as $written
    ) {
        expect(Searches::subjects($written))->toBe(['Torn sail'], $written);
    }
    expect(Searches::subjects('owner:nobody'))->toBe(['Gift card', 'Naht am Drachen'])
        ->and(Searches::subjects('way:email before:2026-11-21'))->toBe(['Naht am Drachen'])
        ->and(Searches::subjects('sail state:held', 'mads'))->toBe(['Torn sail'])
        ->and(Searches::subjects('owner:me', 'mads'))->toBe([]);
});

it('says what it cannot narrow by', function (string $written, string $problem): void {
    expect(Searches::subjects($written)[0])->toStartWith($problem);
})->with([
    ['state:asleep', 'There is no state “asleep”. There are: Open, Waiting on customer'],
    ['before:tomorrow', '“tomorrow” is no day. Write one such as before:2026-11-01.'],
    ['before:2026-02-31', '“2026-02-31” is no day.'],
    ['has:wings', '“has:wings” is not known. There are: has:file'],
    ['order:B-29999', 'No order “B-29999” is known.'],
]);

it('keeps junk out unless it is asked for, and shows what was joined where it is now', function (): void {
    Searches::threeConversations();
    [$naht, $torn, $gift] = Conversation::query()->orderBy('id')->get()->all();
    $gift->forceFill(['junk' => true])->save();
    expect(Searches::subjects('sail'))->toBe(['Torn sail'])->and(Searches::subjects('sail is:junk'))->toBe(['Gift card']);
});

it('shows what was found with the words marked, and nothing as HTML', function (): void {
    Mails::conversation(['Subject' => 'A <b>bold</b> kite'], 'The <script>kite</script> flies. '.str_repeat('More about it. ', 60));
    app(IndexForSearch::class)->run();
    $this->actingAs($this->teammate('femi'))->get('/search?q=KITE')->assertOk()
        ->assertSee('A &lt;b&gt;bold&lt;/b&gt; <mark>kite</mark>', false)
        ->assertSee('The &lt;script&gt;<mark>kite</mark>&lt;/script&gt; flies.', false);
    $this->post('/sign-out');
    $this->get('/search?q=kite')->assertRedirect('/sign-in');
});

it('answers clearly to what is no search', function (): void {
    $this->actingAs($this->teammate('ilse'));
    $this->get('/search')->assertOk()->assertSee('Write what you look for above');
    $this->get('/search?q='.urlencode('+++ "" --- ()'))->assertOk()->assertSee('There is no word in');
    $this->get('/search?q='.urlencode(str_repeat('kite ', 1000)))->assertOk()->assertSee('Only the first 400 characters');
    $this->get('/search?q[]=x')->assertOk();
});

it('completes what is being written', function (): void {
    $this->actingAs($this->teammate('ilse'));
    $this->get('/search/complete?q='.urlencode('kite sta'))->assertOk()->assertSee('value="kite state:"', false);
    $this->get('/search/complete?q='.urlencode('owner:il'))->assertSee('owner:&quot;Ilse Norrby&quot;', false);
    $this->get('/search/complete?q='.urlencode('kite'))->assertDontSee('option');
});

it('goes to pages, orders, people and conversations, each as far as the role goes', function (): void {
    Searches::threeConversations();
    $conversation = Conversation::query()->where('subject', 'Torn sail')->sole();
    $this->actingAs($this->teammate('ilse'));
    $this->get("/go-to?q=c-{$conversation->id}")->assertSee('Torn sail')->assertSee("/conversations/{$conversation->id}");
    $this->get('/go-to?q=ana+w')->assertSee('Ana Wrenfield')->assertSee("/customers/{$conversation->customer_id}");
    $this->get('/go-to?q=held')->assertSee('/queue/held');
    $this->get('/go-to?q=cat')->assertDontSee('/sorting/categories');
    $this->actingAs($this->teammate('mads'))->get('/go-to?q=cat')->assertSee('/sorting/categories')->assertDontSee('/accounts');
});

it('finds all others with a minus before a narrowing, also those of which nothing is known', function (): void {
    Searches::threeConversations();
    $torn = Conversation::query()->where('subject', 'Torn sail')->sole();
    $torn->forceFill([
        'state' => ConversationState::Held, 'owner_id' => $this->teammate('ilse')->id,
        'category_id' => Category::query()->where('name', 'Faulty item')->value('id'),
    ])->save();
    $this->actingAs($this->teammate('ilse'))->post("/conversations/{$torn->id}/tags", ['give' => 'Festival']);
    $this->actingAs($this->teammate('mads'))->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Batch', 'kind' => 'text']);
    $this->post("/conversations/{$torn->id}/fields", ['fields' => [OwnField::query()->value('id') => 'Kappa']]);
    foreach (
        [
            '-state:held', '-owner:ilse', '-owner:me', '-category:faulty', '-category:product', '-tag:fest', '-from:ana',
            '-has:tag', '-has:owner', '-batch:kap', 'owner:nobody',
        ] as $written
    ) {
        expect(Searches::subjects($written))->toBe(['Gift card', 'Naht am Drachen'], $written);
    }
    expect(Searches::subjects('-owner:nobody'))->toBe(['Torn sail'])
        ->and(Searches::subjects('sail -state:held'))->toBe(['Gift card'])
        ->and(Searches::subjects('-state:held -from:bo'))->toBe(['Naht am Drachen'])
        ->and(Searches::subjects('-before:2026-11-23'))->toBe(['Gift card'])
        ->and(Searches::subjects('-state:asleep')[0])->toStartWith('There is no state “asleep”')
        ->and(Searches::subjects('-way:email'))->toBe([]);
});

it('shows no junk because junk was ruled out', function (): void {
    Searches::threeConversations();
    Conversation::query()->where('subject', 'Gift card')->update(['junk' => true]);
    expect(Searches::subjects('-is:junk'))->toBe(['Torn sail', 'Naht am Drachen']);
});

it('finds any of several of one kind, and none of those that must not be so', function (): void {
    Searches::threeConversations();
    $of = fn (string $subject): int => Conversation::query()->where('subject', $subject)->sole()->id;
    $this->actingAs($this->teammate('ilse'));
    $this->post("/conversations/{$of('Torn sail')}/tags", ['give' => 'Festival']);
    $this->post("/conversations/{$of('Gift card')}/tags", ['give' => 'Urgent']);
    Conversation::query()->whereKey($of('Gift card'))->update(['state' => ConversationState::Held]);
    expect(Searches::subjects('tag:fest tag:urgent'))->toBe(['Gift card', 'Torn sail'])
        ->and(Searches::subjects('state:open state:held'))->toBe(['Gift card', 'Torn sail', 'Naht am Drachen'])
        ->and(Searches::subjects('tag:fest tag:urgent state:held'))->toBe(['Gift card'])
        ->and(Searches::subjects('sail tag:fest tag:urgent'))->toBe(['Gift card', 'Torn sail'])
        ->and(Searches::subjects('-tag:fest -tag:urgent'))->toBe(['Naht am Drachen'])
        ->and(Searches::subjects('-tag:fest tag:fest'))->toBe([])
        ->and(Searches::subjects('tag:fest tag:nowhere')[0])->toStartWith('There is no tag “nowhere”');
    // Marks and days hold together.
    expect(Searches::subjects('has:tag is:unanswered'))->toBe(['Gift card', 'Torn sail'])
        ->and(Searches::subjects('has:tag has:file'))->toBe([])
        ->and(Searches::subjects('after:2026-01-01 before:2026-01-02'))->toBe([]);
});

it('says of what looks like a narrowing that it is none, and looks for it all the same', function (): void {
    Searches::threeConversations();
    $this->actingAs($this->teammate('ilse'))->get('/search?'.http_build_query(['q' => 'stat:held']))->assertOk()
        ->assertSee('“stat:” is no narrowing')->assertSee('Did you mean “state:”?')->assertSee('Nothing was found');
    $this->get('/search?'.http_build_query(['q' => 're:sail']))->assertDontSee('is no narrowing');
});

it('finds by telephone, parcel and SKU in any writing', function (): void {
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    $conversation = Mails::conversation(['From' => 'ana@wrenfield.example', 'Subject' => 'Where is it'], 'My order is B-20388.');
    $handle = new Handle;
    $handle->forceFill([
        'customer_id' => $conversation->customer_id, 'kind' => 'telephone', 'value' => '+4520304050', 'shown' => '+45 20 30 40 50',
    ])->save();
    app(IndexForSearch::class)->run();
    foreach (['20304050', '20 30 40 50', '+45 20304050', '0045 20 30 40 50', 'WP7720388', 'wp 7720388', 'WP-7720388', 'MER-RED', 'merred',
        'mer red', '20388', '#B-20388'] as $written) {
        expect(Searches::subjects($written))->toBe(['Where is it'], $written);
    }
    expect(Searches::subjects('20304051'))->toBe([])->and(Searches::subjects('WP7720389'))->toBe([]);
});

it('takes signs of the database in what is looked for as they are', function (string $written): void {
    Searches::threeConversations();
    expect(Searches::subjects($written))->toBe([]);
    $this->actingAs($this->teammate('ilse'))->get('/search?'.http_build_query(['q' => $written]))->assertOk();
})->with(['from:%', 'from:a%a', 'from:_na', 'from:\\', 'sail_kestrel', '"sail%"x', 'batch:%', "from:'"]);

it('finds what stands further on page by page, each once', function (): void {
    CarbonImmutable::setTestNow('2026-11-20T10:00:00Z');
    foreach (range(1, 45) as $number) {
        CarbonImmutable::setTestNow(now()->addMinute());
        Mails::conversation(['Subject' => "Zephyr {$number}", 'From' => "p{$number}@x.example"]);
    }
    app(IndexForSearch::class)->run();
    $narrowings = app(Narrowings::class);
    foreach ([10, 300] as $latest) {
        $found = [];
        foreach ([1, 2, 3] as $page) {
            [$rows] = (new SearchConversations($narrowings, $latest))->find(
                SearchQuery::read('zephyr', $narrowings->keys()), $this->teammate('ilse'), $page
            );
            array_push($found, ...$rows->take(SearchConversations::ROWS)->pluck('subject')->all());
        }
        expect($found)->toBe(array_map(static fn (int $number): string => "Zephyr {$number}", range(45, 1)), "among the latest {$latest}");
    }
});

it('completes a narrowing with a minus before it, too', function (): void {
    $this->actingAs($this->teammate('ilse'));
    $this->get('/search/complete?q='.urlencode('kite -sta'))->assertSee('value="kite -state:"', false);
    $this->get('/search/complete?q='.urlencode('-owner:no'))->assertSee('-owner:nobody', false);
    $this->get('/search/complete?q='.urlencode('has:'))->assertSee('has:file', false)->assertSee('has:order', false);
    $this->get('/search/complete?q='.urlencode('is:una'))->assertSee('is:unanswered', false)->assertDontSee('is:public', false);
    $this->get('/search/complete?q='.urlencode('before:'))->assertSee('before:'.now()->format('Y-m-d'), false);
});

it('proposes the nearest word that somebody wrote, to whom may read it', function (): void {
    Searches::threeConversations();
    app(IndexForSearch::class)->run();
    $see = fn (string $written) => $this->actingAs($this->teammate('ilse'))->get('/search?'.http_build_query(['q' => $written]));
    $see('Kestral state:open')->assertSee('Nothing was found')->assertSee('Did you mean')->assertSee('q=kestrel+state%3Aopen', false);
    // Written, but not together with the other; and what is near to nothing.
    $see('kestrel nahtt')->assertSee('q=kestrel+naht', false);
    $see('kestrel naht')->assertSee('Nothing was found')->assertDontSee('Did you mean');
    $see('xylophone')->assertSee('Nothing was found')->assertDontSee('Did you mean');
    $see('kestrel')->assertDontSee('Did you mean');
    Conversation::query()->where('subject', 'Torn sail')->update(['junk' => true]);
    $see('Kestral')->assertDontSee('Did you mean');
});
