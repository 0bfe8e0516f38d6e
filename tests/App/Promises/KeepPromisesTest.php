<?php

declare(strict_types=1);

use App\Answering\CallBack;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Channels\Channel;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\SetPriority;
use App\Customers\CustomerGroup;
use App\Customers\SortIntoGroups;
use App\Joining\SplitOff;
use App\Promises\AgreedTime;
use App\Promises\AgreeTime;
use App\Promises\CheckPromises;
use App\Promises\Promise;
use App\Promises\PromisedKind;
use App\Promises\PromiseSet;
use App\Promises\PromiseSetToSave;
use App\Promises\SavePromiseSet;
use App\Promises\TellPromises;
use App\Rules\ChangedBy;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleToSave;
use App\Rules\RunRules;
use App\Rules\SaveRule;
use App\Sorting\Outcome;
use App\Support\StoreSettings;
use App\Workspace\Trail;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * On a Monday; open from 08:00 to 16:00 UTC, four hours for each answer, unless a test promises otherwise.
 */
beforeEach(function (): void {
    $this->at = static fn (string $time): bool => CarbonImmutable::setTestNow(
        str_contains($time, '-') ? "{$time}:00Z" : "2026-11-23T{$time}:00Z"
    ) === null;
    config(['cairnfield.outbox.call_back_seconds' => 10]);
    ($this->at)('09:00');
    $this->state = app(ChangeState::class);
    $this->ilse = $this->teammate('ilse');
    $this->actingAs($this->ilse);
    $this->resolve = fn (Conversation $conversation) => $this->state->resolveUnchecked(
        $conversation, Actor::teammate($this->ilse), Outcome::query()->where('name', 'Information given')->sole()
    );
    // What runs and what has ended, in short.
    $this->promises = static fn (Conversation $conversation): array => array_values(Promise::query()
        ->where('conversation_id', $conversation->id)->orderBy('started_at')->orderBy('id')->get()
        ->map(static fn (Promise $one): string => implode(' ', array_filter([
            $one->kind->value, $one->state->value, $one->due_at?->format('H:i'),
            $one->kept === null ? '' : ($one->kept ? 'kept' : 'missed'),
        ])))->all());
    $this->due = static fn (Conversation $conversation): ?string => $conversation->refresh()->due_at?->format('D H:i');
    $this->set = static fn (array $seconds, array $condition = ['all' => []], ?PromiseSet $set = null): PromiseSet => app(
        SavePromiseSet::class
    )->save($set, new PromiseSetToSave('Quick', $condition, array_map(
        static fn (string $kind, int $hours): array => [
            'kind' => $kind, 'seconds' => ['normal' => $hours * 3600, 'urgent' => 1800], 'calendar' => null, 'warn_before' => 600,
            'runs_in' => $kind === 'resolve' ? ['open', 'held'] : [],
        ], array_keys($seconds), $seconds
    )), null);
    $this->agree = fn (Conversation $conversation, string $at) => app(AgreeTime::class)->agree(
        $conversation, CarbonImmutable::parse($at), 'she is at work until then', $this->ilse
    );
    $this->kinds = static fn (Conversation $conversation, JournalKind ...$kinds): int => JournalEntry::query()
        ->where('conversation_id', $conversation->id)->whereIn('kind', $kinds)->count();
});

it('promises a first reply from when the customer wrote, and the next from when they wrote again', function (): void {
    $conversation = Mails::conversation();
    expect(($this->promises)($conversation))->toBe(['first_reply running 13:00'])->and(($this->due)($conversation))->toBe('Mon 13:00')
        ->and($conversation->due_kind)->toBe(PromisedKind::FirstReply)
        ->and(array_map(static fn (int $at): string => gmdate('H:i', $at), $conversation->stones_fall_at))
        ->toBe(['10:00', '11:00', '12:00']);
    ($this->at)('10:00');
    $this->answer($conversation, 'Tomorrow.');
    expect(($this->promises)($conversation))->toBe(['first_reply done kept'])->and(($this->due)($conversation))->toBeNull();
    ($this->at)('15:00');
    Mails::take(Mails::raw(['Subject' => "Re: [{$conversation->number()}]"], 'When tomorrow?'));
    Mails::take(Mails::raw(['Subject' => "Re: [{$conversation->number()}]"], 'Hello?'));
    expect(($this->promises)($conversation))->toBe(['first_reply done kept', 'next_reply running 11:00'])
        ->and(($this->due)($conversation))->toBe('Tue 11:00');
});

it('is as it was before an answer that is called back, also one that resolved it', function (ConversationState $then): void {
    $conversation = Mails::conversation();
    $before = [$conversation->refresh()->only(['due_at', 'due_kind', 'stones_fall_at', 'next_up']), ($this->promises)($conversation)];
    ($this->at)('09:05');
    $outcome = Outcome::query()->where('name', 'Information given')->sole();
    app(SendReply::class)->send($conversation, $this->ilse, new ReplyToSend(
        'Tomorrow.', [], $then, $then === ConversationState::Resolved ? $outcome : null, 'once-1',
        app(Trail::class)->lastSeen($conversation)
    ));
    expect(($this->due)($conversation))->toBeNull();
    app(CallBack::class)->byAuthor($conversation->messages()->where('direction', 'out')->sole(), $this->ilse);
    expect([$conversation->refresh()->only(['due_at', 'due_kind', 'stones_fall_at', 'next_up']), ($this->promises)($conversation)])
        ->toEqual($before);
})->with([ConversationState::Waiting, ConversationState::Resolved, ConversationState::Open]);

it('keeps no word of a rule for an answer, and goes on while it waits', function (): void {
    $conversation = Mails::conversation();
    $this->state->wait($conversation, Actor::application());
    expect(($this->promises)($conversation))->toBe(['first_reply running 13:00'])->and(($this->due)($conversation))->toBe('Mon 13:00');
});

it('drops what a resolved matter no longer needs, and promises anew when they write again', function (): void {
    $conversation = Mails::conversation();
    ($this->resolve)($conversation);
    expect(($this->promises)($conversation))->toBe([])->and(($this->due)($conversation))->toBeNull();
    ($this->at)('10:00');
    Mails::take(Mails::raw(['Subject' => "Re: [{$conversation->number()}]"], 'Not at all.'));
    expect(($this->promises)($conversation))->toBe(['next_reply running 14:00']);
});

it('measures by the priority that it has, and tells again what moved away', function (): void {
    $set = ($this->set)(['first_reply' => 2]);
    $conversation = Mails::conversation();
    app(SetPriority::class)->set($conversation, Priority::Urgent, Actor::teammate($this->ilse));
    expect(($this->due)($conversation))->toBe('Mon 09:30');
    ($this->at)('09:31');
    expect(app(TellPromises::class)->tell())->toBe(1)->and(($this->kinds)($conversation, JournalKind::PromiseMissed))->toBe(1);
    app(SetPriority::class)->set($conversation, Priority::Normal, Actor::teammate($this->ilse));
    expect(($this->due)($conversation))->toBe('Mon 11:00')->and(Promise::query()->sole()->missed_at)->toBeNull();
    ($this->at)('11:01');
    expect(app(TellPromises::class)->tell())->toBe(1)->and(($this->kinds)($conversation, JournalKind::PromiseMissed))->toBe(2);
    app(SetPriority::class)->set($conversation, Priority::Low, Actor::teammate($this->ilse));
    expect(($this->promises)($conversation))->toBe([])->and(($this->due)($conversation))->toBeNull()
        ->and($set->refresh()->version)->toBe(1);
});

it('owes an update while it is held, and runs the clock of the whole only in its states', function (): void {
    ($this->set)(['update' => 3, 'resolve' => 10]);
    $conversation = Mails::conversation();
    $this->answer($conversation, 'We look into it.', then: ConversationState::Open);
    ($this->at)('10:00');
    $this->state->hold($conversation, Actor::teammate($this->ilse), 'the bench', null);
    expect(($this->promises)($conversation))->toBe(['resolve running 19:00', 'update running 12:00']);
    ($this->at)('11:00');
    $this->state->wait($conversation, Actor::teammate($this->ilse));
    expect(($this->promises)($conversation))->toBe(['resolve paused', 'update dropped'])->and(($this->due)($conversation))->toBeNull();
    ($this->at)('13:00');
    $this->state->open($conversation, Actor::teammate($this->ilse));
    expect(($this->promises)($conversation))->toBe(['resolve running 21:00', 'update dropped', 'update running 16:00']);
});

it('has a marketplace’s deadline beside what the store promises, whichever is sooner', function (): void {
    Services::take(Channel::Marrowby, Services::orderMessage('Where is it?', ['answer_by' => '2026-11-23T10:30:00Z']));
    $conversation = Conversation::query()->sole();
    expect(($this->promises)($conversation))->toBe(['first_reply running 13:00', 'marketplace running 10:30'])
        ->and(($this->due)($conversation))->toBe('Mon 10:30');
    // Agreeing another time with the customer changes nothing for the marketplace.
    ($this->agree)($conversation, '2026-11-24T12:00:00Z');
    expect(($this->due)($conversation))->toBe('Mon 10:30');
    ($this->at)('10:45');
    $this->answer($conversation, 'On its way.');
    expect(($this->promises)($conversation))->toBe(['first_reply done kept', 'marketplace done missed']);
});

it('applies the first set that fits, and another as soon as that one fits', function (): void {
    $group = CustomerGroup::query()->where('name', 'Wholesale')->sole();
    ($this->set)(['first_reply' => 1], ['all' => [['field' => 'customer_group', 'op' => 'includes', 'value' => [(string) $group->id]]]]);
    $conversation = Mails::conversation(['From' => 'Bo <bo@kitebarn.example>']);
    $other = Mails::conversation();
    // Who writes for the first time is sorted into the groups at once; whoever comes into one later, then.
    expect(($this->due)($conversation))->toBe('Mon 10:00')->and(($this->due)($other))->toBe('Mon 13:00');
    $group->forceFill(['conditions' => [['field' => 'email domain', 'is' => 'hruby.example']]])->save();
    app(SortIntoGroups::class)->all($group);
    expect(($this->due)($conversation))->toBe('Mon 13:00')->and(($this->due)($other))->toBe('Mon 10:00')
        ->and(($this->kinds)($conversation, JournalKind::PromiseSetApplied))->toBe(2);
});

it('reckons anew what runs when a set, its order or its hours change, and leaves what has ended', function (): void {
    $done = Mails::conversation(['From' => 'done@x.example']);
    $this->answer($done, 'Yes.');
    $conversation = Mails::conversation();
    ($this->at)('09:01');
    $set = ($this->set)(['first_reply' => 2]);
    expect(($this->due)($conversation))->toBe('Mon 11:00')
        ->and(Promise::query()->where('conversation_id', $done->id)->sole()->target)->toBe(4 * 3600);
    app(SavePromiseSet::class)->put($set, 2);
    expect(($this->due)($conversation))->toBe('Mon 13:00');
    $this->actingAs($this->teammate('mads'))->post('/hours/'.DB::table('calendars')->value('id').'/days', [
        'date' => '2026-11-23', 'open' => '9-10',
    ])->assertSessionHas('done');
    expect(($this->due)($conversation))->toBe('Tue 12:00')
        ->and(($this->promises)($done))->toBe(['first_reply done kept']);
    app(SavePromiseSet::class)->switch(PromiseSet::query()->where('name', 'Everybody')->sole(), false, $this->ilse);
    expect(($this->due)($conversation))->toBe('Mon 11:00');
    app(SavePromiseSet::class)->retire($set, true, $this->ilse);
    expect(($this->due)($conversation))->toBeNull()->and(app(CheckPromises::class)->differences($conversation))->toBe([])
        ->and(app(CheckPromises::class)->differences($done))->toBe([]);
});

it('calls nobody for what a change of the sets alone has made late', function (): void {
    $conversation = Mails::conversation();
    ($this->at)('12:00');
    ($this->set)(['first_reply' => 1]);
    expect(($this->due)($conversation))->toBe('Mon 10:00')->and(app(TellPromises::class)->tell())->toBe(0);
});

it('tells of a warning and a miss once, whoever looks, and as soon as it can after a rest', function (): void {
    $conversation = Mails::conversation();
    ($this->at)('12:29');
    expect(app(TellPromises::class)->tell())->toBe(0);
    ($this->at)('12:30');
    expect(app(TellPromises::class)->tell())->toBe(1)->and(app(TellPromises::class)->tell())->toBe(0);
    ($this->at)('2026-11-24T07:00');
    expect(app(TellPromises::class)->tell())->toBe(1)->and(app(TellPromises::class)->tell())->toBe(0)
        ->and(($this->kinds)($conversation, JournalKind::PromiseWarned, JournalKind::PromiseMissed))->toBe(2);
    // What was missed while nobody looked needs no warning any more.
    $other = Mails::conversation(['From' => 'late@x.example']);
    ($this->at)('2026-11-24T20:00');
    expect(app(TellPromises::class)->tell())->toBe(1)->and(($this->kinds)($other, JournalKind::PromiseWarned))->toBe(0);
});

it('goes on being owed where it was joined into another, and is answered there', function (): void {
    $one = Mails::conversation(['From' => 'one@x.example', 'Message-ID' => '<one@x.example>']);
    ($this->at)('09:30');
    $two = Mails::conversation(['From' => 'two@x.example', 'Message-ID' => '<two@x.example>']);
    $before = [($this->promises)($one), ($this->promises)($two), ($this->due)($one), ($this->due)($two)];
    $this->post("/conversations/{$two->id}/join", ['other' => $one->number()])->assertSessionHas('done');
    expect(($this->due)($two))->toBe('Mon 13:00')->and(($this->promises)($one))->toBe(['first_reply running 13:00']);
    $this->post("/conversations/{$one->id}/separate")->assertSessionHas('done');
    expect([($this->promises)($one), ($this->promises)($two), ($this->due)($one), ($this->due)($two)])->toBe($before);
    $this->post("/conversations/{$two->id}/join", ['other' => $one->number()]);
    ($this->at)('14:00');
    $this->answer($two->refresh(), 'Both of you: tomorrow.');
    expect(($this->promises)($one))->toBe(['first_reply done missed'])->and(($this->promises)($two))->toBe(['first_reply done missed'])
        ->and(($this->due)($two))->toBeNull();
});

it('goes with a message that is split off, from when that was written', function (): void {
    $conversation = Mails::conversation(['Message-ID' => '<first@x.example>']);
    $this->answer($conversation, 'Tomorrow.');
    ($this->at)('10:00');
    Mails::take(Mails::raw(['In-Reply-To' => '<first@x.example>', 'Subject' => "[{$conversation->number()}]"], 'And another thing.'));
    ($this->at)('11:00');
    $own = app(SplitOff::class)->split($conversation->messages()->where('direction', 'in')->orderByDesc('id')->firstOrFail(), $this->ilse);
    expect(($this->promises)($own))->toBe(['first_reply running 14:00'])
        ->and(($this->promises)($conversation))->toBe(['first_reply done kept'])->and(($this->due)($conversation))->toBeNull();
});

it('is as it was before a change of many that is undone', function (): void {
    $conversation = Mails::conversation();
    $before = ($this->promises)($conversation);
    $outcome = Outcome::query()->where('name', 'Information given')->sole();
    $this->post('/bulk', [
        'ids' => [$conversation->id], 'change' => "set_status:resolved:{$outcome->id}", 'text' => '', 'view' => 'my-turn',
    ]);
    $bulk = DB::table('bulk_changes')->value('id');
    $this->post("/bulk/{$bulk}");
    expect(($this->promises)($conversation))->toBe([]);
    $this->post("/bulk/{$bulk}/undo");
    expect($conversation->refresh()->state)->toBe(ConversationState::Open)->and(($this->promises)($conversation))->toBe($before);
});

it('owes nothing to junk, and counts from when it is taken back', function (): void {
    $conversation = Mails::conversation();
    $this->post("/conversations/{$conversation->id}/junk");
    expect(($this->promises)($conversation))->toBe([]);
    Mails::take(Mails::raw(['Subject' => "[{$conversation->number()}]"], 'Buy!'));
    expect(($this->due)($conversation))->toBeNull();
    ($this->at)('11:00');
    $this->post("/conversations/{$conversation->id}/not-junk");
    expect(($this->due)($conversation))->toBe('Mon 15:00');
});

it('sorts by the time that was agreed, warns of it, and still says what was promised', function (): void {
    $conversation = Mails::conversation();
    ($this->agree)($conversation, '2026-11-24T12:00:00Z');
    expect(($this->due)($conversation))->toBe('Tue 12:00')->and($conversation->due_kind)->toBe(PromisedKind::Agreed)
        ->and(($this->promises)($conversation))->toBe(['first_reply running 13:00']);
    ($this->at)('2026-11-24T11:00');
    // What the set promised was missed meanwhile; of what was agreed there is a warning.
    expect(app(TellPromises::class)->tell())->toBe(2);
    $answered = $this->answer($conversation, 'As agreed.');
    expect(AgreedTime::query()->sole()->ended_by)->toBe(AgreedTime::ANSWERED)
        ->and(($this->promises)($conversation))->toBe(['first_reply done missed']);
    app(CallBack::class)->byAuthor($answered, $this->ilse);
    expect(AgreedTime::query()->sole()->ended_at)->toBeNull()->and(($this->due)($conversation))->toBe('Tue 12:00');
    app(AgreeTime::class)->takeBack($conversation, $this->ilse);
    expect(($this->due)($conversation))->toBe('Mon 13:00');
});

it('refuses to agree what cannot be', function (string $at, string $reason, string $refused): void {
    $conversation = Mails::conversation();
    expect(fn () => app(AgreeTime::class)->agree($conversation, CarbonImmutable::parse($at), $reason, $this->ilse))->toThrow($refused);
    expect(AgreedTime::query()->count())->toBe(0);
})->with([
    'a time that has passed' => ['2026-11-23T08:59:00Z', 'because', 'still to come'],
    'without a reason' => ['2026-11-24T08:59:00Z', ' ', 'Write why'],
]);

it('lets rules act on a warning and a miss', function (): void {
    $rule = app(SaveRule::class)->save(null, new RuleToSave(
        'Missed', Way::Every, [RuleEvent::PromiseMissed], ['all' => [['field' => 'promise', 'op' => 'in', 'value' => ['first_reply']]]],
        [RuleAction::of(['do' => 'set_priority', 'value' => 'urgent'])], '', ChangedBy::Leads
    ), $this->teammate('mads'));
    app(SaveRule::class)->switch($rule, true, $this->teammate('mads'));
    app(RunRules::class)->run();
    $conversation = Mails::conversation();
    app(RunRules::class)->run();
    ($this->at)('13:00');
    app(TellPromises::class)->tell();
    app(RunRules::class)->run();
    expect($conversation->refresh()->priority)->toBe(Priority::Urgent);
});

it('finds each night what is stored otherwise than the journal says, tells the administrators, and mends it', function (): void {
    $conversation = Mails::conversation();
    DB::table('promises')->update(['due_at' => '2026-11-30 10:00:00']);
    app(CheckPromises::class)->run();
    $report = app(StoreSettings::class)->get(CheckPromises::REPORT);
    expect($report['count'])->toBe(1)->and($report['differences'][0]['stored']['due_at'])->toBe('2026-11-30 10:00:00')
        ->and(($this->promises)($conversation))->toBe(['first_reply running 13:00'])
        ->and(DB::table('news')->where('kind', 'installation')->count())->toBe(1);
    app(CheckPromises::class)->run();
    expect(app(StoreSettings::class)->get(CheckPromises::REPORT)['count'])->toBe(0);
});
