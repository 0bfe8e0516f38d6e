<?php

declare(strict_types=1);

use App\Answering\AddNote;
use App\Bulk\BulkChange;
use App\Bulk\BulkItem;
use App\Channels\Mail\OwnMail;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\SetCategory;
use App\Conversations\TakeConversation;
use App\Joining\JoinConversations;
use App\Joining\SplitOff;
use App\Notifications\MailNews;
use App\Notifications\News;
use App\Notifications\NotifyFromJournal;
use App\Orders\AttachOrders;
use App\Orders\Order;
use App\Routing\GiveWaitingTurns;
use App\Routing\ReachUpwards;
use App\Routing\RoutingRefused;
use App\Search\IndexForSearch;
use App\Sorting\Category;
use App\Sorting\ChangeWhoReads;
use App\Sorting\Outcome;
use App\Sorting\WhoMayRead;
use App\Team\SetAvailability;
use App\Team\TakeTurns;
use App\Team\Team;
use App\Workspace\Trail;
use Cairnfield\Core\Assigning\Method;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tests\App\Mails;
use Tests\App\Routes;
use Tests\App\SeenPage;
use Tests\Fixtures\OneOfEach;

/*
 * A category for its members alone: nobody else sees its conversations, by whatever way one comes to a conversation.
 */

const OUTSIDERS = ['femi', 'mads', 'corin'];

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Http::fake(['*' => Http::response([], 404)]);
    $this->staff = (new Category)->forceFill([
        'name' => 'Staff', 'customer_name' => 'Staff', 'path' => 'Staff', 'hidden' => true, 'position' => 900, 'members_only' => true,
    ]);
    $this->staff->save();
    $this->staff->members()->sync([$this->teammate('ilse')->id]);
    app(WhoMayRead::class)->forget();
});

function sortIntoStaff(Conversation ...$conversations): void
{
    foreach ($conversations as $conversation) {
        app(SetCategory::class)->set($conversation, test()->staff, Actor::application());
    }
}

/**
 * One with all that can hang on a conversation, given to those who are to see none of it.
 */
function oneOfStaffWithAll(string $subject, ConversationState $state): Conversation
{
    $conversation = Mails::conversation(['Subject' => $subject], "Zeppelin hidden words\r\n");
    $corin = test()->teammate('corin')->id;
    app(AttachOrders::class)->one($conversation, Order::query()->firstOrFail(), 'hand', Actor::application());
    $of = ['conversation_id' => $conversation->id];
    DB::table('conversation_tag')->insert([...$of, 'tag_id' => DB::table('tags')->value('id')]);
    foreach ([null, now()->subHour()] as $done) {
        DB::table('tasks')->insert([
            ...$of, 'assignee_id' => $corin, 'made_by_id' => $corin, 'title' => 'Zeppelin task', 'due_at' => now()->addDay(),
            'done_at' => $done, 'updated_at' => now(),
        ]);
    }
    DB::table('news')->insert([
        ...$of, 'teammate_id' => $corin, 'kind' => 'noted', 'source' => "zeppelin-{$conversation->id}", 'text' => 'Zeppelin news',
        'in_app' => true, 'at' => now(),
    ]);
    DB::table('nudges')->insert([
        ...$of, 'nudge_plan_id' => DB::table('nudge_plans')->value('id'), 'teammate_id' => $corin, 'state' => 'running',
        'started_at' => now(), 'next_at' => now()->addDay(),
    ]);
    DB::table('rule_runs')->insert([
        ...$of, 'rule_id' => DB::table('rules')->orderByDesc('id')->value('id'), 'event_key' => "zeppelin-{$conversation->id}",
        'because' => '["Zeppelin"]', 'actions' => '[]', 'done' => '["Zeppelin"]', 'state' => 'done', 'at' => now(), 'attempts' => 1,
    ]);
    DB::table('follows')->insert([...$of, 'teammate_id' => $corin, 'entry_id' => 0]);
    DB::table('drafts')->insert([
        ...$of, 'teammate_id' => test()->teammate('ilse')->id, 'kind' => 'note', 'text' => 'Zeppelin draft', 'files' => '[]',
        'created_at' => now(), 'updated_at' => now(),
    ]);
    DB::table('own_values')->insert([
        'own_field_id' => DB::table('own_fields')->where('about', 'conversation')->value('id'), 'about_id' => $conversation->id,
        'text' => 'Zeppelin value', 'folded' => 'zeppelin value',
    ]);
    DB::table('template_uses')->insert([
        ...$of, 'template_id' => DB::table('templates')->orderByDesc('id')->value('id'), 'language' => 'en', 'changed_thousandths' => 0,
        'message_id' => $conversation->messages()->value('id'), 'at' => now(),
    ]);
    DB::table('ratings')->insert([
        ...$of, 'customer_id' => $conversation->customer_id, 'score' => 1, 'comment' => 'Zeppelin rating', 'rated_at' => now(),
        'teammate_id' => test()->teammate('ilse')->id,
    ]);
    DB::table('partner_threads')->insert([
        ...$of, 'name' => "Zeppelin {$conversation->id}", 'address' => "zeppelin-{$conversation->id}@partner.example",
        'teammate_id' => $corin, 'subject' => 'Zeppelin',
    ]);
    DB::table('started_checklists')->insert([...$of, 'name' => 'Zeppelin list', 'steps' => '[]']);
    DB::table('scheduled_replies')->insert([
        ...$of, 'teammate_id' => $corin, 'send_at' => now()->addDay(), 'unless_answered' => 0, 'state' => 'due',
        'once_key' => hash('sha256', "zeppelin-{$conversation->id}"), 'reply' => json_encode([
            'text' => 'Zeppelin later', 'files' => [], 'then' => 'waiting', 'outcome' => null, 'once' => 'x', 'html' => null,
            'route' => null, 'cc' => [], 'bcc' => [], 'own_name' => false,
        ]),
    ]);
    DB::table('approvals')->insert([
        ...$of, 'question' => 'Zeppelin?', 'state' => 'asked', 'asked_at' => now(), 'asked_by' => test()->teammate('ilse')->id,
        'asked_of' => $corin,
    ]);
    DB::table('conversations')->where('id', $conversation->id)->update([
        'owner_id' => $state === ConversationState::Open ? null : test()->teammate('ilse')->id,
        'state' => $state, 'outcome_id' => $state === ConversationState::Resolved ? Outcome::query()->firstOrFail()->id : null,
        'bring_back_at' => $state === ConversationState::Held ? now()->addDay() : null,
        'held_reason' => $state === ConversationState::Held ? 'Zeppelin reason' : null,
    ]);
    sortIntoStaff($conversation);

    return $conversation->refresh();
}

function unzipped(string $path): string
{
    $zip = new ZipArchive;
    expect($zip->open($path))->toBeTrue();
    $all = '';
    for ($at = 0; $at < $zip->numFiles; $at++) {
        $all .= $zip->getNameIndex($at)."\n".$zip->getFromIndex($at);
    }

    return $all;
}

function everythingOf(SeenPage $page): string
{
    return match (true) {
        $page->baseResponse instanceof StreamedResponse => $page->streamedContent(),
        $page->baseResponse instanceof BinaryFileResponse => unzipped($page->baseResponse->getFile()->getPathname()),
        default => (string) $page->getContent(),
    };
}

/**
 * Every page there is, and those that only show something when they are asked.
 *
 * @param  array<string, int|string>  $one
 * @return list<string>
 */
function allPages(array $one, Conversation $hidden): array
{
    $pages = [];
    foreach (Routes::all() as $route) {
        // What is made anew by each look is nobody's conversation.
        if (str_starts_with($route, 'GET ') && ! str_contains($route, 'own-sign-in')) {
            $pages[] = Routes::address($route, $one);
        }
    }
    $set = $one['set'];
    foreach (['kind', 'week', 'category', 'channel', 'team', 'person', 'company'] as $by) {
        $pages[] = "/promises/{$set}/record?by={$by}";
        $pages[] = "/promises/{$set}/record.csv?by={$by}";
    }
    foreach (['nobodys-yet', 'waiting', 'held', 'resolved'] as $view) {
        $pages[] = "/queue/{$view}";
    }
    foreach (['state', 'category', 'owner', 'team'] as $by) {
        $pages[] = "/queue/my-turn/board?by={$by}";
    }
    $other = Mails::conversation(['Subject' => 'Not secret', 'From' => 'Jo <jo@elsewhere.example>']);

    return [
        ...$pages, '/search?q=zeppelin', '/search?q=hruby', '/search?q=is:open', "/go-to?q=C-{$hidden->id}", "/go-to?q={$hidden->id}",
        "/join?ids[]={$hidden->id}&ids[]={$other->id}", '/tasks?all=1', '/calls/who?who=hruby',
        "/templates/preview?conversation={$hidden->id}", "/promises/{$set}/record/behind?counted=all&by=category&value=".test()->staff->id,
        ...array_map(static fn (string $format): string => "/history/export?format={$format}", ['csv', 'jsonl', 'mbox', 'eml']),
    ];
}

it('shows nothing of it on any page, in any search, list, export or feed', function (): void {
    $one = OneOfEach::make();
    $this->teammate('corin')->forceFill(['calendar_key' => 'corins-own-calendar'])->save();
    [$conversation, $other] = [
        Conversation::query()->findOrFail($one['conversation']),
        Conversation::query()->findOrFail(DB::table('messages')->where('id', $one['answer'])->value('conversation_id')),
    ];
    foreach ([$conversation, $other] as $of) {
        DB::table('conversations')->where('id', $of->id)->update(['subject' => 'Zeppelin matter', 'preview' => 'Zeppelin']);
        DB::table('messages')->where('conversation_id', $of->id)->update(['text' => 'Zeppelin text', 'subject' => 'Zeppelin matter']);
    }
    DB::table('approvals')->where('conversation_id', $conversation->id)->update(['question' => 'Zeppelin question']);
    sortIntoStaff($conversation, $other);
    $more = oneOfStaffWithAll('Zeppelin too', ConversationState::Held);
    app(IndexForSearch::class)->run();
    $pages = [...allPages($one, $more), '/calendar/corins-own-calendar.ics'];
    $seen = [];
    foreach ($pages as $address) {
        // An administrator opens more pages than anybody else.
        $page = Routes::ask($this, 'GET', $address, 'corin');
        expect($page->getStatusCode())->toBeLessThan(500, $address);
        // What was asked for is said again.
        $text = str_replace(['value="zeppelin"', '“zeppelin”', 'q=zeppelin', 'Search: zeppelin'], '', everythingOf($page));
        if (stripos($text, 'zeppelin') !== false || str_contains($text, "conversations/{$more->id}\"")) {
            $seen[] = "{$address}: ".substr($text, max(0, (int) stripos($text, 'zeppelin') - 60), 120);
        }
    }
    expect($seen)->toBe([])
        // It is there for those who may.
        ->and(strip_tags(everythingOf(Routes::ask($this, 'GET', '/search?q=zeppelin', 'ilse'))))->toContain('Zeppelin matter')
        ->and(everythingOf(Routes::ask($this, 'GET', "/conversations/{$more->id}", 'ilse')))->toContain('Zeppelin too');
});

it('counts nothing of it, anywhere', function (): void {
    $one = OneOfEach::make();
    DB::table('news')->delete();
    oneOfStaffWithAll('Zeppelin first', ConversationState::Open);
    $pages = allPages($one, Conversation::query()->findOrFail($one['conversation']));
    $read = function () use ($pages): array {
        $texts = [];
        foreach ($pages as $page) {
            $texts[$page] = preg_replace([
                '/name="_token" value="\w+"/', '/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f-]{22}/', '/mark=[\w.%-]+/', '/content="[^"]+"/',
                '/"X-CSRF-TOKEN": "\w+"/', '/name="opened" value="[^"]+"/',
            ], '', everythingOf(Routes::ask($this, 'GET', $page, 'corin')));
        }

        return $texts;
    };
    $before = $read();
    foreach ([ConversationState::Open, ConversationState::Held, ConversationState::Waiting, ConversationState::Resolved] as $state) {
        oneOfStaffWithAll("Zeppelin {$state->value}", $state);
    }
    $differ = [];
    foreach ($read() as $page => $text) {
        if ($text !== $before[$page]) {
            $lines = array_diff(explode("\n", $text), explode("\n", $before[$page]));
            $differ[] = "{$page}: ".mb_substr(trim(implode(' ', $lines)), 0, 200);
        }
    }
    expect($differ)->toBe([]);
});

it('is there for nobody else by its address, whatever is to be done with it', function (): void {
    $one = OneOfEach::make();
    $ids = [$one['conversation'], DB::table('messages')->where('id', $one['answer'])->value('conversation_id')];
    DB::table('tasks')->where('id', $one['task'])->update(['conversation_id' => $one['conversation']]);
    DB::table('channel_items')->where('id', $one['item'])->update(['conversation_id' => $one['conversation']]);
    sortIntoStaff(...Conversation::query()->findMany($ids)->all());
    $named = '/\{(conversation|message|attachment|approval|scheduled|nudge|started|task|item)\}/';
    $found = [];
    foreach (Routes::all() as $route) {
        [$method, $uri] = explode(' ', $route);
        // Customers rate by a signed address of their own.
        if (preg_match($named, $uri) !== 1 || str_starts_with($uri, 'rate/')) {
            continue;
        }
        foreach (['femi', 'corin'] as $who) {
            $page = Routes::ask($this, $method, Routes::address($route, $one), $who, ['do' => 'withdraw', 'what' => 'like']);
            $status = $page->getStatusCode();
            in_array($status, [403, 404], true) ?: $found[] = "{$who} got {$status} for {$route}";
        }
    }
    expect($found)->toBe([]);
    foreach (OUTSIDERS as $who) {
        Routes::ask($this, 'GET', "/conversations/{$one['conversation']}", $who)->assertNotFound();
        $card = ['conversation' => $one['conversation'], 'by' => 'owner', 'to' => ''];
        Routes::ask($this, 'POST', '/board/move', $who, $card)->assertNotFound();
    }
    Routes::ask($this, 'GET', "/conversations/{$one['conversation']}", 'ilse')->assertOk();
});

it('lies with nobody who does not read it, and is taken, given and handed out among its members', function (): void {
    [$ilse, $mads] = [$this->teammate('ilse'), $this->teammate('mads')];
    $conversation = Mails::conversation();
    app(AssignConversation::class)->assign($conversation, $mads, Actor::application());
    $this->actingAs($mads)->post("/conversations/{$conversation->id}/category", ['category' => $this->staff->id])
        ->assertRedirect('/queue')
        ->assertSessionHas('done', static fn (string $done): bool => str_contains($done, 'for the members of its category alone'));
    expect($conversation->refresh()->owner_id)->toBeNull();
    $this->get("/conversations/{$conversation->id}")->assertNotFound();
    // The next one, by turns, and by name.
    expect(app(TakeConversation::class)->takeNext($mads)?->id)->not->toBe($conversation->id);
    $team = Team::query()->where('name', 'Care')->sole();
    $team->forceFill(['turns' => Method::Even])->save();
    $team->teammates()->sync([$mads->id => ['weight' => 1], $ilse->id => ['weight' => 1]]);
    $conversation->forceFill(['team_id' => $team->id])->save();
    foreach (range(1, 3) as $turn) {
        app(AssignConversation::class)->byTurn($conversation, app(TakeTurns::class), Actor::application());
        expect($conversation->refresh()->owner_id)->toBe($ilse->id);
        app(AssignConversation::class)->assign($conversation, null, Actor::application());
    }
    expect(fn () => app(AssignConversation::class)->assign($conversation, $mads, Actor::application()))
        ->toThrow(ConversationRefused::class, 'Mads')
        ->and(fn () => app(ReachUpwards::class)->reach($conversation, 'too hard', Actor::teammate($ilse)))
        ->toThrow(RoutingRefused::class, 'who reads it')
        ->and(app(TakeConversation::class)->takeNext($ilse)?->id)->toBe($conversation->id);
    // A rule that gives it to somebody else does the rest of what it says.
    $change = app(Changes::class)->get('assign_person', ChangeUse::Rule);
    expect($change->whyNot($conversation, new Chosen((string) $mads->id)))->toContain('members of its category alone')
        ->and($change->whyNot($conversation, new Chosen((string) $ilse->id)))->toBeNull();
});

it('waits where no member is here, and comes to no lead who does not read it', function (): void {
    [$ilse, $mads] = [$this->teammate('ilse'), $this->teammate('mads')];
    $team = Team::query()->where('name', 'Care')->sole();
    $team->forceFill(['turns' => Method::Even, 'fallback_minutes' => 10, 'fallback_team_id' => null])->save();
    $team->teammates()->sync([$mads->id => ['weight' => 1], $ilse->id => ['weight' => 1]]);
    app(SetAvailability::class)->away($ilse, now(), now()->addDay(), '');
    $conversation = Mails::conversation();
    $conversation->forceFill(['team_id' => $team->id])->save();
    sortIntoStaff($conversation);
    app(AssignConversation::class)->byTurn($conversation, app(TakeTurns::class), Actor::application());
    CarbonImmutable::setTestNow(now()->addMinutes(30));
    app(GiveWaitingTurns::class)->give();
    expect($conversation->refresh()->owner_id)->toBeNull()->and($conversation->turn_awaited_since)->not->toBeNull();
    app(SetAvailability::class)->here($ilse->refresh());
    app(GiveWaitingTurns::class)->give();
    expect($conversation->refresh()->owner_id)->toBe($ilse->id);
});

it('tells nobody else of it, in news or by mail, not even who is named in a note', function (): void {
    $conversation = Mails::conversation();
    app(NotifyFromJournal::class)->run();
    DB::table('follows')->insert(['conversation_id' => $conversation->id, 'teammate_id' => $this->teammate('corin')->id, 'entry_id' => 0]);
    $mads = $this->teammate('mads');
    // One told before it was closed, whose mail is still to come.
    $hourly = ['app' => true, 'mail' => 'hourly'];
    $mads->forceFill(['told' => ['noted' => $hourly, 'mentioned' => $hourly]])->save();
    app(AddNote::class)->add($conversation, $this->teammate('ruta'), 'Zeppelin first, @Mads', Str::uuid()->toString());
    app(NotifyFromJournal::class)->run();
    expect(News::of($mads)->count())->toBe(1);
    sortIntoStaff($conversation);
    app(AddNote::class)->add($conversation, $this->teammate('ilse'), 'Zeppelin second, @Mads @Corin', Str::uuid()->toString());
    Mails::take(Mails::raw(['Subject' => "Re: [{$conversation->number()}] Where is my kite"], "Zeppelin third\r\n"));
    app(NotifyFromJournal::class)->run();
    expect(DB::table('news')->where('text', 'like', '%second%')->orWhere('text', 'like', '%third%')->pluck('teammate_id')->all())->toBe([])
        ->and(News::of($mads)->count())->toBe(0);
    $this->actingAs($mads)->get('/news')->assertOk()->assertDontSee('Zeppelin');
    CarbonImmutable::setTestNow(now()->addHours(3));
    (new MailNews)->handle(app(OwnMail::class), app(WhoMayRead::class));
    expect(DB::table('news')->where('teammate_id', $mads->id)->whereNull('mailed_at')->whereNotNull('mail_due_at')->count())->toBe(0);
});

it('is joined with nothing that others read, and what is split off or begun anew stays with its members', function (): void {
    $ilse = $this->teammate('ilse');
    $conversation = Mails::conversation();
    $other = Mails::conversation(['From' => 'Una <una@berg.example>', 'Subject' => 'Another']);
    $first = $conversation->messages()->value('message_id');
    Mails::take(Mails::raw(['In-Reply-To' => "<{$first}>", 'Subject' => 'Re: Where is my kite'], "And another thing\r\n"));
    sortIntoStaff($conversation);
    $this->actingAs($ilse)->post("/conversations/{$conversation->id}/join", ['other' => $other->number()])
        ->assertSessionHas('problem_code', 'read_by_others');
    $this->actingAs($this->teammate('mads'))->post("/conversations/{$other->id}/join", ['other' => $conversation->number()])
        ->assertSessionHas('problem', static fn (string $why): bool => str_contains($why, $conversation->number()))
        ->assertSessionHas('problem_code', 'no_such_number');
    $own = app(SplitOff::class)->split($conversation->messages()->orderByDesc('id')->firstOrFail(), $ilse);
    expect($own->category_id)->toBe($this->staff->id);
    // Over, and answered once more.
    app(ChangeState::class)->resolve($conversation, $ilse, Outcome::query()->firstOrFail(), app(Trail::class)->lastSeen($conversation));
    app(ChangeState::class)->close($conversation->refresh(), Actor::application());
    $again = Mails::take(Mails::raw(['In-Reply-To' => "<{$first}>", 'Subject' => 'Re: Where is my kite'], "Once more\r\n"))->outcome;
    expect($again?->isNew)->toBeTrue()
        ->and(Conversation::query()->findOrFail((int) $again?->conversation)->category_id)->toBe($this->staff->id);
    // Both alike: joined.
    sortIntoStaff($other);
    app(JoinConversations::class)->join($own, [$other], $ilse);
    Routes::ask($this, 'GET', "/conversations/{$other->id}", 'mads')->assertNotFound();
});

it('changes nothing among many for those who do not read it, nor gives it back to them', function (): void {
    $mads = $this->teammate('mads');
    [$one, $other] = [Mails::conversation(), Mails::conversation(['From' => 'una@berg.example', 'Subject' => 'Another'])];
    $this->actingAs($mads)->post('/bulk', ['ids' => [$one->id, $other->id], 'change' => "set_category:{$this->staff->id}"]);
    $bulk = BulkChange::query()->latest('id')->firstOrFail();
    $this->post("/bulk/{$bulk->id}")->assertRedirect();
    expect($one->refresh()->category_id)->toBe($this->staff->id);
    $this->post("/bulk/{$bulk->id}/undo")->assertRedirect();
    expect($one->refresh()->category_id)->toBe($this->staff->id)
        ->and(BulkItem::query()->where('bulk_change_id', $bulk->id)->pluck('reason')->unique()->all())
        ->toBe(['it is for the members of its category alone']);
    $this->get("/bulk/{$bulk->id}")->assertOk()->assertDontSee('Another');
    // By their numbers: they are not there to be chosen.
    $this->post('/bulk', ['ids' => [$one->id], 'change' => 'set_priority:urgent']);
    expect(BulkItem::query()->where('bulk_change_id', BulkChange::query()->max('id'))->count())->toBe(0)
        ->and($one->refresh()->priority->value)->toBe('normal');
});

it('is closed, opened and given other readers by those who read it, or by an administrator, and they learn of it', function (): void {
    [$ilse, $mads, $corin] = [$this->teammate('ilse'), $this->teammate('mads'), $this->teammate('corin')];
    $conversation = Mails::conversation();
    $late = Category::query()->where('name', 'Late parcel')->sole();
    app(SetCategory::class)->set($conversation, $late, Actor::application());
    app(AssignConversation::class)->assign($conversation, $this->teammate('ruta'), Actor::application());
    $save = fn (Category $category, array $with) => $this->post("/sorting/categories/{$category->id}", [
        'name' => $category->name, 'customer_name' => $category->customer_name, 'parent' => $category->parent_id, ...$with,
    ]);
    $says = static fn (string $what): Closure => static fn (string $why): bool => str_contains($why, $what);
    $notTheirs = $says('One of them, or an administrator');
    $this->actingAs($mads);
    $save($late, ['members_only' => '1'])->assertSessionHas('problem', $says('has none who can sign in'));
    expect($late->refresh()->members_only)->toBeNull();
    $save($late, ['members_only' => '1', 'members' => [$mads->id, $ilse->id]])->assertSessionHas('done');
    // Ruta had it, and does not see it any more.
    expect($conversation->refresh()->owner_id)->toBeNull();
    Routes::ask($this, 'GET', "/conversations/{$conversation->id}", 'ruta')->assertNotFound();
    Routes::ask($this, 'GET', "/conversations/{$conversation->id}", 'mads')->assertOk();
    $this->actingAs($mads);
    // Of the other one Mads is no member, though he arranges what conversations are sorted by.
    $save($this->staff, ['members_only' => '1', 'members' => [$mads->id, $ilse->id]])
        ->assertSessionHas('problem', $notTheirs);
    $save($this->staff, ['members_only' => '0', 'members' => [$ilse->id]])->assertSessionHas('problem', $notTheirs);
    $this->post("/sorting/categories/{$this->staff->id}/merge", ['into' => $late->id])
        ->assertSessionHas('problem', $notTheirs);
    $save($this->staff, ['members_only' => '1', 'members' => [$ilse->id], 'position' => 3])->assertSessionHas('done');
    expect(DB::table('news')->where('teammate_id', $ilse->id)->count())->toBe(0);
    $this->actingAs($corin);
    $save($this->staff, ['members_only' => '1', 'members' => [$ilse->id, $corin->id]])->assertSessionHas('done');
    expect(DB::table('news')->where('teammate_id', $ilse->id)->pluck('text')->all())
        ->toBe(['Corin Hale has changed who reads the conversations of “Staff”.']);
});

it('holds for the categories below it, unless they say otherwise, and for administrators where no member is left', function (): void {
    $below = fn (string $name, ?bool $only, array $members = []): Category => tap((new Category)->forceFill([
        'name' => $name, 'customer_name' => $name, 'path' => "Staff › {$name}", 'parent_id' => $this->staff->id, 'position' => 901,
        'members_only' => $only,
    ]), static function (Category $category) use ($members): void {
        $category->save();
        $category->members()->sync($members);
    });
    [$ilse, $mads, $femi, $corin] = array_map(fn (string $name): int => $this->teammate($name)->id, ['ilse', 'mads', 'femi', 'corin']);
    [$pay, $open, $own] = [$below('Pay', null, [$femi]), $below('Rota', false), $below('Sick notes', true, [$mads])];
    $readers = app(WhoMayRead::class);
    $readers->forget();
    expect($readers->of($pay->id))->toEqualCanonicalizing([$ilse, $femi])
        ->and($readers->of($open->id))->toBeNull()
        ->and($readers->of($own->id))->toBe([$mads]);
    $this->teammate('mads')->forceFill(['may_sign_in' => false])->save();
    $readers->forget();
    expect($readers->of($own->id))->toBe([$corin]);
});

it('does not show where a message would go on to those who do not read it', function (): void {
    $conversation = Mails::conversation();
    sortIntoStaff($conversation);
    $try = fn (string $who) => $this->actingAs($this->teammate($who))->post('/routing', [
        'account' => $conversation->account_id, 'from' => 'tomas@hruby.example', 'text' => 'And?',
        'subject' => "Re: [{$conversation->number()}] Where is my kite",
    ]);
    $try('mads')->assertSessionHas('problem_code', 'goes_on_unread');
    $this->staff->members()->sync([$this->teammate('mads')->id]);
    app(WhoMayRead::class)->forget();
    $try('mads')->assertOk()->assertSee($conversation->number());
});

it('takes from people what they do not read, however they have come to it, and leaves the rest', function (): void {
    [$theirs, $others] = [Mails::conversation(), Mails::conversation(['From' => 'una@berg.example', 'Subject' => 'Another'])];
    sortIntoStaff($theirs, $others);
    $theirs->forceFill(['owner_id' => $this->teammate('ilse')->id])->save();
    $others->forceFill(['owner_id' => $this->teammate('mads')->id])->save();
    app(ChangeWhoReads::class)->releaseAll();
    app(ChangeWhoReads::class)->releaseAll();
    expect($theirs->refresh()->owner_id)->toBe($this->teammate('ilse')->id)->and($others->refresh()->owner_id)->toBeNull()
        ->and(DB::table('journal')->where('conversation_id', $others->id)->where('kind', 'owner_changed')->count())->toBe(1);
});

it('goes on with its members when one of them leaves, whoever takes over the rest', function (): void {
    [$ilse, $mads, $femi] = [$this->teammate('ilse'), $this->teammate('mads'), $this->teammate('femi')];
    $this->staff->members()->sync([$ilse->id, $femi->id]);
    app(WhoMayRead::class)->forget();
    [$staffs, $plain] = [Mails::conversation(), Mails::conversation(['From' => 'una@berg.example', 'Subject' => 'Another'])];
    sortIntoStaff($staffs);
    foreach ([$staffs, $plain] as $conversation) {
        $conversation->refresh()->forceFill(['owner_id' => $ilse->id])->save();
        DB::table('tasks')->insert([
            'conversation_id' => $conversation->id, 'assignee_id' => $ilse->id, 'made_by_id' => $ilse->id, 'title' => 'Ask',
            'due_at' => now()->addDay(), 'updated_at' => now(),
        ]);
    }
    $this->actingAs($this->teammate('corin'))->get("/people/{$ilse->id}/leaving")->assertOk()->assertSee('One conversation lies');
    $this->post("/people/{$ilse->id}/deactivate", [
        'conversations_to' => $mads->id, 'tasks_to' => $mads->id, 'planned' => 'send', 'drafts' => 'notes',
    ])->assertSessionHasNoErrors();
    expect($ilse->refresh()->may_sign_in)->toBeFalse()
        ->and($plain->refresh()->owner_id)->toBe($mads->id)->and($staffs->refresh()->owner_id)->toBeNull()
        ->and(DB::table('tasks')->where('conversation_id', $plain->id)->value('assignee_id'))->toBe($mads->id)
        ->and(DB::table('tasks')->where('conversation_id', $staffs->id)->value('assignee_id'))->toBe($femi->id);
});
