<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\ChangeState;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Message;
use App\Conversations\SetPriority;
use App\Notifications\News;
use App\Nudges\Nudge;
use App\Nudges\NudgePlan;
use App\Nudges\SendNudges;
use App\Nudges\StartNudge;
use App\Rules\ChangedBy;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleRefused;
use App\Rules\RuleRun;
use App\Rules\RuleToSave;
use App\Rules\SaveRule;
use App\Rules\SweepTimeTriggers;
use App\Rules\TimeTrigger;
use App\Sorting\Outcome;
use App\Tasks\Task;
use App\Templates\SaveTemplate;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

/**
 * @param  array<string, mixed>  $clock
 * @param  array<string, mixed>  $condition
 * @param  list<array<string, string>>  $actions
 */
function clockRule(string $name, array $clock, array $condition, array $actions): Rule
{
    $rule = app(SaveRule::class)->save(
        null,
        new RuleToSave(
            $name, Way::Every, [], $condition, array_map(RuleAction::of(...), $actions), '', ChangedBy::Leads, TimeTrigger::of($clock)
        ),
        test()->teammate('mads')
    );
    app(SaveRule::class)->switch($rule, true, test()->teammate('mads'));

    return $rule->refresh();
}

function reminder(string $name, string $text): int
{
    return app(SaveTemplate::class)
        ->save(
            null,
            new TemplateToSave(
                $name, '', SharedWith::Everybody, null, ['en' => ['subject' => null, 'text' => $text, 'html' => null]], [], []
            ),
            test()->teammate('mads')
        )
        ->id;
}

/**
 * Lets the time go by, looking every so often as the scheduler does.
 */
function letPass(string $until, int $minutes = 60): void
{
    $end = CarbonImmutable::parse($until);
    while (($now = CarbonImmutable::now()) < $end) {
        CarbonImmutable::setTestNow($now->addMinutes($minutes)->min($end));
        app(SweepTimeTriggers::class)->sweep();
        app(SendNudges::class)->run();
    }
}

function stateIn(string ...$states): array
{
    return ['field' => 'state', 'op' => 'in', 'value' => $states];
}

/**
 * @return list<string>
 */
function ranAt(Rule $rule): array
{
    return RuleRun::query()
        ->where('rule_id', $rule->id)
        ->orderBy('id')
        ->get()
        ->map(static fn (RuleRun $run): string => $run->at->toIso8601ZuluString())
        ->all();
}

function noAnswerPlan(): NudgePlan
{
    $plan = (new NudgePlan)->forceFill([
        'name' => 'No answer', 'steps' => [
            ['days' => 5, 'template' => reminder('First', 'Hello {{ customer.first_name | "there" }}, did you see our question?')],
            ['days' => 5, 'template' => reminder('Second', 'We ask once more.')],
        ],
        'end_days' => 5, 'end_template_id' => reminder(
            'Last word', 'We close it; write again any time.'
        ), 'end_outcome_id' => Outcome::query()
            ->where('name', 'No answer')
            ->firstOrFail()
            ->id,
    ]);
    $plan->save();

    return $plan;
}

it('plays thirty working days of nudges, closings, reminders and escalations over a clock change', function (): void {
    // Friday 16 October, 10:00 in Copenhagen; the clocks go back on Sunday 25 October.
    CarbonImmutable::setTestNow('2026-10-16T08:00:00Z');
    $close = clockRule(
        'Close', ['since' => 'state_changed', 'hours' => 40, 'in_hours' => true], stateIn('resolved'),
        [['do' => 'set_status', 'value' => 'closed']]
    );
    $tell = clockRule(
        'Unanswered for an hour', ['since' => 'unanswered', 'hours' => 1, 'in_hours' => true], stateIn('open'),
        [['do' => 'tell', 'value' => 'leads', 'text' => 'Nobody has answered for an hour.']]
    );
    $give = clockRule(
        'Due and nobody’s', ['since' => 'until_due', 'hours' => 1, 'in_hours' => true],
        ['all' => [stateIn('open'), ['field' => 'owner', 'op' => 'is_empty']]],
        [['do' => 'assign_person', 'value' => (string) $this->teammate('mads')->id]]
    );
    $stale = clockRule(
        'Nobody touched it', ['since' => 'state_changed', 'hours' => 30 * 24], stateIn('held', 'waiting'),
        [['do' => 'set_status', 'value' => 'resolved:'.Outcome::query()->where('name', 'No answer')->value('id')]]
    );
    $remind = clockRule(
        'Held', ['since' => 'state_changed', 'hours' => 48, 'again' => 72], stateIn('held'),
        [['do' => 'tell', 'value' => 'leads', 'text' => 'Still held.']]
    );
    $morning = clockRule(
        'Every weekday at nine', ['since' => 'times', 'days' => ['1', '2', '3', '4', '5'], 'time' => '09:00'], stateIn('held'),
        [['do' => 'add_tag', 'text' => 'morning']]
    );
    app(SweepTimeTriggers::class)->sweep();

    $nudged = Mails::conversation(['From' => 'Nora <nora@x.example>', 'Subject' => 'Needs a photo']);
    $this->answer($nudged, 'Could you send a photo?');
    app(StartNudge::class)->start($nudged->refresh(), noAnswerPlan(), $this->teammate('ilse'), Actor::teammate($this->teammate('ilse')));
    $held = Mails::conversation(['From' => 'h@x.example', 'Subject' => 'At the bench']);
    app(ChangeState::class)->hold($held, Actor::teammate($this->teammate('ilse')), 'the bench looks', null);

    letPass('2026-10-23T10:00:00Z');
    expect(
        Message::query()->where('conversation_id', $nudged->id)->where('automatic', true)->pluck('text')->all()
    )->toBe(['Hello Nora, did you see our question?']);
    $resolved = Mails::conversation(['From' => 'r@x.example', 'Subject' => 'Solved']);
    app(ChangeState::class)->resolveUnchecked($resolved, Actor::teammate($this->teammate('ilse')), Outcome::query()->firstOrFail());

    // Saturday 24 October, 13:30 in Copenhagen: half an hour before the weekend, the last one of summer time.
    letPass('2026-10-24T11:30:00Z');
    $waits = Mails::conversation(['From' => 'w@x.example', 'Subject' => 'Weekend question']);
    app(AssignConversation::class)->assign($waits, $this->teammate('ruta'), Actor::teammate($this->teammate('ruta')));
    letPass('2026-10-26T08:00:00Z', 30);
    $unowned = Mails::conversation(['From' => 'u@x.example', 'Subject' => 'Nobody’s']);
    letPass('2026-10-26T09:00:00Z', 30);
    letPass('2026-11-20T12:00:00Z');

    // Five working days each (Saturdays count), at the same time of the day on either side of the change.
    $sent = Message::query()->where('conversation_id', $nudged->id)->where('automatic', true)->orderBy('id')->get();
    expect(
        $sent->map(static fn (Message $one): string => $one->sent_at->toIso8601ZuluString())->all()
    )->toBe(['2026-10-22T08:00:00Z', '2026-10-28T09:00:00Z', '2026-11-03T09:00:00Z'])
        ->and($sent->last()->text)->toBe('We close it; write again any time.')
        ->and($nudged->refresh()->state)->toBe(ConversationState::Closed)
        ->and($nudged->outcome->name)->toBe('No answer')
        ->and(Nudge::query()->sole()->state)->toBe(Nudge::DONE);
    // Forty working hours after Friday noon: Thursday 16:00. And forty after the last word.
    expect($resolved->refresh()->state)->toBe(ConversationState::Closed)
        ->and(ranAt($close))->toBe(['2026-10-29T15:00:00Z', '2026-11-09T13:00:00Z']);
    // Half an hour on Saturday, half an hour on Monday.
    expect(
        RuleRun::query()->where('rule_id', $tell->id)->where('conversation_id', $waits->id)->sole()->at->toIso8601ZuluString()
    )->toBe('2026-10-26T08:30:00Z')
        ->and(
            News::query()
                ->where('kind', 'rule_tells')
                ->where('conversation_id', $waits->id)
                ->where('teammate_id', $this->teammate('mads')->id)
                ->count()
        )
        ->toBe(1);
    // Written at nine on Monday, due at one, given away at noon.
    expect($unowned->refresh()->owner_id)->toBe($this->teammate('mads')->id)
        ->and(RuleRun::query()->where('rule_id', $give->id)->where('conversation_id', $unowned->id)->sole()->at->toIso8601ZuluString())
        ->toBe('2026-10-26T11:00:00Z');
    // Held since 16 October: told after two days and every three from then on, resolved after thirty.
    expect(ranAt($stale))->toBe(['2026-11-15T08:00:00Z'])
        ->and($held->refresh()->state)->toBe(ConversationState::Resolved)
        ->and(count(ranAt($remind)))->toBe(10)
        ->and(array_slice(ranAt($remind), 0, 3))->toBe(['2026-10-18T08:00:00Z', '2026-10-21T08:00:00Z', '2026-10-24T08:00:00Z']);
    // Nine in the morning, by the store's clock.
    $mornings = ranAt($morning);
    expect(array_filter($mornings, static fn (string $at): bool => str_starts_with($at, '2026-10-23')))->toHaveCount(1)
        ->and($mornings)->toContain('2026-10-23T07:00:00Z')->toContain('2026-10-27T08:00:00Z')
        ->and(array_filter($mornings, static fn (string $at): bool => in_array(CarbonImmutable::parse($at)->dayOfWeekIso, [6, 7], true)))
        ->toBe([]);
});

it('calls a nudge plan off by any answer, and by whatever else happens', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $plan = noAnswerPlan();
    $ilse = $this->teammate('ilse');
    $begin = function (string $id) use ($plan, $ilse) {
        $conversation = Mails::conversation(['Message-ID' => "<{$id}@x.example>", 'From' => "{$id}@x.example", 'Subject' => "About {$id}"]);
        $this->answer($conversation, 'Could you tell us more?');
        app(StartNudge::class)->start($conversation->refresh(), $plan, $ilse, Actor::teammate($ilse));

        return $conversation;
    };
    [$answers, $resolved, $absent, $byHand] = [$begin('answers'), $begin('resolved'), $begin('absent'), $begin('byhand')];
    letPass('2026-11-24T10:00:00Z', 600);
    Mails::conversation(['In-Reply-To' => '<answers@x.example>', 'From' => 'answers@x.example', 'Subject' => 'Re: About answers']);
    Mails::conversation([
        'In-Reply-To' => '<absent@x.example>', 'From' => 'absent@x.example', 'Subject' => 'Absent',
        'Auto-Submitted' => 'auto-replied',
    ]);
    app(ChangeState::class)->resolveUnchecked($resolved->refresh(), Actor::teammate($ilse), Outcome::query()->firstOrFail());
    $this->actingAs($ilse)->get("/conversations/{$byHand->id}")->assertSee('reminder 1 of 2, unless they answer first');
    $this->post(
        '/nudges/running/'.Nudge::query()->where('conversation_id', $byHand->id)->value('id').'/call-off'
    )->assertSessionHas('done');
    letPass('2026-12-12T10:00:00Z', 720);
    $sent = static fn (int $id): int => Message::query()
        ->where('conversation_id', $id)
        ->where('automatic', true)
        ->where('direction', Message::OUT)
        ->count();
    expect($sent($answers->id))->toBe(0)->and($sent($resolved->id))->toBe(0)->and($sent($byHand->id))->toBe(0)
        // An out-of-office note is no answer.
        ->and($sent($absent->id))->toBe(3)
        ->and(Nudge::query()->where('conversation_id', $answers->id)->sole()->reason)->toBe('the customer answered')
        ->and(JournalEntry::query()->where('conversation_id', $resolved->id)->where('kind', JournalKind::NudgeCalledOff)->sole()->why)
        ->toBe('it is resolved now');
});

it('tries a reminder that fails again with pauses, then calls it off and tells the owner', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $plan = noAnswerPlan();
    $ilse = $this->teammate('ilse');
    $conversation = Mails::conversation();
    $this->answer($conversation, 'Could you tell us more?');
    app(AssignConversation::class)->assign($conversation->refresh(), $ilse, Actor::teammate($ilse));
    $nudge = app(StartNudge::class)->start($conversation->refresh(), $plan, $ilse, Actor::teammate($ilse));
    // Text that cannot be read, as no form would keep it.
    DB::table('template_languages')->where('template_id', $plan->steps[0]['template'])->update(['text' => 'Hello {{ customer']);
    CarbonImmutable::setTestNow($nudge->next_at);
    foreach ([10, 60, 600] as $pause) {
        app(SendNudges::class)->run();
        expect($nudge->refresh()->state)->toBe(Nudge::RUNNING)->and((int) now()->diffInMinutes($nudge->next_at))->toBe($pause);
        CarbonImmutable::setTestNow($nudge->next_at);
    }
    // The last try falls into the night: it waits for the morning.
    app(SendNudges::class)->run();
    expect($nudge->refresh()->state)->toBe(Nudge::RUNNING);
    CarbonImmutable::setTestNow($nudge->next_at);
    app(SendNudges::class)->run();
    app(SendNudges::class)->run();
    expect($nudge->refresh()->state)->toBe(Nudge::CALLED_OFF)->and($nudge->reason)->toContain('What begins with {{ ends with }}')
        ->and(News::query()->where('source', "nudge-{$nudge->id}")->sole()->teammate_id)->toBe($ilse->id)
        ->and(Message::query()->where('conversation_id', $conversation->id)->where('automatic', true)->exists())->toBeFalse();
});

it('reminds in the name of the owner where who began it has left', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $ilse = $this->teammate('ilse');
    $conversation = Mails::conversation();
    $this->answer($conversation, 'Could you tell us more?');
    app(StartNudge::class)->start($conversation->refresh(), noAnswerPlan(), $ilse, Actor::teammate($ilse));
    app(AssignConversation::class)->assign($conversation->refresh(), $this->teammate('ruta'), Actor::teammate($ilse));
    $ilse->forceFill(['may_sign_in' => false])->save();
    letPass('2026-11-28T12:00:00Z', 720);
    expect(
        Message::query()->where('conversation_id', $conversation->id)->where('automatic', true)->sole()->teammate_id
    )->toBe($this->teammate('ruta')->id);
});

it('looks at all that has changed, however much, and again where it was stopped in between', function (): void {
    CarbonImmutable::setTestNow('2026-11-24T10:00:00Z');
    $rule = clockRule(
        'Three hours and important', ['since' => 'began', 'hours' => 3],
        ['field' => 'priority', 'op' => 'in', 'value' => ['urgent']], [['do' => 'add_tag', 'text' => 'look']]
    );
    app(SweepTimeTriggers::class)->sweep();
    $conversation = Mails::conversation();
    $busy = Mails::conversation(['From' => 'busy@x.example', 'Message-ID' => '<busy@x.example>']);
    letPass('2026-11-24T18:00:00Z');
    foreach (
        array_chunk(
            array_fill(
                0, 2500,
                [
                    'conversation_id' => $busy->id, 'actor' => 'application', 'kind' => JournalKind::Delivered->value,
                    'details' => '{}', 'why' => '', 'at' => now(),
                ]
            ),
            500
        ) as $entries
    ) {
        DB::table('journal')->insert($entries);
    }
    app(SetPriority::class)->set($conversation, Priority::Urgent, Actor::teammate($this->teammate('ilse')));
    CarbonImmutable::setTestNow('2026-11-24T18:01:00Z');
    $stops = true;
    DB::beforeExecuting(function (string $query) use (&$stops): void {
        if ($stops && str_contains($query, 'event_key') && str_contains($query, 'rule_runs')) {
            $stops = false;
            throw new RuntimeException('The power is gone.');
        }
    });
    expect(fn () => app(SweepTimeTriggers::class)->sweep())->toThrow('The power is gone.')->and(ranAt($rule))->toBe([]);
    app(SweepTimeTriggers::class)->sweep();
    expect(ranAt($rule))->toBe(['2026-11-24T18:01:00Z']);
});

it('is ahead of promises that were made right after it was switched on, and again nearer to them', function (): void {
    // Tuesday morning; a promise of four working hours.
    CarbonImmutable::setTestNow('2026-11-24T08:00:00Z');
    $rule = clockRule(
        'Due within five hours', ['since' => 'until_due', 'hours' => 5, 'again' => 2], stateIn('open'),
        [['do' => 'tell', 'value' => 'leads', 'text' => 'Soon.']]
    );
    $old = Mails::conversation(['From' => 'old@x.example', 'Message-ID' => '<old@x.example>']);
    CarbonImmutable::setTestNow('2026-11-24T08:10:00Z');
    app(SweepTimeTriggers::class)->sweep();
    app(SweepTimeTriggers::class)->sweep();
    $new = Mails::conversation(['From' => 'new@x.example', 'Message-ID' => '<new@x.example>']);
    expect($new->refresh()->due_at?->toIso8601ZuluString())->toBe('2026-11-24T12:10:00Z');
    letPass('2026-11-24T12:30:00Z', 5);
    $ranFor = static fn ($one): array => RuleRun::query()
        ->where('rule_id', $rule->id)
        ->where('conversation_id', $one->id)
        ->orderBy('id')
        ->get()
        ->map(static fn (RuleRun $run): string => $run->at->format('H:i'))
        ->all();
    expect($ranFor($new))->toBe(['08:15', '09:10', '11:10']);
});

it('acts once for what became true later, and leaves alone what was so before it was switched on', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $old = Mails::conversation(['From' => 'old@x.example', 'Subject' => 'Old']);
    CarbonImmutable::setTestNow('2026-11-24T10:00:00Z');
    $rule = clockRule(
        'Three hours and important', ['since' => 'began', 'hours' => 3],
        ['field' => 'priority', 'op' => 'in', 'value' => ['urgent']], [['do' => 'add_tag', 'text' => 'look']]
    );
    app(SweepTimeTriggers::class)->sweep();
    $new = Mails::conversation(['From' => 'new@x.example', 'Subject' => 'New']);
    letPass('2026-11-24T18:00:00Z');
    expect(ranAt($rule))->toBe([]);
    foreach ([$old, $new] as $conversation) {
        app(SetPriority::class)->set($conversation, Priority::Urgent, Actor::teammate($this->teammate('ilse')));
    }
    letPass('2026-11-25T18:00:00Z');
    expect(RuleRun::query()->where('rule_id', $rule->id)->pluck('conversation_id')->all())->toBe([$new->id]);
});

it('reads only rows for which the time can have come', function (): void {
    CarbonImmutable::setTestNow('2026-11-24T10:00:00Z');
    $rule = clockRule(
        'Close', ['since' => 'state_changed', 'hours' => 24], stateIn('resolved'), [['do' => 'set_status', 'value' => 'closed']]
    );
    app(SweepTimeTriggers::class)->sweep();
    $plan = DB::select(
        'EXPLAIN SELECT id FROM conversations WHERE state_changed_at > ? AND state_changed_at <= ? AND state != ?',
        ['2026-11-23 09:00:00', '2026-11-23 10:00:00', 'closed']
    )[0];
    expect($plan->possible_keys)
        ->toContain('conversations_state_changed_at_index')
        ->and($rule->refresh()->swept_to?->toIso8601ZuluString())
        ->toBe('2026-11-23T10:00:00Z');
});

it('refuses a clock that says nothing', function (array $clock): void {
    expect(fn () => TimeTrigger::of($clock))->toThrow(RuleRefused::class);
})->with([
    [
        ['since' => 'sometime', 'hours' => 3],
    ], [['since' => 'began', 'hours' => 0]], [['since' => 'began', 'hours' => -1]], [['since' => 'began', 'hours' => 9999]],
    [['since' => 'times', 'days' => [], 'time' => '09:00']], [
        ['since' => 'times', 'days' => ['1'], 'time' => '25:00'],
    ], [['since' => 'times', 'days' => ['9'], 'time' => '09:00']],
]);

it('makes rules that run with time, and nudge plans, by their forms', function (): void {
    CarbonImmutable::setTestNow('2026-11-24T10:00:00Z');
    $conversation = Mails::conversation();
    CarbonImmutable::setTestNow('2026-11-24T14:00:00Z');
    $this->actingAs($this->teammate('mads'));
    $this->followingRedirects()->post(
        '/rules',
        [
            'name' => 'Slow', 'way' => 'every', 'changed_by' => 'leads',
            'clock' => ['since' => 'unanswered', 'hours' => '2', 'in_hours' => '1'],
            'condition' => ['head' => 'all', 'parts' => []], 'actions' => [['do' => 'tell', 'value' => 'leads', 'text' => 'Look']],
        ]
    )
        ->assertSee('it is 2 working hours since the customer wrote, without an answer')
        ->assertSee('1</b> of 1', false)
        ->assertSee($conversation->number());
    $template = reminder('Again', 'Hello again');
    $this->post(
        '/nudges',
        [
            'name' => 'Photo', 'steps' => [['days' => '5', 'template' => (string) $template], ['days' => '', 'template' => '']],
            'end_days' => '3', 'end_outcome' => (string) Outcome::query()->value('id'),
        ]
    )
        ->assertSessionHas('done', '“Photo” is saved. A reminder after 5 working days, then resolved after 3 working days.');
    $this->get('/nudges')->assertOk()->assertSee('at work nowhere');
    $this->post(
        '/nudges',
        [
            'name' => 'Empty', 'steps' => [['days' => '', 'template' => '']], 'end_days' => '3',
            'end_outcome' => (string) Outcome::query()->value('id'),
        ]
    )->assertSessionHas('problem');
    $this->actingAs($this->teammate('ilse'))->post('/nudges', ['name' => 'Mine'])->assertForbidden();
});

it('counts from the last scan of the parcel, until it has arrived', function (): void {
    Http::fake(['*' => Http::response([], 404)]);
    CarbonImmutable::setTestNow('2026-11-12T10:00:00Z');
    $rule = clockRule(
        'No scan for five days', ['since' => 'parcel_seen', 'hours' => 120], stateIn('open', 'waiting'),
        [['do' => 'task', 'value' => 'owner', 'text' => 'Ask {{ parcel.carrier }} for {{ parcel.number }}', 'hours' => '4']]
    );
    app(SweepTimeTriggers::class)->sweep();
    Services::take(Channel::Shop, Services::order());
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'collected', '2026-11-12T07:00:00Z'));
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late'], 'Where is 71-4480217?');
    expect($conversation->refresh()->parcel_seen_at?->toIso8601ZuluString())->toBe('2026-11-12T07:00:00Z');
    letPass('2026-11-15T07:00:00Z');
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'at_depot', '2026-11-15T07:00:00Z'));
    letPass('2026-11-20T06:30:00Z');
    expect(ranAt($rule))->toBe([]);
    letPass('2026-11-22T09:00:00Z');
    expect(ranAt($rule))->toHaveCount(1)->and(Task::query()->sole()->title)->toBe('Ask Wren Parcel for WP7720388');
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'delivered', '2026-11-22T09:00:00Z'));
    expect($conversation->refresh()->parcel_seen_at)->toBeNull();
    letPass('2026-11-30T09:00:00Z');
    expect(ranAt($rule))->toHaveCount(1);
});
