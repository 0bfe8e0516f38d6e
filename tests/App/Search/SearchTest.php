<?php

declare(strict_types=1);

use App\Fields\OwnField;
use App\Inbox\Category;
use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Search\IndexForSearch;
use App\Search\Narrowings;
use App\Search\SearchConversations;
use Cairnfield\Core\Search\SearchQuery;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\App\Mails;

/**
 * @return list<string> subjects, in the order in which they are found
 */
function search(string $written, string $as = 'ilse', int $latest = 300): array
{
    app(IndexForSearch::class)->run();
    $narrowings = app(Narrowings::class);
    [$rows, $problems] = (new SearchConversations($narrowings, $latest))->find(SearchQuery::read($written, $narrowings->keys()), test()->teammate($as));

    return $problems !== [] ? $problems : $rows->pluck('subject')->all();
}

function threeConversations(): void
{
    CarbonImmutable::setTestNow('2026-11-20T10:00:00Z');
    Mails::conversation(['Subject' => 'Naht am Drachen', 'From' => 'Jürgen Größe <j.groesse@post.example>', 'Content-Type' => 'text/plain; charset=utf-8'], 'Die Naht an der Segelkante ist gerissen.');
    CarbonImmutable::setTestNow('2026-11-22T10:00:00Z');
    Mails::conversation(['Subject' => 'Torn sail', 'From' => 'Ana Wrenfield <ana@wren.example>', 'Content-Type' => 'text/plain; charset=utf-8'], 'The sail of my Kestrel tore along the seam. 商品を返品したい');
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Mails::conversation(['Subject' => 'Gift card', 'From' => 'Bo Lind <bo@lind.example>'], 'Does a gift card pay for a sail?');
}

it('finds words wherever they were said, whatever the accents and case, the latest first', function (): void {
    threeConversations();
    expect(search('sail'))->toBe(['Gift card', 'Torn sail'])
        ->and(search('SAIL kestrel'))->toBe(['Torn sail'])
        ->and(search('grosse'))->toBe(['Naht am Drachen'])->and(search('JURGEN'))->toBe(['Naht am Drachen'])
        ->and(search('ana@wren.example'))->toBe(['Torn sail'])
        ->and(search('返品'))->toBe(['Torn sail'])
        ->and(search('"gift card"'))->toBe(['Gift card'])->and(search('"card gift"'))->toBe([])
        ->and(search('sail -gift'))->toBe(['Torn sail'])
        ->and(search('nowhere'))->toBe([]);
});

it('finds notes, files, own fields and numbers, too', function (): void {
    threeConversations();
    $torn = Conversation::query()->where('subject', 'Torn sail')->sole();
    $this->actingAs($this->teammate('mads'))->post("/conversations/{$torn->id}/notes", ['text' => 'Workshop says: ripstop', 'once' => Str::uuid()->toString()]);
    $this->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Batch', 'kind' => 'text']);
    $this->post("/conversations/{$torn->id}/fields", ['fields' => [OwnField::query()->value('id') => 'Kappa']]);
    expect(search('ripstop'))->toBe(['Torn sail'])->and(search('kappa'))->toBe(['Torn sail'])
        ->and(search($torn->number()))->toBe(['Torn sail'])
        ->and(search('batch:kap'))->toBe(['Torn sail'])->and(search('batch:other'))->toBe([]);
});

it('narrows by what is known', function (): void {
    threeConversations();
    $torn = Conversation::query()->where('subject', 'Torn sail')->sole();
    $torn->forceFill(['state' => ConversationState::Held, 'owner_id' => $this->teammate('ilse')->id, 'category_id' => Category::query()->where('name', 'Faulty item')->value('id')])->save();
    $this->actingAs($this->teammate('ilse'))->post("/conversations/{$torn->id}/tags", ['give' => 'Festival']);
    foreach (['state:held', 'owner:ilse', 'owner:me', 'category:faulty', 'category:product', 'tag:fest', 'from:ana', 'from:wrenf', 'sail state:held', 'has:tag', 'before:2026-11-23 after:2026-11-21'] as $written) {
        expect(search($written))->toBe(['Torn sail'], $written);
    }
    expect(search('owner:nobody'))->toBe(['Gift card', 'Naht am Drachen'])
        ->and(search('way:email before:2026-11-21'))->toBe(['Naht am Drachen'])
        ->and(search('sail state:held', 'mads'))->toBe(['Torn sail'])
        ->and(search('owner:me', 'mads'))->toBe([]);
});

it('says what it cannot narrow by', function (string $written, string $problem): void {
    expect(search($written)[0])->toStartWith($problem);
})->with([
    ['state:asleep', 'There is no state “asleep”. There are: Open, Waiting on customer'],
    ['before:tomorrow', '“tomorrow” is no day. Write one such as before:2026-11-01.'],
    ['before:2026-02-31', '“2026-02-31” is no day.'],
    ['has:wings', '“has:wings” is not known. There are: has:file'],
    ['order:B-29999', 'No order “B-29999” is known.'],
]);

it('keeps junk out unless it is asked for, and shows what was joined where it is now', function (): void {
    threeConversations();
    [$naht, $torn, $gift] = Conversation::query()->orderBy('id')->get()->all();
    $gift->forceFill(['junk' => true])->save();
    expect(search('sail'))->toBe(['Torn sail'])->and(search('sail is:junk'))->toBe(['Gift card']);
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
    threeConversations();
    $conversation = Conversation::query()->where('subject', 'Torn sail')->sole();
    $this->actingAs($this->teammate('ilse'));
    $this->get("/go-to?q=c-{$conversation->id}")->assertSee('Torn sail')->assertSee("/conversations/{$conversation->id}");
    $this->get('/go-to?q=ana+w')->assertSee('Ana Wrenfield')->assertSee("/customers/{$conversation->customer_id}");
    $this->get('/go-to?q=held')->assertSee('/queue/held');
    $this->get('/go-to?q=cat')->assertDontSee('/sorting/categories');
    $this->actingAs($this->teammate('mads'))->get('/go-to?q=cat')->assertSee('/sorting/categories')->assertDontSee('/accounts');
});

it('finds the same by the full-text index as by going through the latest', function (): void {
    threeConversations();
    app(IndexForSearch::class)->run();
    // The full-text index knows only what is committed. The database is made anew for the next test.
    DB::commit();
    RefreshDatabaseState::$migrated = false;
    try {
        foreach (['sail', 'SAIL kestrel', 'grosse', 'ana@wren.example', 'wren.example', '返品', '"gift card"', '"card gift"', 'sail -gift', 'sai', 'sail before:2026-11-23', 'nowhere', 'j.groesse'] as $written) {
            expect(search($written, latest: 0))->toBe(search($written), $written);
        }
        expect(search('sail', latest: 0))->toBe(['Gift card', 'Torn sail']);
    } finally {
        DB::beginTransaction();
    }
});
