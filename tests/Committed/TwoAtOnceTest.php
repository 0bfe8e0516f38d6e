<?php

declare(strict_types=1);

use App\Answering\AddNote;
use App\Answering\AskPartner;
use App\Answering\Draft;
use App\Answering\ForwardMessages;
use App\Answering\KeepDraft;
use App\Answering\ReplyToSend;
use App\Answering\ScheduleReply;
use App\Answering\SendReply;
use App\Approvals\AnswerApproval;
use App\Approvals\AskApproval;
use App\Approvals\SpendingLimits;
use App\Channels\Channel;
use App\Checklists\Checklist;
use App\Checklists\StartedChecklist;
use App\Checklists\WorkThroughChecklist;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\TakeConversation;
use App\Customers\FindDuplicates;
use App\Customers\MergeCustomers;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnFields;
use App\Joining\JoinConversations;
use App\Nudges\Nudge;
use App\Nudges\NudgePlan;
use App\Nudges\SendNudges;
use App\Nudges\StartNudge;
use App\Orders\Order;
use App\Ratings\RateConversation;
use App\Receiving\Calls\WriteDownCall;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\SettlePayout;
use App\Rules\ChangedBy;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleToSave;
use App\Rules\SaveRule;
use App\Sorting\ArrangeFields;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Support\StoreSettings;
use App\Tasks\KeepTasks;
use App\Tasks\Task;
use App\Team\Teammate;
use App\Templates\SaveTemplate;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use App\Workspace\Trail;
use Cairnfield\Core\Rules\Way;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\App\Mails;
use Tests\App\Services;

it('keeps a draft for the first time twice in one moment, as sending while writing does', function (): void {
    $conversation = Mails::conversation();
    $ilse = $this->teammate('ilse');
    foreach (range(1, 3) as $round) {
        Draft::query()->delete();
        $failures = $this->atOnce(
            6, fn (int $number) => app(KeepDraft::class)->text($conversation, $ilse, Draft::REPLY, "written {$number}")
        );
        expect(array_filter($failures))->toBe([], "round {$round}")
            ->and(Draft::query()->sole()->text)->toStartWith('written ');
    }
});

it('sends an answer once, whoever presses how often, while its draft is being kept', function (): void {
    $conversation = Mails::conversation();
    $ilse = $this->teammate('ilse');
    $seen = app(Trail::class)->lastSeen($conversation);
    $failures = $this->atOnce(6, fn (int $number) => $number % 2 === 0
        ? app(SendReply::class)->send(
            $conversation, $ilse, new ReplyToSend('Hello Tomas.', [], ConversationState::Waiting, null, 'one-form', $seen)
        )
        : app(KeepDraft::class)->unlessSent(
            $conversation, $ilse, Draft::REPLY, 'one-form',
            fn () => app(KeepDraft::class)->text($conversation, $ilse, Draft::REPLY, 'Hello Tomas.')
        ));
    expect(array_filter($failures))->toBe([])
        ->and(Message::query()->where('direction', Message::OUT)->count())->toBe(1)
        ->and(DB::table('outbox')->count())->toBe(1)
        ->and(Draft::query()->count())->toBe(0);
});

it('makes a new tag once where several people give it at once', function (): void {
    $conversations = array_map(static fn (int $number) => Mails::conversation(['From' => "p{$number}@hruby.example"]), range(0, 4));
    $mads = $this->teammate('mads');
    $failures = $this->atOnce(
        5,
        fn (int $number) => app(ChangeTags::class)->change(
            $conversations[$number], [ChangeTags::named('Batch K')], [], Actor::teammate($mads)
        )
    );
    expect(array_filter($failures))->toBe([])
        ->and(Tag::query()->where('folded', 'batch k')->count())->toBe(1)
        ->and(DB::table('conversation_tag')->count())->toBe(5);
});

it('gives the next one to each of those who ask at once, and to nobody what another has', function (): void {
    foreach (range(1, 4) as $number) {
        Mails::conversation(['From' => "q{$number}@hruby.example"]);
    }
    $people = array_map($this->teammate(...), ['ilse', 'mads', 'ruta', 'corin', 'ilse']);
    $failures = $this->atOnce(5, fn (int $number) => app(TakeConversation::class)->takeNext($people[$number]));
    expect(array_filter($failures))->toBe([])
        ->and(DB::table('conversations')->whereNull('owner_id')->count())->toBe(0)
        ->and(DB::table('journal')->where('kind', 'owner_changed')->count())->toBe(4);
});

it('keeps what one of several people writes into a field at once, whole', function (): void {
    $field = app(ArrangeFields::class)->make(About::Customer, 'Size', FieldKind::Choices, ['S', 'M', 'L'], false);
    $customer = Mails::conversation()->customer_id;
    foreach ([[], [['S']]] as $before) {
        DB::table('own_values')->delete();
        $before === [] ?: app(OwnFields::class)->keep($field, $customer, $before[0]);
        $failures = $this->atOnce(
            5, fn (int $number) => app(OwnFields::class)->keep($field, $customer, $number % 2 === 0 ? ['S', 'M'] : ['L'])
        );
        $kept = DB::table('own_values')->where('about_id', $customer)->orderBy('position')->pluck('text')->all();
        expect(array_filter($failures))->toBe([])->and($kept)->toBeIn([['S', 'M'], ['L']]);
    }
});

it('gives a conversation to one of those who take it at once, and says to the others whose it is', function (): void {
    $conversation = Mails::conversation();
    $people = array_map($this->teammate(...), ['ilse', 'mads', 'ruta', 'corin']);
    $failures = $this->atOnce(4, fn (int $number) => app(TakeConversation::class)->take($conversation, $people[$number]));
    $owner = $conversation->refresh()->owner->name;
    expect(array_filter($failures))->toHaveCount(3)
        ->and(array_values(array_unique(array_filter($failures))))->toHaveCount(1)
        ->and(array_values(array_filter($failures))[0])->toContain($owner)
        ->and(DB::table('journal')->where('kind', 'owner_changed')->count())->toBe(1);
});

it('begins one conversation of mail that two workers take at once', function (): void {
    $raw = Mails::raw(['Message-ID' => '<same@hruby.example>']);
    Mails::conversation(['Subject' => 'Known already', 'Message-ID' => '<before@hruby.example>']);
    $failures = $this->atOnce(4, fn () => Mails::take($raw));
    expect(array_filter($failures))->toBe([])
        ->and(Message::query()->where('message_id', 'same@hruby.example')->count())->toBe(1);
});

it('sends a reminder once, however many look for what is due, and while somebody calls it off', function (): void {
    $conversation = Mails::conversation();
    $this->answer($conversation, 'Could you send a photo?');
    $ilse = $this->teammate('ilse');
    $template = app(SaveTemplate::class)
        ->save(
            null,
            new TemplateToSave(
                'Again', '', SharedWith::Everybody, null,
                ['en' => ['subject' => null, 'text' => 'Did you see it?', 'html' => null]], [], []
            ),
            $ilse
        )
        ->id;
    $plan = (new NudgePlan)->forceFill([
        'name' => 'Photo', 'steps' => [['days' => 1, 'template' => $template]], 'end_days' => 1, 'end_template_id' => null,
        'end_outcome_id' => Outcome::query()->firstOrFail()->id,
    ]);
    $plan->save();
    $nudge = app(StartNudge::class)->start($conversation->refresh(), $plan, $ilse, Actor::teammate($ilse));
    $nudge->forceFill(['next_at' => now()->subMinute()])->save();
    $failures = $this->atOnce(
        5,
        fn (int $number) => $number === 4 ? app(StartNudge::class)
            ->callOff($nudge, Actor::teammate($ilse), 'by Ilse') : app(SendNudges::class)
            ->run()
    );
    $sent = Message::query()->where('automatic', true)->count();
    expect(array_filter($failures))->toBe([])
        ->and($sent)->toBeIn([0, 1])
        ->and($nudge->refresh()->state)->toBe(Nudge::CALLED_OFF)
        ->and($nudge->sent)->toBe($sent)
        ->and(DB::table('journal')->where('kind', 'nudge_called_off')->count())->toBe(1);
});

it('has one nudge plan at work where several are started at once', function (): void {
    $conversation = Mails::conversation();
    $this->answer($conversation, 'Could you send a photo?');
    $ilse = $this->teammate('ilse');
    $plan = (new NudgePlan)->forceFill([
        'name' => 'Photo', 'steps' => [['days' => 1, 'template' => 1]], 'end_days' => 1, 'end_template_id' => null,
        'end_outcome_id' => Outcome::query()->firstOrFail()->id,
    ]);
    $plan->save();
    $failures = $this->atOnce(4, fn () => app(StartNudge::class)->start($conversation, $plan, $ilse, Actor::teammate($ilse)));
    expect(array_filter($failures))->toBe([])
        ->and(Nudge::query()->where('state', Nudge::RUNNING)->count())->toBe(1)
        ->and(Nudge::query()->count())->toBe(4);
});

it('takes an order and its parcel once, whoever tells of them in one moment', function (): void {
    $order = Services::order();
    $scan = Services::scan('WP7720388', 'collected', '2026-11-12T07:00:00Z');
    $failures = $this->atOnce(
        6,
        fn (int $number) => $number % 2 === 0 ? Services::take(Channel::Shop, $order) : Services::take(Channel::WrenParcel, $scan)
    );
    expect(array_filter($failures))->toBe([])
        ->and(DB::table('orders')->count())->toBe(1)
        ->and(DB::table('order_lines')->count())->toBe(2)
        ->and(DB::table('order_payments')->count())->toBe(1)
        ->and(DB::table('parcels')->count())->toBe(1)
        ->and(DB::table('parcels')->value('order_id'))->toBe(DB::table('orders')->value('id'))
        ->and(DB::table('parcel_scans')->count())->toBe(1)
        ->and(DB::table('customers')->where('name', 'Ana Wrenfield')->count())->toBe(1);
});

it('proposes two customers once where each is looked at in the same moment', function (): void {
    $order = static fn (string $number, string $email): array => Services::order([
        'id' => $number, 'number' => $number, 'sold_on' => null, 'parcels' => [],
        'customer' => [
            'id' => null, 'name' => 'Ana Wrenfield', 'email' => $email, 'telephone' => '20 00 01 88',
            'address' => ['lines' => ["At {$number}"], 'country' => 'DK'],
        ],
    ]);
    Services::take(Channel::Shop, $order('B-20101', 'ana@wrenfield.example'));
    Services::take(Channel::Shop, $order('B-20102', 'ana@work.example'));
    DB::table('duplicate_proposals')->delete();
    $customers = DB::table('customers')->where('name', 'Ana Wrenfield')->pluck('id')->all();
    $failures = $this->atOnce(4, fn (int $number) => (new FindDuplicates((int) $customers[$number % 2]))->handle());
    expect(array_filter($failures))->toBe([])->and(DB::table('duplicate_proposals')->count())->toBe(1);
});

it('merges two customers in one direction where two people do it the other way round at once', function (): void {
    $one = Mails::conversation(['From' => 'ana@home.example'])->customer;
    $other = Mails::conversation(['From' => 'ana@work.example'])->customer;
    $mads = $this->teammate('mads');
    $failures = $this->atOnce(4, fn (int $number) => $number % 2 === 0
        ? app(MergeCustomers::class)->merge($one, $other, $mads)
        : app(MergeCustomers::class)->merge($other, $one, $mads));
    expect(array_filter($failures))->toHaveCount(3)
        ->and(DB::table('customer_merges')->count())->toBe(1)
        ->and(DB::table('customers')->whereNotNull('merged_into_id')->count())->toBe(1)
        ->and(DB::table('conversations')->distinct()->pluck('customer_id')->count())->toBe(1);
});

it('joins one conversation to one other, whoever else joins them the other way round', function (): void {
    $one = Mails::conversation(['Message-ID' => '<one@hruby.example>']);
    $other = Mails::conversation(['Message-ID' => '<other@hruby.example>', 'Subject' => 'Another matter']);
    $people = array_map($this->teammate(...), ['ilse', 'mads', 'ruta', 'corin']);
    $failures = $this->atOnce(4, fn (int $number) => $number % 2 === 0
        ? app(JoinConversations::class)->join($one, [$other], $people[$number])
        : app(JoinConversations::class)->join($other, [$one], $people[$number]));
    expect(DB::table('conversations')->whereNotNull('joined_into_id')->count())->toBe(1)
        ->and(array_filter($failures))->toHaveCount(3)
        ->and(implode(' ', $failures))->not->toContain('Deadlock')->not->toContain('QueryException');
});

it('resolves once, with one outcome, where several people resolve at once', function (): void {
    $conversation = Mails::conversation();
    $seen = app(Trail::class)->lastSeen($conversation);
    $outcomes = Outcome::query()->orderBy('id')->limit(3)->get()->all();
    $people = array_map($this->teammate(...), ['ilse', 'mads', 'ruta']);
    $failures = $this->atOnce(
        3, fn (int $number) => app(ChangeState::class)->resolve($conversation, $people[$number], $outcomes[$number], $seen)
    );
    expect(array_filter($failures))->toHaveCount(2)
        ->and($conversation->refresh()->state)->toBe(ConversationState::Resolved)
        ->and(DB::table('journal')->where('kind', 'state_changed')->count())->toBe(1);
});

it('ticks a task off once, and a step of a checklist', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->post(
        "/conversations/{$conversation->id}/tasks",
        [
            'title' => 'Ask the workshop', 'assignee' => $this->teammate('ilse')->id,
            'due_at' => now()->addDays(3)->format('Y-m-d\TH:i'), 'remind' => '',
        ]
    );
    $this->post(
        "/conversations/{$conversation->id}/checklists",
        ['checklist' => Checklist::query()->where('name', 'Damaged on arrival')->value('id')]
    );
    $task = Task::query()->sole();
    $started = StartedChecklist::query()->sole();
    $ilse = $this->teammate('ilse');
    $failures = $this->atOnce(4, function (int $number) use ($task, $started, $ilse): void {
        app(KeepTasks::class)->tick($task, true, $ilse);
        app(WorkThroughChecklist::class)->tick($started, $number, true, $ilse);
    });
    expect(array_filter($failures))->toBe([])
        ->and(DB::table('journal')->where('kind', 'task_done')->count())->toBe(1)
        ->and($started->refresh()->doneCount())->toBe(4);
});

it('takes one answer to a question, whoever says yes and no in one moment', function (): void {
    $conversation = Mails::conversation();
    $approval = app(AskApproval::class)->ask($conversation, 'Give back 40.00 EUR', null, Actor::teammate($this->teammate('ilse')));
    $people = array_map($this->teammate(...), ['mads', 'corin', 'mads', 'corin']);
    $failures = $this->atOnce(
        4, fn (int $number) => app(AnswerApproval::class)->answer($approval, $number % 2 === 0, 'It was worn.', $people[$number])
    );
    expect(array_filter($failures))->toHaveCount(3)
        ->and(implode(' ', $failures))->not->toContain('QueryException')
        ->and(DB::table('journal')->where('kind', 'approval_answered')->count())->toBe(1);
});

it('asks for one approval at a time, whoever asks', function (): void {
    $conversation = Mails::conversation();
    $people = array_map($this->teammate(...), ['ilse', 'ruta', 'ilse']);
    $failures = $this->atOnce(
        3,
        fn (int $number) => app(AskApproval::class)->ask($conversation, "Question {$number}", null, Actor::teammate($people[$number]))
    );
    expect(array_filter($failures))->toHaveCount(2)->and(DB::table('approvals')->count())->toBe(1);
});

it('takes a message for one conversation where it is answered and joined elsewhere in one moment', function (): void {
    $one = Mails::conversation(['Message-ID' => '<one@hruby.example>']);
    $other = Mails::conversation(['Message-ID' => '<other@hruby.example>', 'Subject' => 'Another matter']);
    $mads = $this->teammate('mads');
    $raw = Mails::raw([
        'In-Reply-To' => '<other@hruby.example>', 'Message-ID' => '<late@hruby.example>', 'Subject' => 'Re: Another matter',
    ]);
    $failures = $this->atOnce(
        2, fn (int $number) => $number === 0 ? app(JoinConversations::class)->join($one, [$other], $mads) : Mails::take($raw)
    );
    $message = Message::query()->where('message_id', 'late@hruby.example')->sole();
    expect(array_filter($failures))->toBe([])
        ->and($message->conversation_id)->toBeIn([$one->id, $other->id])
        ->and($one->refresh()->state)->toBe(ConversationState::Open)
        ->and(DB::table('conversations')->where('state', 'open')->whereNull('joined_into_id')->count())->toBe(1);
});

it('does once what is sent twice in one moment, whatever the form', function (Closure $do, Closure $count): void {
    $conversation = Mails::conversation(['Message-ID' => '<once@hruby.example>']);
    $ilse = $this->teammate('ilse');
    $failures = $this->atOnce(4, fn () => $do($conversation, $ilse));
    expect(array_filter($failures))->toBe([])->and($count())->toBe(1);
})->with([
    'forwarding' => [
        fn (Conversation $conversation, Teammate $ilse) => app(ForwardMessages::class)->forward(
            $conversation, $ilse, ['workshop@brindle.example'], 'Please look', [], [], 'one-form'
        ),
        fn (): int => Message::query()->where('forwarded', true)->count(),
    ],
    'asking a partner' => [
        fn (Conversation $conversation, Teammate $ilse) => app(AskPartner::class)->ask(
            $conversation, $ilse, null, 'Workshop', 'workshop@brindle.example', 'Is it batch K?', 'one-form'
        ),
        fn (): int => DB::table('partner_threads')->count(),
    ],
    'a note' => [
        fn (Conversation $conversation, Teammate $ilse) => app(AddNote::class)->add(
            $conversation, $ilse, 'The workshop has it', 'one-form'
        ),
        fn (): int => DB::table('notes')->count(),
    ],
    'an answer for later' => [
        fn (Conversation $conversation, Teammate $ilse) => app(ScheduleReply::class)->schedule(
            $conversation, $ilse,
            new ReplyToSend('Tomorrow.', [], ConversationState::Waiting, null, 'one-form', app(Trail::class)->lastSeen($conversation)),
            now()->addDay(), false
        ),
        fn (): int => DB::table('scheduled_replies')->count(),
    ],
    'a call' => [
        fn (Conversation $conversation, Teammate $ilse) => app(WriteDownCall::class)->write(
            $ilse, 'Ana Wrenfield, 20 00 01 88', 'Where is my kite?', 'one-form'
        ),
        fn (): int => Message::query()->where('text', 'like', 'Ana Wrenfield%')->count(),
    ],
    'a rating' => [
        fn (Conversation $conversation) => app(RateConversation::class)->rate($conversation, 5, 'Quick!'),
        fn (): int => DB::table('ratings')->count(),
    ],
    'a rule’s note' => [
        fn (Conversation $conversation) => app(AddNote::class)->byRule($conversation, 'Third time this month', 'rule-1-entry-2'),
        fn (): int => DB::table('notes')->count(),
    ],
]);

it('leaves rules in an order, each at a place of its own, however many are put elsewhere at once', function (): void {
    $mads = $this->teammate('mads');
    $open = ['field' => 'state', 'op' => 'in', 'value' => ['open']];
    $rules = array_map(static fn (int $number) => app(SaveRule::class)->save(null, new RuleToSave(
        "Rule {$number}", Way::Every, [RuleEvent::Noted], $open, [
            RuleAction::of(['do' => 'add_tag', 'text' => "tag {$number}"]),
        ], '', ChangedBy::Leads, null,
    ), $mads), range(1, 5));
    $failures = $this->atOnce(4, fn (int $number) => app(SaveRule::class)->put($rules[$number], 5 - $number));
    expect(array_filter($failures))->toBe([])
        ->and(DB::table('rules')->orderBy('place')->pluck('place')->all())->toBe([1, 2, 3, 4, 5]);
});

it('keeps one of two templates, rules and plans of one name, whoever saves first', function (): void {
    $plan = static fn () => (new NudgePlan)
        ->forceFill([
            'name' => 'Photo', 'steps' => [['days' => 1, 'template' => 1]], 'end_days' => 1,
            'end_outcome_id' => Outcome::query()->firstOrFail()->id,
        ])
        ->save();
    $this->atOnce(3, $plan);
    expect(DB::table('nudge_plans')->count())->toBe(1);
});

it('holds the limit for one customer against two orders that are given back of in one moment', function (): void {
    Queue::fake();
    app(StoreSettings::class)->put(SpendingLimits::NAME, ['limits' => ['care' => [
        'refund' => ['EUR' => 20000], 'customer' => ['EUR' => 12000], 'goodwill' => [],
    ], 'lead' => []], 'second_above' => null, 'remind' => 2]);
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', [
        'sold_on' => null, 'id' => 'ord_20389', 'number' => 'B-20389', 'parcels' => [],
    ]));
    $orders = Order::query()->with('lines')->orderBy('id')->get();
    expect($orders[0]->customer_id)->not->toBeNull()->toBe($orders[1]->customer_id);
    $people = array_map($this->teammate(...), ['ilse', 'ruta']);
    $failures = $this->atOnce(4, fn (int $number) => app(IssueRefund::class)->issue(
        $orders[$number % 2], new ChosenRefund([$orders[$number % 2]->lines[0]->id => 1]), 11900, 'Faulty', null,
        $people[intdiv($number, 2)], "press-{$number}", within: app(SpendingLimits::class)
    ));
    expect(count(array_filter($failures)))->toBe(3)->and(implode(' ', $failures))->not->toContain('Deadlock')
        ->and(Refund::query()->count())->toBe(1);
});

it('gives back once what several people give back at once, and ends it once, whoever says that it is through', function (): void {
    Queue::fake();
    Services::take(Channel::Shop, Services::order());
    $order = Order::query()->with('lines')->sole();
    $mads = $this->teammate('mads');
    $conversation = Mails::conversation();
    $chosen = new ChosenRefund([$order->lines[0]->id => 1]);
    $failures = $this->atOnce(6, fn (int $number) => app(IssueRefund::class)->issue(
        $order, $chosen, 11900, 'Faulty', $conversation, $mads, "press-{$number}"
    ));
    expect(count(array_filter($failures)))->toBe(5)->and(Refund::query()->count())->toBe(1)
        ->and((int) DB::table('payouts')->sum('amount'))->toBe(11900);
    $payout = DB::table('payouts')->value('id');
    $failures = $this->atOnce(4, fn () => app(SettlePayout::class)->settle($payout, PayoutState::Done, 'rf_1'));
    expect(array_filter($failures))->toBe([])
        ->and(DB::table('journal')->where('kind', 'refund_ended')->count())->toBe(1)
        ->and(DB::table('refunds')->value('state'))->toBe('done');
});
