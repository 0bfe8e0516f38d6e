<?php

declare(strict_types=1);

use App\Answering\AddNote;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Approvals\AnswerApproval;
use App\Approvals\Approval;
use App\Channels\Channel;
use App\Checklists\StartedChecklist;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Message;
use App\Conversations\SetPriority;
use App\Customers\CustomerGroup;
use App\Notifications\News;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\MoneyOfOrder;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\RefundState;
use App\Refunds\SendPayouts;
use App\Refunds\Worksheet;
use App\Returns\AskReturn;
use App\Returns\DecideReturn;
use App\Returns\FetchLabels;
use App\Returns\ReturnReason;
use App\Rules\AnswerByRule;
use App\Rules\CallHook;
use App\Rules\ChangedBy;
use App\Rules\Hook;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleRun;
use App\Rules\RuleToSave;
use App\Rules\RunOnNews;
use App\Rules\RunOnTime;
use App\Rules\RunRules;
use App\Rules\SaveRule;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Support\StoreSettings;
use App\Tasks\Task;
use App\Templates\FillTemplate;
use App\Templates\SaveTemplate;
use App\Templates\Step;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Bus;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/**
 * @param  list<RuleEvent>|RuleEvent  $when
 * @param  array<string, mixed>  $condition
 * @param  list<array<string, string>>  $actions
 */
function rule(string $name, array|RuleEvent $when, array $condition, array $actions, Way $way = Way::Every, bool $on = true): Rule
{
    $rule = app(SaveRule::class)->save(
        null,
        new RuleToSave(
            $name, $way, (array) (is_array($when) ? $when : [$when]), $condition === [] ? ['all' => []] : $condition,
            array_map(RuleAction::of(...), $actions), '', ChangedBy::Leads
        ),
        test()->teammate('mads')
    );
    app(SaveRule::class)->switch($rule, $on, test()->teammate('mads'));

    return $rule->refresh();
}

function answeringTemplate(string $name, string $text): Template
{
    return app(SaveTemplate::class)->save(
        null,
        new TemplateToSave($name, '', SharedWith::Everybody, null, ['en' => ['subject' => null, 'text' => $text, 'html' => null]], [], []),
        test()->teammate('mads')
    );
}

function runRules(): void
{
    app(RunRules::class)->run();
}

/**
 * @return list<string>
 */
function tagsOf(Conversation $conversation): array
{
    return $conversation->tags()->orderBy('folded')->pluck('name')->all();
}

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    // From now on: what was there before is not looked at.
    runRules();
    $this->has = static fn (string $field, string ...$words): array => ['field' => $field, 'op' => 'has_any_word', 'value' => $words];
});

it('does what a rule says when a message arrives, once, with the reason on the trail', function (): void {
    $late = Category::query()->where('name', 'Late parcel')->firstOrFail();
    $rule = rule('Late parcels', RuleEvent::FirstMessage, [
        'any' => [($this->has)('message_text', 'not come', 'lost'), ($this->has)('subject', 'late')],
    ], [
        [
            'do' => 'set_category', 'value' => (string) $late->id,
        ], ['do' => 'set_priority', 'value' => 'high'], ['do' => 'add_tag', 'text' => 'parcel'],
        [
            'do' => 'assign_person', 'value' => (string) $this->teammate('ruta')->id,
        ], ['do' => 'note', 'text' => 'Look at {{ conversation.number }} first.'],
        [
            'do' => 'checklist', 'value' => (string) DB::table('checklists')->value('id'),
        ], ['do' => 'tell', 'value' => 'leads', 'text' => 'A parcel is late.'],
        ['do' => 'task', 'value' => 'owner', 'text' => 'Ask the carrier', 'hours' => '4'],
    ]);
    $conversation = Mails::conversation();
    runRules();
    runRules();
    $conversation->refresh();
    expect($conversation->category_id)->toBe($late->id)
        ->and($conversation->priority)->toBe(Priority::High)
        ->and($conversation->owner_id)->toBe($this->teammate('ruta')->id)
        ->and(tagsOf($conversation))->toBe(['parcel'])
        ->and(StartedChecklist::query()->where('conversation_id', $conversation->id)->count())->toBe(1)
        ->and(Task::query()->sole()->assignee_id)->toBe($this->teammate('ruta')->id)
        ->and(News::query()->where('kind', 'rule_tells')->where('teammate_id', $this->teammate('mads')->id)->value('text'))
        ->toContain('A parcel is late.');
    $run = RuleRun::query()->sole();
    expect($run->state)->toBe(RuleRun::DONE)->and($run->rule_id)->toBe($rule->id)
        ->and($run->because)->toBe(['Text of the message has “not come”'])
        ->and($run->done[1])->toBe('set the priority to high');
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('Rule “Late parcels”')->assertSee('Text of the message has “not come”')
        ->assertSee('Rule “Late parcels” (Text of the message has “not come”): ')->assertSee('priority high')
        ->assertDontSee('Priority high by the rule “Late parcels”')->assertSee("Look at {$conversation->number()} first.");
    $this->get("/rules/{$rule->id}/runs")->assertSee($conversation->number())->assertSee('add the tag “parcel”');
});

it('tells the first message from later ones, and what state they find', function (): void {
    rule('First', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'first']]);
    rule('Later', RuleEvent::LaterMessage, [], [['do' => 'add_tag', 'text' => 'later']]);
    rule('While waiting', RuleEvent::WroteWhileWaiting, [], [['do' => 'add_tag', 'text' => 'was waiting']]);
    rule('After resolving', RuleEvent::WroteWhenResolved, [], [['do' => 'add_tag', 'text' => 'was resolved']]);
    $conversation = Mails::conversation(['Message-ID' => '<one@hruby.example>']);
    runRules();
    expect(tagsOf($conversation))->toBe(['first']);
    $this->answer($conversation, 'We look.');
    CarbonImmutable::setTestNow('2026-11-23T11:00:00Z');
    Mails::conversation(['In-Reply-To' => '<one@hruby.example>', 'Subject' => 'Re: Where is my kite']);
    runRules();
    expect(tagsOf($conversation))->toBe(['first', 'later', 'was waiting']);
    CarbonImmutable::setTestNow('2026-11-23T12:00:00Z');
    Mails::conversation(['In-Reply-To' => '<one@hruby.example>', 'Subject' => 'Re: Where is my kite']);
    runRules();
    expect(tagsOf($conversation))->toBe(['first', 'later', 'was waiting']);
});

it('runs every rule that matches, but of the ladder only the first, and the last to set a value wins', function (): void {
    rule(
        'Ladder one', RuleEvent::FirstMessage, [],
        [['do' => 'add_tag', 'text' => 'ladder one'], ['do' => 'set_priority', 'value' => 'low']], Way::Ladder
    );
    rule('Ladder two', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'ladder two']], Way::Ladder);
    rule('Every', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'every'], ['do' => 'set_priority', 'value' => 'urgent']]);
    rule('Off', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'off']], on: false);
    $conversation = Mails::conversation();
    runRules();
    expect(tagsOf($conversation))->toBe(['every', 'ladder one'])->and($conversation->refresh()->priority)->toBe(Priority::Urgent)
        // What was overruled was not done at all.
        ->and(JournalEntry::query()->where('conversation_id', $conversation->id)->where('kind', JournalKind::PriorityChanged)->count())
        ->toBe(1);
});

it('looks at each thing once: what did not fit then does not fit a moment later', function (): void {
    rule(
        'Ladder resolves', RuleEvent::FirstMessage, ['field' => 'state', 'op' => 'in', 'value' => ['open']],
        [['do' => 'set_status', 'value' => 'resolved:'.Outcome::query()->value('id')]], Way::Ladder
    );
    rule(
        'Ladder tags', RuleEvent::FirstMessage, ['field' => 'state', 'op' => 'in', 'value' => ['resolved']],
        [['do' => 'add_tag', 'text' => 'wrong']], Way::Ladder
    );
    rule(
        'Important', RuleEvent::FirstMessage, ['field' => 'priority', 'op' => 'in', 'value' => ['urgent']],
        [['do' => 'add_tag', 'text' => 'late']]
    );
    $conversation = Mails::conversation();
    runRules();
    app(SetPriority::class)->set($conversation->refresh(), Priority::Urgent, Actor::teammate($this->teammate('ilse')));
    runRules();
    expect($conversation->refresh()->state)->toBe(ConversationState::Resolved)->and(tagsOf($conversation))->toBe([]);
});

it('runs in the order of their places, and stops where one says so', function (): void {
    $last = rule('Last', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'last']]);
    rule('Stops', RuleEvent::FirstMessage, ($this->has)('subject', 'kite'), [['do' => 'add_tag', 'text' => 'stops'], ['do' => 'stop']]);
    app(SaveRule::class)->put($last, 2);
    $conversation = Mails::conversation();
    $other = Mails::conversation(['Subject' => 'Something else', 'From' => 'x@y.example']);
    runRules();
    expect(tagsOf($conversation))->toBe(['stops'])->and(tagsOf($other))->toBe(['last']);
});

it('wakes other rules, at most five deep, and says which went in a circle', function (): void {
    rule('Tag makes urgent', RuleEvent::TagsChanged, [], [['do' => 'set_priority', 'value' => 'urgent']]);
    rule('Urgent makes tag', RuleEvent::PriorityChanged, [], [['do' => 'add_tag', 'text' => 'urgent one']]);
    $conversation = Mails::conversation();
    app(ChangeTags::class)->change($conversation, [ChangeTags::named('begin')], [], Actor::teammate($this->teammate('ilse')));
    runRules();
    expect($conversation->refresh()->priority)->toBe(Priority::Urgent)->and(tagsOf($conversation))->toBe(['begin', 'urgent one']);
    // Each changes something each time: a circle that never ends by itself.
    rule(
        'Gives', RuleEvent::TagsChanged, ['field' => 'priority', 'op' => 'in', 'value' => ['urgent']],
        [['do' => 'set_priority', 'value' => 'low']]
    );
    rule(
        'Takes', RuleEvent::PriorityChanged, ['field' => 'priority', 'op' => 'in', 'value' => ['low']],
        [['do' => 'remove_tag', 'text' => 'urgent one']]
    );
    app(ChangeTags::class)->change($conversation, [ChangeTags::named('again')], [], Actor::teammate($this->teammate('ilse')));
    for ($round = 0; $round < 3; $round++) {
        runRules();
    }
    expect(RuleRun::query()->count())->toBeLessThan(100);
    $this->actingAs($this->teammate('mads'))->get('/rules')->assertSee('wake each other in a circle');
    $failed = RuleRun::query()->where('state', RuleRun::FAILED)->first();
    expect($failed?->error)->toContain('woken each other 5 deep')
        ->and(News::query()->where('kind', 'rule_failed')->exists())->toBeTrue();
});

it('answers with a template as a person, without taking it or stopping the promise', function (): void {
    $template = answeringTemplate(
        'Receipt', "Hello {{ customer.first_name | \"there\" }}, we have it as {{ conversation.number }}.\n{{ agent.name }}"
    );
    rule(
        'Receipt', RuleEvent::FirstMessage, [],
        [['do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('mads')->id]]
    );
    $conversation = Mails::conversation();
    runRules();
    $message = Message::query()->where('direction', Message::OUT)->sole();
    $conversation->refresh();
    expect($message->text)->toBe("Hello there, we have it as {$conversation->number()}.\nMads Overgaard")
        ->and($message->automatic)->toBeTrue()
        ->and($conversation->state)->toBe(ConversationState::Open)->and($conversation->owner_id)->toBeNull()
        ->and($conversation->waiting_since)->not->toBeNull()->and($conversation->first_replied_at)->toBeNull()
        ->and($template->refresh()->uses)->toBe(1);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->assertSee('we have it as');
});

it('does with its answer what goes along with the template, but gives it to nobody, and resolves as it says', function (): void {
    $outcome = Outcome::query()->where('name', 'Information given')->firstOrFail();
    $template = app(SaveTemplate::class)->save(null, new TemplateToSave('Hours', '', SharedWith::Everybody, null, [
        'en' => ['subject' => null, 'text' => 'From nine to five.', 'html' => null],
    ], [], [
        Step::of('set_priority', 'low'), Step::of('add_tag', 'hours'), Step::of(
            'assign_person', (string) $this->teammate('ruta')->id
        ), Step::of('then', 'waiting'), Step::of('cc', 'all@brindle.example'),
    ]), $this->teammate('mads'));
    rule(
        'Hours', RuleEvent::FirstMessage, [],
        [
            [
                'do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('mads')->id,
                'then' => "resolved:{$outcome->id}",
            ],
        ]
    );
    $conversation = Mails::conversation();
    runRules();
    $conversation->refresh();
    expect([
        $conversation->state, $conversation->outcome_id, $conversation->priority, $conversation->owner_id,
    ])->toBe([ConversationState::Resolved, $outcome->id, Priority::Low, null])
        ->and(tagsOf($conversation))->toBe(['hours'])
        ->and(Message::query()->where('direction', Message::OUT)->sole()->cc ?? [])->toBe([]);
});

it('answers no machine in a conversation with a person', function (): void {
    rule(
        'Later', RuleEvent::LaterMessage, [],
        [['do' => 'answer', 'value' => (string) answeringTemplate('Later', 'We look.')->id, 'as' => (string) $this->teammate('mads')->id]]
    );
    $conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    Mails::take(
        Mails::raw(['Subject' => 'Away', 'In-Reply-To' => '<first@hruby.example>', 'Auto-Submitted' => 'auto-replied'], 'I am away.')
    );
    runRules();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(0)->and($conversation->refresh()->automatic)->toBeFalse();
    Mails::take(Mails::raw(['Subject' => 'Re: x', 'In-Reply-To' => '<first@hruby.example>'], 'Back again: any news?'));
    runRules();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(1);
});

it('answers no machines, nobody twice from one rule, and nobody more than three times a day', function (): void {
    $mads = (string) $this->teammate('mads')->id;
    foreach (['A', 'B', 'C', 'D'] as $letter) {
        rule(
            "Answers {$letter}", [RuleEvent::FirstMessage, RuleEvent::LaterMessage], [],
            [
                ['do' => 'answer', 'value' => (string) answeringTemplate("T{$letter}", "Hello from {$letter}")->id, 'as' => $mads],
                ['do' => 'add_tag', 'text' => $letter],
            ]
        );
    }
    $out = static fn (): int => Message::query()->where('direction', Message::OUT)->count();
    $machine = Mails::conversation(['From' => 'no-reply@shop.example', 'Subject' => 'Newsletter']);
    $absent = Mails::conversation(['From' => 'Kim <kim@rask.example>', 'Subject' => 'Absent', 'Auto-Submitted' => 'auto-replied']);
    runRules();
    expect($out())->toBe(0)->and(tagsOf($machine))->toBe(['A', 'B', 'C', 'D'])
        ->and(RuleRun::query()->where('conversation_id', $absent->id)->firstOrFail()->done[0])->toContain('machines are not answered');
    Mails::conversation();
    runRules();
    expect($out())->toBe(3);
    CarbonImmutable::setTestNow('2026-11-23T12:00:00Z');
    Mails::conversation(['Subject' => 'Another matter']);
    runRules();
    expect($out())->toBe(3)->and(RuleRun::query()->where('state', RuleRun::FAILED)->count())->toBe(0);
    CarbonImmutable::setTestNow('2026-11-24T12:00:01Z');
    Mails::conversation(['Subject' => 'A third matter']);
    runRules();
    expect($out())->toBe(6);
});

it('answers as somebody else when the person has left, and reports when nobody is left', function (): void {
    $template = answeringTemplate('Hello', 'From {{ agent.name }}');
    $rule = rule(
        'Hello', RuleEvent::FirstMessage, [],
        [
            [
                'do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('ruta')->id,
                'instead' => (string) $this->teammate('mads')->id,
            ],
        ]
    );
    $this->teammate('ruta')->forceFill(['may_sign_in' => false])->save();
    Mails::conversation();
    runRules();
    expect(RuleRun::query()->sole()->error)->toContain('choose a person');
    expect($rule->refresh()->last_error)->not->toBeNull();
});

it('runs on many at once, each with what is its own', function (): void {
    $template = answeringTemplate('Hello', 'We have {{ conversation.number }}');
    rule('Many', RuleEvent::FirstMessage, [
        'all' => [
            ['field' => 'tags', 'op' => 'includes_none', 'value' => ['0']],
            ['field' => 'customer_orders', 'op' => 'at_most', 'value' => 3],
            ['field' => 'customer_group', 'op' => 'includes_none', 'value' => ['0']],
        ],
    ], [
        ['do' => 'assign_person', 'value' => (string) $this->teammate('ruta')->id], [
            'do' => 'tell', 'value' => 'owner', 'text' => 'Yours: {{ customer.name }}',
        ], ['do' => 'task', 'value' => 'owner', 'text' => 'Look', 'hours' => '2'],
        [
            'do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('mads')->id,
        ], ['do' => 'set_status', 'value' => 'waiting'],
    ]);
    $all = array_map(
        static fn (string $name): Conversation => Mails::conversation([
            'From' => "{$name} Field <{$name}@field.example>", 'Subject' => "From {$name}",
        ]),
        ['Ann', 'Bea', 'Cid']
    );
    runRules();
    expect(RuleRun::query()->where('state', RuleRun::DONE)->count())
        ->toBe(3)
        ->and(RuleRun::query()->where('state', '!=', RuleRun::DONE)->value('error'))
        ->toBeNull()
        ->and(Message::query()->where('direction', Message::OUT)->orderBy('conversation_id')->pluck('text')->all())
        ->toBe(array_map(static fn (Conversation $one): string => "We have {$one->number()}", $all))
        ->and(News::query()->where('kind', 'rule_tells')->where('teammate_id', $this->teammate('ruta')->id)->count())->toBe(3)
        ->and(Task::query()->count())->toBe(3)
        ->and(Conversation::query()->where('state', ConversationState::Waiting)->count())->toBe(3);
});

it('knows the group of somebody who writes for the first time', function (): void {
    $group = CustomerGroup::query()->where('name', 'Wholesale')->firstOrFail();
    rule(
        'Wholesale', RuleEvent::FirstMessage, ['field' => 'customer_group', 'op' => 'includes', 'value' => [(string) $group->id]],
        [['do' => 'add_tag', 'text' => 'wholesale']]
    );
    $trade = Mails::conversation(['From' => 'Nell Archer <nell@kitebarn.example>', 'Subject' => 'Forty Kestrels']);
    $other = Mails::conversation(['From' => 'Una <una@post.example>', 'Subject' => 'One Kestrel']);
    runRules();
    expect(tagsOf($trade))->toBe(['wholesale'])->and(tagsOf($other))->toBe([]);
});

it('gives back what the delivery cost up to so much, once for an order, and leaves time to take it back', function (): void {
    Queue::fake([SendPayouts::class]);
    $mads = $this->teammate('mads');
    $give = fn (string $most): array => [['do' => 'give_back', 'value' => 'delivery', 'text' => $most, 'as' => (string) $mads->id]];
    rule('less', RuleEvent::FirstMessage, [], $give('5.00 EUR'));
    rule('late', RuleEvent::FirstMessage, [], $give('20.00 EUR'));
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    $ana = ['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late'];
    $conversation = Mails::conversation($ana, 'B-20388 is late.');
    runRules();
    $refund = Refund::query()->with('payouts')->sole();
    expect([$refund->total, $refund->reason, $refund->teammate_id])->toBe([1900, 'Late', $mads->id])->and($refund->hasNotLeft())->toBeTrue()
        ->and(RuleRun::query()->whereHas('rule', fn ($of) => $of->where('name', 'less'))->orderBy('id')->firstOrFail()->done[0])
        ->toContain('€19.00 are above the €5.00 that it gives back');
    Mails::conversation([...$ana, 'Subject' => 'Once more'], 'B-20388 is late, again.');
    runRules();
    expect(Refund::query()->count())->toBe(1);
    app()->call([new SendPayouts, 'handle']);
    // Once a worker is at it, it may have been paid: it is not taken back any more.
    $payout = $refund->payouts()->sole();
    $payout->forceFill(['next_at' => now()->addMinutes(20)])->save();
    $this->actingAs($mads)->post("/refunds/{$refund->id}/withdraw")->assertSessionHas('problem_code', 'has_left');
    $payout->forceFill(['next_at' => $payout->leaves_at])->save();
    $this->actingAs($mads)->get("/refunds/{$refund->id}")->assertSee('Take it back');
    $this->post("/refunds/{$refund->id}/withdraw")->assertSessionHas('done');
    expect($refund->refresh()->state)->toBe(RefundState::Withdrawn)
        ->and(MoneyOfOrder::of($conversation->orders()->sole())->left())->toBe(16300);
    CarbonImmutable::setTestNow(now()->addHour());
    app()->call([new SendPayouts, 'handle']);
    expect($refund->payouts()->sole()->state)->toBe(PayoutState::Failed);
});

it('asks for the yes of a second person with the worksheet, and above the limits of who gives', function (): void {
    [$mads, $ilse] = [$this->teammate('mads'), $this->teammate('ilse')];
    rule('goodwill', RuleEvent::FirstMessage, [],
        [['do' => 'give_back', 'value' => 'goodwill', 'text' => '5.00 EUR', 'as' => (string) $ilse->id]]);
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    $ana = ['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late'];
    $conversation = Mails::conversation($ana, 'B-20388 is late.');
    runRules();
    $approval = Approval::query()->sole();
    expect(Refund::query()->count())->toBe(0)->and($approval->question)->toBe('Give back €5.00 of B-20388: goodwill')
        ->and($conversation->refresh()->state)->toBe(ConversationState::Held);
    app(AnswerApproval::class)->answer($approval, true, '', $mads);
    expect(Refund::query()->sole()->total)->toBe(500);
    Mails::conversation([...$ana, 'Subject' => 'Once more'], 'B-20388 is late, again.');
    runRules();
    expect(Approval::query()->count())->toBe(1)->and(Refund::query()->count())->toBe(1);
});

it('gives nothing back of an order that is not known to be theirs', function (): void {
    rule('late', RuleEvent::FirstMessage, [], [[
        'do' => 'give_back', 'value' => 'delivery', 'text' => '20.00 EUR', 'as' => (string) $this->teammate('mads')->id,
    ]]);
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    Mails::conversation(['From' => 'Una <una@post.example>', 'Subject' => 'Late'], 'B-20388 is late, give me the money.');
    runRules();
    expect(Refund::query()->count())->toBe(0)
        ->and(RuleRun::query()->sole()->done[0])->toContain('no order beside it is known to be theirs');
});

it('runs on the steps of a return, asks why it comes back, and tells the customer with what is known of it', function (): void {
    $why = ['field' => 'return_reason', 'op' => 'in', 'value' => ['Does not fit']];
    rule('asked', RuleEvent::ReturnAsked, $why, [['do' => 'add_tag', 'text' => 'does not fit']]);
    rule('faulty', RuleEvent::ReturnAsked, [...$why, 'value' => ['Faulty']], [['do' => 'add_tag', 'text' => 'faulty']]);
    rule('agreed', RuleEvent::ReturnAgreed, [], [['do' => 'add_tag', 'text' => 'agreed']]);
    rule('declined', RuleEvent::ReturnDeclined, [], [['do' => 'add_tag', 'text' => 'declined']]);
    Queue::fake([FetchLabels::class]);
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Too big'],
        '71-4480217 is too big.');
    $order = $conversation->orders()->sole();
    $return = app(AskReturn::class)->ask(
        $order, [$order->lines()->firstOrFail()->id => 1], ReturnReason::query()->where('name', 'Does not fit')->sole(), '', false,
        $conversation, $this->teammate('mads'), Str::uuid()->toString()
    );
    runRules();
    expect(tagsOf($conversation))->toBe(['does not fit']);
    app(DecideReturn::class)->agree($return, Actor::teammate($this->teammate('mads')));
    runRules();
    expect(tagsOf($conversation))->toBe(['agreed', 'does not fit']);
    $filled = app(FillTemplate::class)->text(
        '{{ return.number }}: {{ return.items }}, {{ return.reason }}, {{ return.state }}, {{ return.label_link }}', 'en', $conversation,
        null
    );
    expect($filled->gaps)->toBe([])->and($filled->text)->toContain("{$return->number()}: 1 × Merlin delta, red, does not fit, agreed, http")
        ->toContain("/label/{$return->label_key}");
});

it('runs when money is to go back, when it could not, and when the order says that it has', function (): void {
    foreach ([
        'asked' => RuleEvent::RefundAsked, 'stuck' => RuleEvent::RefundFailed, 'given' => RuleEvent::MoneyGivenBack,
    ] as $tag => $event) {
        rule($tag, $event, [], [['do' => 'add_tag', 'text' => $tag]]);
    }
    Queue::fake([SendPayouts::class]);
    Http::fake(['*' => Http::response(['message' => 'The card is closed.'], 422)]);
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Torn'], '71-4480217 is torn.');
    $order = $conversation->orders()->sole();
    $sheet = Worksheet::of($order, new ChosenRefund(goodwill: '5'));
    app(IssueRefund::class)->issue(
        $order, $sheet->chosen, $sheet->total(), 'Goodwill', $conversation, $this->teammate('mads'), Str::uuid()->toString()
    );
    runRules();
    expect($sheet->total())->toBe(500)->and(tagsOf($conversation))->toBe(['asked']);
    app()->call([new SendPayouts, 'handle']);
    runRules();
    expect(tagsOf($conversation))->toBe(['asked', 'stuck']);
    // That it has gone back is the order's to say, whoever gave it.
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', [
        'version' => 2,
        'payments' => [['id' => 'pay-1', 'kind' => 'card', 'label' => 'Card …4242', 'captured' => 16300, 'refunded' => 500]],
    ]));
    runRules();
    expect(tagsOf($conversation))->toBe(['asked', 'given', 'stuck']);
});

it('runs on what the shop and the carrier tell', function (): void {
    Http::fake(['*' => Http::response([], 404)]);
    rule('Delivered', RuleEvent::ParcelDelivered, [], [['do' => 'add_tag', 'text' => 'delivered']]);
    rule(
        'Cancelled', RuleEvent::OrderChanged, ['field' => 'order_status', 'op' => 'in', 'value' => ['cancelled']],
        [['do' => 'add_tag', 'text' => 'cancelled']]
    );
    rule('Given back', RuleEvent::MoneyGivenBack, [], [['do' => 'add_tag', 'text' => 'given back']]);
    rule(
        'Unseen', RuleEvent::Noted, ['field' => 'parcel_days_unseen', 'op' => 'at_least', 'value' => 3],
        [['do' => 'add_tag', 'text' => 'unseen']]
    );
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'collected', '2026-11-12T07:00:00Z'));
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late'], 'Where is 71-4480217?');
    runRules();
    expect(tagsOf($conversation))->toBe([]);
    app(AddNote::class)->add($conversation, $this->teammate('ilse'), 'Look.', 'n1');
    runRules();
    expect(tagsOf($conversation))->toBe(['unseen']);
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'delivered', '2026-11-23T09:00:00Z'));
    Services::take(
        Channel::Shop,
        Services::orderBy('ana@wrenfield.example', [
            'version' => 2, 'status' => 'cancelled',
            'payments' => [['id' => 'pay-1', 'kind' => 'card', 'label' => 'Card …4242', 'captured' => 16300, 'refunded' => 16300]],
        ])
    );
    runRules();
    expect(tagsOf($conversation))->toBe(['cancelled', 'delivered', 'given back', 'unseen']);
    $this->actingAs($this->teammate('ilse'))
        ->get("/conversations/{$conversation->id}")
        ->assertSee('Parcel WP7720388: delivered, Aarhus depot')
        ->assertSee('Order B-20388 is cancelled now')
        ->assertSee('Order B-20388: €163.00 given back');
});

it('tells a program elsewhere by a signed request, and again when it does not answer', function (): void {
    $this->actingAs($this->teammate('mads'))->get('/rules/hooks')->assertForbidden();
    $this->actingAs($this->teammate('corin'))
        ->post('/rules/hooks', ['name' => 'Workshop', 'address' => 'ftp://x'])
        ->assertSessionHasErrors('address');
    $this->post('/rules/hooks', ['name' => 'Workshop', 'address' => 'https://workshop.example/tell'])->assertSessionHas('done');
    $hook = Hook::query()->sole();
    expect(DB::table('hooks')->value('secret'))->not->toContain($hook->secret);
    rule(
        'Tells', RuleEvent::FirstMessage, [],
        [['do' => 'add_tag', 'text' => 'told'], ['do' => 'call_hook', 'value' => (string) $hook->id]]
    );
    $requests = [];
    Http::fake(function (Request $request) use (&$requests) {
        $requests[] = $request;

        return Http::response('', count($requests) === 1 ? 503 : 200);
    });
    Bus::fake([CallHook::class]);
    $conversation = Mails::conversation();
    runRules();
    $call = Bus::dispatched(CallHook::class)->sole();
    expect(fn () => $call->handle(app(App\Support\OutsideHosts::class)))->toThrow(RuntimeException::class, 'Workshop answered 503.');
    $call->handle(app(App\Support\OutsideHosts::class));
    [$first, $second] = $requests;
    expect($second->body())->toBe($first->body())->and($second->url())->toBe('https://workshop.example/tell')
        ->and($second->header('Cairnfield-Signature')[0])
        ->toBe(hash_hmac('sha256', $second->header('Cairnfield-Time')[0].'.'.$second->body(), $hook->secret))
        ->and(json_decode($second->body(), true)['conversation'])
        ->toMatchArray(['number' => $conversation->number(), 'tags' => ['told'], 'state' => 'open']);
    $this->post("/rules/hooks/{$hook->id}/retire")->assertSessionHas(
        'problem', '“Workshop” is needed by the rule “Tells”. Change it or switch it off first.'
    );
    // Tried for the last time: administrators are told, once an hour.
    $call->failed(new RuntimeException('Workshop answered 503.'));
    $call->failed(new RuntimeException('Workshop answered 503.'));
    expect($hook->refresh()->last_error)->toBe('Workshop answered 503.')
        ->and(News::query()->where('kind', 'rule_failed')->sole()->text)
        ->toBe('The webhook “Workshop” could not be told, although it was tried 5 times: Workshop answered 503.')
        ->and(News::query()->where('kind', 'rule_failed')->sole()->teammate_id)->toBe($this->teammate('corin')->id);
});

it('reports what cannot be filled, and lets the others go on', function (): void {
    $template = answeringTemplate('Order', 'Your order {{ order.number }} is on its way.');
    $rule = rule(
        'Fails', RuleEvent::FirstMessage, [],
        [
            ['do' => 'add_tag', 'text' => 'half done'],
            ['do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('mads')->id],
        ]
    );
    rule('Goes on', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'went on']]);
    $conversation = Mails::conversation();
    runRules();
    // All that a rule does, or nothing of it.
    expect(tagsOf($conversation))->toBe(['went on'])
        ->and($rule->refresh()->last_error)->toContain('“Order” needs {{ order.number }}')
        ->and(JournalEntry::query()->where('kind', JournalKind::RuleFailed)->sole()->why)->toContain('{{ order.number }}');
    $this->actingAs($this->teammate('mads'))->get('/rules')->assertSee('of which nothing is known here');
});

it('stops a rule that sends too many at once, until somebody says go on', function (): void {
    app(StoreSettings::class)->put(AnswerByRule::MOST_A_MINUTE, 2);
    $rule = rule(
        'Floods', RuleEvent::FirstMessage, [],
        [['do' => 'answer', 'value' => (string) answeringTemplate('T', 'Hello')->id, 'as' => (string) $this->teammate('mads')->id]]
    );
    foreach (range(1, 5) as $number) {
        Mails::conversation(['From' => "p{$number}@post.example", 'Subject' => "Matter {$number}"]);
    }
    runRules();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(2)->and($rule->refresh()->stopped_at)->not->toBeNull()
        ->and($rule->last_error)->toContain('more than 2 answers in a minute');
    CarbonImmutable::setTestNow('2026-11-23T10:05:00Z');
    Mails::conversation(['From' => 'p6@post.example', 'Subject' => 'Matter 6']);
    runRules();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(2);
    $this->actingAs($this->teammate('mads'))->get('/rules')->assertSee('Go on answering');
    $this->post("/rules/{$rule->id}/go-on")->assertSessionHas('done');
    Mails::conversation(['From' => 'p7@post.example', 'Subject' => 'Matter 7']);
    runRules();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(3);
});

it('passes over a rule that asks for what is gone, and says so', function (): void {
    $rule = rule('Asks', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'x']]);
    $rule->forceFill(['condition' => ['field' => 'own.gone', 'op' => 'is', 'value' => 'x']])->save();
    rule('Other', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'other']]);
    $conversation = Mails::conversation();
    runRules();
    expect(tagsOf($conversation))->toBe(['other'])->and($rule->refresh()->last_error)->toContain('“own.gone”, which is not there any more');
});

it('resolves, holds and brings back', function (): void {
    $outcome = Outcome::query()->where('name', 'Information given')->firstOrFail();
    rule(
        'Holds', RuleEvent::FirstMessage, ($this->has)('subject', 'hold'),
        [['do' => 'set_status', 'value' => 'held', 'text' => 'the bench looks', 'hours' => '8']]
    );
    rule(
        'Resolves', RuleEvent::FirstMessage, ($this->has)('subject', 'thanks'),
        [['do' => 'set_status', 'value' => "resolved:{$outcome->id}"]]
    );
    rule(
        'Brings back', RuleEvent::Noted, ['field' => 'state', 'op' => 'in', 'value' => ['held']],
        [['do' => 'set_status', 'value' => 'open']]
    );
    $held = Mails::conversation(['Subject' => 'Please hold']);
    $thanks = Mails::conversation(['Subject' => 'Many thanks', 'From' => 'a@b.example']);
    runRules();
    expect($held->refresh()->state)
        ->toBe(ConversationState::Held)
        ->and($held->bring_back_at?->toIso8601ZuluString())
        ->toBe('2026-11-24T10:00:00Z')
        ->and($thanks->refresh()->state)->toBe(ConversationState::Resolved)->and($thanks->outcome_id)->toBe($outcome->id);
    app(AddNote::class)->add($held, $this->teammate('femi'), 'It is here.', 'n1');
    runRules();
    expect($held->refresh()->state)->toBe(ConversationState::Open);
});

it('asks of message, customer, order and the hour', function (string $field, string $op, mixed $value, bool $fits): void {
    rule('Asks', RuleEvent::FirstMessage, ['field' => $field, 'op' => $op, 'value' => $value], [['do' => 'add_tag', 'text' => 'fits']]);
    $conversation = Mails::conversation(['From' => 'Ana <ana@club.kites.example>']);
    runRules();
    expect(tagsOf($conversation))->toBe($fits ? ['fits'] : []);
})->with([
    [
        'sender_domain', 'in', ['club.kites.example'], true,
    ], ['sender_domain', 'ends_with', 'kites.example', true], ['sender_domain', 'in', ['kites.example'], false],
    ['weekday', 'in', ['1'], true], ['weekday', 'in', ['6', '7'], false], ['in_hours', 'is', true, true], ['in_hours', 'is', false, false],
    ['customer_orders', 'at_most', 0, true], ['order_total', 'more_than', 1, false], ['message_has_file', 'is', false, true],
    ['done_by', 'in', ['customer'], true], ['channel', 'in', ['email'], true], [
        'message_subject', 'has_all_words', ['kite', 'where'], true,
    ],
]);

it('gives out by turns, to those who are here and have room, and rather to who speaks the language', function (): void {
    rule('Go round', RuleEvent::FirstMessage, [], [['do' => 'assign_person', 'value' => 'turn']]);
    $this->teammate('mads')->forceFill(['away_from' => now()->subHour(), 'away_until' => now()->addDay()])->save();
    $owners = [];
    foreach (range(1, 5) as $number) {
        $owners[] = Mails::conversation(['From' => "Customer {$number} <customer{$number}@hruby.example>"]);
        runRules();
    }
    // By share: three to Ilse for two to Ruta, none to Mads, who is away, nor to Corin, whose share is none.
    expect(
        array_map(static fn (Conversation $one): ?string => $one->refresh()->owner?->firstName(), $owners)
    )->toBe(['Ilse', 'Ruta', 'Ilse', 'Ruta', 'Ilse']);
    $german = Mails::conversation(
        ['From' => 'Anke <anke@sturm.example>', 'Subject' => 'Drachen'],
        "Guten Tag,\r\nmein Drachen ist leider noch nicht bei mir angekommen, können Sie bitte nachsehen?\r\n"
    );
    $again = Mails::conversation(
        ['From' => 'Bernd <bernd@sturm.example>', 'Subject' => 'Schnur'],
        "Guten Tag,\r\nich möchte gerne wissen, welche Schnur ich für den Drachen nehmen soll.\r\n"
    );
    runRules();
    expect($german->refresh()->owner?->firstName())->toBe('Ruta')->and($again->refresh()->owner?->firstName())->toBe('Ruta');
});

it('leaves a conversation where it is when nobody’s turn it can be, and says why', function (): void {
    rule('Go round', RuleEvent::FirstMessage, [], [['do' => 'assign_person', 'value' => 'turn']]);
    DB::table('team_teammate')->update(['cap' => 1]);
    foreach (['ilse', 'mads', 'ruta'] as $name) {
        $conversation = Mails::conversation(['From' => "{$name} <customer-{$name}@hruby.example>"]);
        runRules();
        expect($conversation->refresh()->owner_id)->not->toBeNull();
    }
    $last = Mails::conversation(['From' => 'Last <last@hruby.example>']);
    $atBench = Mails::conversation(['From' => 'Other <other@hruby.example>', 'To' => 'returns@brindle.example']);
    runRules();
    expect($last->refresh()->owner_id)->toBeNull()
        ->and(RuleRun::query()->where('conversation_id', $last->id)->sole()->done)
        ->toBe([
            'give it to whoever’s turn it is in its team',
        ])
        // It is given as soon as somebody can take it.
        ->and($last->turn_awaited_since)->not->toBeNull()
        ->and($atBench->refresh()->owner_id)->toBeNull()
        ->and(RuleRun::query()->where('conversation_id', $atBench->id)->sole()->done[0])
        ->toContain('the team Returns bench takes no turns');
});

it('answers as somebody else while the person is away, and gives to the lead on duty', function (): void {
    $template = answeringTemplate('Arrived', "Hello,\n\nwe have it.\n\n{{ agent.first_name }}");
    rule(
        'Receipt', RuleEvent::FirstMessage, [],
        [
            [
                'do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('ilse')->id,
                'instead' => (string) $this->teammate('ruta')->id,
            ],
            ['do' => 'assign_person', 'value' => 'lead'],
        ]
    );
    $here = Mails::conversation(['From' => 'One <one@hruby.example>']);
    runRules();
    $this->teammate('ilse')->forceFill(['away_from' => now()->subMinute()])->save();
    $away = Mails::conversation(['From' => 'Two <two@hruby.example>']);
    runRules();
    $as = static fn (Conversation $one): string => (string) Message::query()
        ->where('conversation_id', $one->id)
        ->where('direction', Message::OUT)
        ->sole()
        ->teammate?->firstName();
    expect([$as($here), $as($away), $here->refresh()->owner?->firstName()])->toBe(['Ilse', 'Ruta', 'Mads']);
});

it('asks how upset a customer sounds', function (): void {
    rule(
        'Upset', [RuleEvent::FirstMessage, RuleEvent::LaterMessage], ['field' => 'mood', 'op' => 'in', 'value' => ['upset']],
        [['do' => 'set_priority', 'value' => 'urgent']]
    );
    $calm = Mails::conversation();
    $upset = Mails::conversation(['From' => 'Eva <eva@sturm.example>'], "This is ridiculous, I am not happy.\r\n");
    runRules();
    expect($calm->refresh()->priority)->toBe(Priority::Normal)
        ->and($upset->refresh()->priority)->toBe(Priority::Urgent)
        ->and(RuleRun::query()->sole()->because)->toBe(['Mood is upset']);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$upset->id}")->assertSee('Sounds upset: “ridiculous”, “not happy”');
    // What says nothing of it leaves it as it was; thanks end it.
    $number = $upset->number();
    Mails::take(
        Mails::raw(['From' => 'Eva <eva@sturm.example>', 'Subject' => "Re: [{$number}] Where is my kite"], "It is order B-20001.\r\n")
    );
    expect($upset->refresh()->mood->value)->toBe('upset');
    Mails::take(
        Mails::raw(
            ['From' => 'Eva <eva@sturm.example>', 'Subject' => "Re: [{$number}] Where is my kite"],
            "It is here, wonderful. Thank you so much.\r\n"
        )
    );
    expect($upset->refresh()->mood->value)->toBe('pleased');
});

it('asks how it went, once, and runs on what the customer says', function (): void {
    $template = answeringTemplate('How was it?', 'How did we do? {{ rating.link }}');
    $as = ['as' => (string) $this->teammate('ilse')->id];
    rule(
        'Ask', RuleEvent::StateChanged, ['field' => 'state', 'op' => 'in', 'value' => ['resolved']],
        [['do' => 'ask_rating', 'value' => (string) $template->id, ...$as]]
    );
    rule(
        'Few stars', RuleEvent::Rated, ['field' => 'rating', 'op' => 'at_most', 'value' => 2],
        [['do' => 'set_status', 'value' => 'open'], ['do' => 'tell', 'value' => 'leads', 'text' => 'Few stars']]
    );
    rule(
        'Known for few stars', RuleEvent::FirstMessage, ['field' => 'customer_ratings', 'op' => 'at_most', 'value' => 2],
        [['do' => 'set_priority', 'value' => 'high']]
    );
    $conversation = Mails::conversation();
    $resolve = function () use ($conversation): void {
        $this->answer($conversation->refresh(), 'It is on its way.');
        app(ChangeState::class)->resolveUnchecked(
            $conversation->refresh(), Actor::teammate($this->teammate('ilse')), Outcome::query()->firstOrFail()
        );
    };
    $resolve();
    runRules();
    $asked = Message::query()->where('conversation_id', $conversation->id)->where('text', 'like', '%/rate/%')->sole();
    preg_match('#/rate/\S+#', $asked->text, $link);
    expect($conversation->refresh()->state)->toBe(ConversationState::Resolved)->and($conversation->rating_asked_at)->not->toBeNull();
    $this->post($link[0], ['score' => '1', 'comment' => 'Too slow'])->assertOk();
    runRules();
    expect($conversation->refresh()->state)->toBe(ConversationState::Open)
        ->and(RuleRun::query()->whereHas('rule', fn ($rules) => $rules->where('name', 'Few stars'))->sole()->because)
        ->toBe(['Stars for our answers is at most 2'])
        ->and(News::query()->where('kind', 'rule_tells')->where('text', 'like', '%Few stars%')->count())->toBe(1);
    CarbonImmutable::setTestNow('2026-11-25T10:00:00Z');
    $resolve();
    runRules();
    expect(RuleRun::query()->where('conversation_id', $conversation->id)->orderByDesc('id')->value('done'))->toBe([
        'not: ask for a rating with “How was it?” as Ilse Norrby, since they have rated it already',
    ]);
    $again = Mails::conversation(['Subject' => 'Another kite']);
    runRules();
    expect($again->refresh()->customer_id)->toBe($conversation->customer_id)->and($again->priority)->toBe(Priority::High);
});

it('refuses to ask for a rating with a template in which nobody could rate', function (): void {
    $template = answeringTemplate('Greetings', 'All the best.');
    expect(
        fn () => RuleAction::of(['do' => 'ask_rating', 'value' => (string) $template->id, 'as' => (string) $this->teammate('ilse')->id])
    )->toThrow('has no {{ rating.link }} in “en”');
});

it('asks for an approval, once at a time, and runs on the answer', function (): void {
    rule(
        'Large orders', RuleEvent::TagsChanged, ['field' => 'tags', 'op' => 'is_not_empty'],
        [['do' => 'ask_approval', 'value' => 'leads', 'text' => 'May {{ conversation.number }} be given back?']]
    );
    rule('Yes', RuleEvent::ApprovalGiven, [], [['do' => 'note', 'text' => 'Go ahead.']]);
    $conversation = Mails::conversation();
    foreach (['refund', 'large'] as $tag) {
        app(ChangeTags::class)->change($conversation, [ChangeTags::named($tag)], [], Actor::teammate($this->teammate('ilse')));
        runRules();
    }
    $approval = Approval::query()->sole();
    expect($conversation->refresh()->state)
        ->toBe(ConversationState::Held)
        ->and($approval->question)
        ->toBe("May {$conversation->number()} be given back?")
        ->and(RuleRun::query()->orderByDesc('id')->value('done')[0])->toContain('since an approval is asked for already');
    $this->actingAs($this->teammate('mads'))->post("/approvals/{$approval->id}", ['do' => 'give'])->assertSessionHas('done');
    runRules();
    $this->get("/conversations/{$conversation->id}")->assertSee('Go ahead.')->assertSee('Rule “Yes”');
});

it('tells who writes to what was closed how to write anew', function (): void {
    rule(
        'Begun anew', RuleEvent::FirstMessage, ['field' => 'goes_on', 'op' => 'is', 'value' => true],
        [
            [
                'do' => 'answer',
                'value' => (string) answeringTemplate('Anew', 'It is {{ conversation.number }} now, or {{ store.form_link }}')->id,
                'as' => (string) $this->teammate('ilse')->id,
            ],
        ]
    );
    rule('Marks it', RuleEvent::WroteWhenClosed, [], [['do' => 'add_tag', 'text' => 'begun anew']]);
    $conversation = Mails::conversation();
    $number = $conversation->number();
    $conversation->forceFill(['state' => ConversationState::Closed])->save();
    Mails::take(Mails::raw(['Subject' => "Re: [{$number}] Where is my kite"]));
    $plain = Mails::conversation(['From' => 'Eva <eva@sturm.example>']);
    runRules();
    $new = Conversation::query()->where('linked_conversation_id', $conversation->id)->sole();
    expect(tagsOf($new))->toBe(['begun anew'])->and(tagsOf($plain))->toBe([]);
    expect(Message::query()->where('conversation_id', $new->id)->where('direction', Message::OUT)->sole()->text)
        ->toContain("It is {$new->number()} now")
        ->toContain('/forms/')
        ->and(Message::query()->where('conversation_id', $plain->id)->where('direction', Message::OUT)->count())->toBe(0);
});

it('does its work on a queue of its own', function (): void {
    expect([(new RunOnNews)->queue, (new RunOnTime)->queue])->toBe(['rules', 'rules']);
    rule('Late', RuleEvent::FirstMessage, [], [['do' => 'add_tag', 'text' => 'looked at']]);
    $conversation = Mails::conversation();
    Bus::dispatchSync(new RunOnNews);
    Bus::dispatchSync(new RunOnTime);
    expect(tagsOf($conversation))->toBe(['looked at']);
});

it('does not read the mood from the subject of an answer, which is old', function (): void {
    $conversation = Mails::conversation(['Subject' => 'This is ridiculous']);
    expect($conversation->refresh()->mood->value)->toBe('upset');
    Mails::take(Mails::raw(['Subject' => "Re: [{$conversation->number()}] This is ridiculous"], "All is well now, I am delighted.\r\n"));
    expect($conversation->refresh()->mood->value)->toBe('pleased');
});

it('looks at what happened next as the rules before have left it', function (): void {
    rule('First', RuleEvent::FirstMessage, [], [['do' => 'set_priority', 'value' => 'urgent'], ['do' => 'add_tag', 'text' => 'seen']]);
    rule(
        'Next', RuleEvent::Noted,
        [
            'all' => [
                ['field' => 'priority', 'op' => 'in', 'value' => ['urgent']], ['field' => 'tags', 'op' => 'is_not_empty'],
                ['not' => ['field' => 'parcel_days_unseen', 'op' => 'at_least', 'value' => 90]],
            ],
        ],
        [['do' => 'add_tag', 'text' => 'noted']]
    );
    // Both happen before the rules look.
    $conversation = Mails::conversation();
    app(AddNote::class)->add($conversation, $this->teammate('ilse'), 'Look.', 'n1');
    runRules();
    expect(tagsOf($conversation))->toBe(['noted', 'seen']);
});

it('says on the trail that a rule answered in somebody’s name', function (): void {
    $conversation = Mails::conversation();
    $mads = $this->teammate('mads');
    app(CurrentCause::class)->during(Cause::rule(5, 'Receipts', 1, 1), fn () => app(SendReply::class)->send(
        $conversation, $mads, new ReplyToSend('We have it.', [], ConversationState::Open, null, 'once', 0, automatic: true)
    ));
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('The rule “Receipts”')->assertSee('in the name of Mads Overgaard');
    $this->answer($conversation->refresh(), 'And so do I.');
    $this->get("/conversations/{$conversation->id}")->assertSee('And so do I.');
});

it('leaves an answer out that cannot be filled where the rule says so, and does the rest', function (): void {
    $template = answeringTemplate('Order', 'Your order {{ order.number }} is on its way.');
    $rule = rule('Leaves it', RuleEvent::FirstMessage, [], [
        ['do' => 'add_tag', 'text' => 'before'],
        ['do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('mads')->id, 'gap' => 'leave'],
        ['do' => 'set_priority', 'value' => 'high'],
    ]);
    expect($rule->actions[1]['gap'])->toBe('leave');
    $conversation = Mails::conversation();
    runRules();
    $run = RuleRun::query()->sole();
    expect(tagsOf($conversation))->toBe(['before'])->and($conversation->refresh()->priority)->toBe(Priority::High)
        ->and(Message::query()->where('direction', Message::OUT)->count())->toBe(0)
        ->and($run->state)->toBe(RuleRun::DONE)->and($run->done[1])->toContain('not: answer')->toContain('{{ order.number }}')
        ->and($rule->refresh()->last_error)->toBeNull();
    $this->actingAs($this->teammate('mads'))->get("/rules/{$rule->id}")->assertSee('do the rest without it')
        ->assertSee('value="leave" checked', false);
});
