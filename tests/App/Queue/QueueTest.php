<?php

declare(strict_types=1);

use App\Answering\AddNote;
use App\Channels\Account;
use App\Conversations\BringBackHeld;
use App\Conversations\ChangeMark;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\PlaceInQueue;
use App\Conversations\TakeConversation;
use App\Customers\SortIntoGroups;
use App\Sorting\Category;
use App\Workspace\Trail;
use Carbon\CarbonImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;

it('shows each conversation in the view where it belongs', function (): void {
    $ilse = $this->teammate('ilse');
    $mads = $this->teammate('mads');
    foreach (['nobodys' => null, 'mine' => $ilse->id, 'hers' => $mads->id] as $subject => $owner) {
        Mails::conversation(['Subject' => "about {$subject}"])->forceFill(['owner_id' => $owner])->save();
    }
    foreach (['waiting', 'held', 'resolved'] as $state) {
        Mails::conversation(['Subject' => "is {$state}"])->forceFill(['state' => $state])->save();
    }
    $this->actingAs($ilse);
    $this->get('/queue/my-turn')
        ->assertSeeInOrder(['My turn', '2'])
        ->assertSee('about nobodys')
        ->assertSee('about mine')
        ->assertDontSee('about hers')
        ->assertDontSee('is waiting');
    $this->get('/queue/nobodys-yet')->assertSee('about nobodys')->assertDontSee('about mine');
    $this->get('/queue/waiting')->assertSee('is waiting')->assertDontSee('about mine');
    $this->get('/queue/held')->assertSee('is held');
    $this->get('/queue/resolved')->assertSee('is resolved');
    $this->get("/queue/my-turn?owner={$mads->id}")->assertSee('about hers')->assertDontSee('about mine');
    $this->get('/queue/elsewhere')->assertNotFound();
});

it('puts the most urgent first, in groups by when the promise falls due', function (): void {
    foreach (['late' => '2026-11-23T08:00:00Z', 'soon' => '2026-11-23T09:30:00Z', 'today' => '2026-11-23T11:30:00Z'] as $subject => $at) {
        CarbonImmutable::setTestNow($at);
        Mails::conversation(['Subject' => "the {$subject} one", 'From' => "{$subject}@x.example"]);
    }
    // 14:00 in Copenhagen: four working hours after 08:00 UTC have passed, after 09:30 half an hour is left.
    CarbonImmutable::setTestNow('2026-11-23T13:00:00Z');
    expect(app(PlaceInQueue::class)->moveOn())->toBeGreaterThan(0)->and(app(PlaceInQueue::class)->moveOn())->toBe(0);
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')
        ->assertSeeInOrder(
            ['Promise missed', 'the late one', '−1 h 00', 'Within the hour', 'the soon one', '30 min', 'Today', 'the today one', '2 h 30'],
            true
        );
});

it('narrows the queue by address and category and remembers it', function (): void {
    $category = Category::query()->where('name', 'Late parcel')->firstOrFail();
    Mails::conversation(['Subject' => 'to the bench', 'To' => 'returns@brindle.example']);
    Mails::conversation(['Subject' => 'about lateness'])->forceFill(['category_id' => $category->id])->save();
    $this->actingAs($this->teammate('ilse'));
    $bench = Account::query()->where('address', 'returns@brindle.example')->value('id');
    $this->get("/queue/my-turn?account={$bench}")->assertSee('to the bench')->assertDontSee('about lateness');
    $this->get("/queue/my-turn?category={$category->id}")->assertSee('about lateness')->assertDontSee('to the bench');
    $this->get('/queue')->assertRedirect("/queue/my-turn?category={$category->id}");
});

it('answers 204 while nothing has changed, else with the list', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    preg_match('#/queue/my-turn/changes\?mark=([\w.-]+)#', (string) $this->get('/queue/my-turn')->getContent(), $mark);
    $this->get("/queue/my-turn/changes?mark={$mark[1]}")->assertNoContent();
    CarbonImmutable::setTestNow(now()->addSeconds(2));
    Mails::conversation(['Subject' => 'Brand new']);
    $this->get("/queue/my-turn/changes?mark={$mark[1]}")
        ->assertOk()
        ->assertSee('Brand new')
        ->assertSee('1 new since you looked')
        ->assertDontSee('<html', false);

    preg_match('#/changes\?mark=([\w.-]+)#', (string) $this->get("/conversations/{$conversation->id}")->getContent(), $mark);
    $this->get("/conversations/{$conversation->id}/changes?mark={$mark[1]}")->assertNoContent();
    $this->answer($conversation, 'Something new', 'mads');
    $this->get("/conversations/{$conversation->id}/changes?mark={$mark[1]}")->assertOk()->assertSee('Something new');
});

it('asks the database a fixed number of questions, whatever the length', function (): void {
    $count = function (string $address): int {
        DB::enableQueryLog();
        DB::flushQueryLog();
        $this->get($address)->assertOk();
        $asked = count(DB::getQueryLog());
        DB::disableQueryLog();

        return $asked;
    };
    $this->actingAs($this->teammate('ilse'));
    $conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $this->answer($conversation, 'One');
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>']));
    Mails::conversation(['Subject' => 'Another', 'From' => 'c0@x.example']);
    $count('/queue/my-turn');
    // The counts of the views are kept for as long as nothing happens.
    CarbonImmutable::setTestNow(now()->addMinute());
    [$page, $queue] = [$count("/conversations/{$conversation->id}"), $count('/queue/my-turn')];
    foreach (range(1, 8) as $number) {
        Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], "More {$number}"));
        Mails::conversation(['Subject' => "Other {$number}", 'From' => "c{$number}@x.example"]);
    }
    CarbonImmutable::setTestNow(now()->addMinute());
    expect($count("/conversations/{$conversation->id}"))->toBe($page)->and($count('/queue/my-turn'))->toBe($queue);
});

it('gives the most urgent that nobody has', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $second = Mails::conversation(['Subject' => 'later', 'From' => 'b@x.example']);
    CarbonImmutable::setTestNow('2026-11-23T09:00:00Z');
    $first = Mails::conversation(['Subject' => 'earlier', 'From' => 'a@x.example']);
    $this->actingAs($this->teammate('ilse'))->post('/queue/next')->assertRedirect("/conversations/{$first->id}");
    $this->actingAs($this->teammate('mads'))->post('/queue/next')->assertRedirect("/conversations/{$second->id}");
    // What is one's own comes again, until it is passed over.
    $this->post('/queue/next')->assertRedirect("/conversations/{$second->id}");
    $this->post('/queue/next', ['after' => $second->id])->assertRedirect('/queue')->assertSessionHas('problem');
    expect($first->refresh()->owner->name)->toBe('Ilse Norrby');
});

it('does not take what somebody else has taken', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('mads'))->post("/conversations/{$conversation->id}/take")->assertSessionHas('done');
    $this->actingAs($this->teammate('ilse'))->post("/conversations/{$conversation->id}/take")
        ->assertSessionHas('problem', fn (string $problem): bool => str_contains($problem, 'Mads Overgaard'));
    expect($conversation->refresh()->owner->name)->toBe('Mads Overgaard');
    $this->post("/conversations/{$conversation->id}/owner", ['owner' => $this->teammate('ilse')->id])->assertSessionHas('done');
    expect($conversation->refresh()->owner->name)->toBe('Ilse Norrby');
});

it('holds with a reason until a time, and brings it back then', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('femi'));
    $hold = fn (string $reason, string $at) => $this->post(
        "/conversations/{$conversation->id}/hold", ['reason' => $reason, 'bring_back_at' => $at]
    );
    $hold('', '2026-11-24T09:00')->assertSessionHas('problem');
    $hold('The carrier looks for it', '2026-11-23T10:30')->assertSessionHas(
        'problem', fn (string $problem): bool => str_contains($problem, 'passed')
    );
    $hold('The carrier looks for it', '2026-11-24T09:00')->assertSessionHas('done');
    // 09:00 in Copenhagen, where Femi is.
    expect($conversation->refresh()->bring_back_at->toIso8601ZuluString())->toBe('2026-11-24T08:00:00Z')
        ->and($conversation->held_reason)->toBe('The carrier looks for it');

    app(BringBackHeld::class)();
    expect($conversation->refresh()->state->value)->toBe('held');
    CarbonImmutable::setTestNow('2026-11-24T08:00:00Z');
    app(BringBackHeld::class)();
    expect($conversation->refresh()->state->value)->toBe('open')->and($conversation->held_reason)->toBeNull();
});

it('closes only what is resolved, and nothing opens it again', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $state = fn (string $to) => $this->post("/conversations/{$conversation->id}/state", ['state' => $to]);
    $state('closed')->assertSessionHas('problem');
    $conversation->forceFill(['state' => 'resolved'])->save();
    $state('closed')->assertSessionHas('done');
    $state('open')->assertSessionHas('problem');
    expect($conversation->refresh()->state->value)->toBe('closed');
});

it('writes every change into a journal that cannot be edited', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->post("/conversations/{$conversation->id}/take");
    $this->post(
        "/conversations/{$conversation->id}/category", ['category' => Category::query()->where('name', 'Late parcel')->value('id')]
    );
    $this->post("/conversations/{$conversation->id}/state", ['state' => 'waiting']);
    $this->get("/conversations/{$conversation->id}")
        ->assertSee('Taken by Ilse Norrby')
        ->assertSee('Category Delivery › Late parcel by Ilse Norrby')
        ->assertSee('Waiting on customer by Ilse Norrby');
    expect(fn () => JournalEntry::query()->update(['why' => 'another reason']))->toThrow(QueryException::class, 'never edited');
});

it('shows the customer beside the conversation, with the earlier ones', function (): void {
    Mails::conversation(['Subject' => 'In spring']);
    $conversation = Mails::conversation(['Subject' => 'In autumn']);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('Other conversations')->assertSee('In spring')->assertSee('tomas@hruby.example');
    expect(Conversation::query()->distinct()->count('customer_id'))->toBe(1);
});

it('puts priority before the customer’s group, and that before who waits longest; and says so', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T09:00:00Z');
    $make = fn (string $subject, string $from): Conversation => Mails::conversation([
        'Subject' => $subject, 'From' => "{$from}@kitebarn.example", 'Message-ID' => "<{$subject}@k.example>",
    ]);
    $wholesale = $make('trade', 'buyer');
    app(SortIntoGroups::class)->everybody();
    foreach (['plain', 'waits', 'pressing'] as $seconds => $subject) {
        CarbonImmutable::setTestNow(CarbonImmutable::parse('2026-11-23T09:00:00Z')->subSeconds($seconds + 1));
        Mails::conversation(['Subject' => $subject, 'From' => "{$subject}@x.example"]);
    }
    $pressing = Conversation::query()->where('subject', 'pressing')->sole();
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$pressing->id}/priority", ['priority' => 'high'])
        ->assertSessionHas('done');
    $this->get('/queue/nobodys-yet')->assertSeeInOrder([
        'pressing', 'priority high', 'trade', 'Wholesale: first of all', 'waits', 'plain', 'waiting since',
    ]);
    expect(app(TakeConversation::class)->takeNext($this->teammate('ilse'))?->id)->toBe($pressing->id)
        ->and(app(TakeConversation::class)->takeNext($this->teammate('ilse'), $pressing->refresh())?->id)->toBe($wholesale->id);
});

it('keeps the stored place what the core says, whatever is done', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T09:00:00Z');
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $place = fn (): int => (int) $conversation->refresh()->next_up;
    $open = $place();
    $this->post("/conversations/{$conversation->id}/hold", ['reason' => 'Carrier looks', 'bring_back_at' => '2026-11-24T09:00']);
    expect($place())->toBe(PlaceInQueue::NOT_OPEN + CarbonImmutable::parse('2026-11-24T08:00:00Z')->getTimestamp());
    $this->post("/conversations/{$conversation->id}/state", ['state' => 'open']);
    expect($place())->toBe($open);
    $this->post("/conversations/{$conversation->id}/state", ['state' => 'waiting']);
    expect($place())->toBe(PlaceInQueue::NOT_OPEN + $conversation->last_message_at->getTimestamp());
});

it('has the same mark for a page that has fetched the entries and knows there are no orders as for one that asks', function (): void {
    $conversation = Mails::conversation();
    // More of them than a mark is made of, and not in their order.
    foreach (range(1, 60) as $day) {
        CarbonImmutable::setTestNow(CarbonImmutable::parse('2026-11-23T09:00:00Z')->addDays($day % 7));
        app(AddNote::class)->add($conversation, $this->teammate('ilse'), "Looked at it, {$day}.", "form-{$day}");
    }
    $mark = app(ChangeMark::class);
    $entries = app(Trail::class)->journal($conversation)->modelKeys();
    expect($entries)->not->toBe(collect($entries)->sort()->values()->all())
        ->and($mark->ofFetched($conversation, $entries, false))->toBe($mark->ofConversation($conversation));
});
