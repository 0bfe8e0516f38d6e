<?php

declare(strict_types=1);

use App\Answering\Draft;
use App\Answering\KeepDraft;
use App\Answering\ScheduledReply;
use App\Channels\Account;
use App\Conversations\Note;
use App\People\HandOnConversations;
use App\Rules\ChangedBy;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleToSave;
use App\Rules\RuleVersion;
use App\Rules\SaveRule;
use App\SignIn\MailPass;
use App\SignIn\Passes;
use App\SignIn\PassPurpose;
use App\SignIn\SignIns;
use App\SignIn\TellOfChange;
use App\Tasks\KeepTasks;
use App\Tasks\Task;
use App\Team\Role;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;

/*
 * Who belongs to the team: invited, changed, deactivated with their work handed on, let in again.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    // What they are sent is tested by itself.
    Queue::fake([MailPass::class, TellOfChange::class]);
    $this->actingAs($this->teammate('corin'));
    $this->form = fn (array $more = []): array => [
        'name' => 'Sanna Lind', 'email' => 'Sanna@brindle.example', 'role' => 'care', 'time_zone' => 'Europe/Stockholm', 'teams' => [1],
        ...$more,
    ];
});

it('invites somebody, who is there at once and signs in once they have chosen a password', function (): void {
    $this->post('/people', ($this->form)())->assertSessionHas('done');
    $sanna = Teammate::query()->where('email', 'sanna@brindle.example')->sole();
    expect($sanna->role)->toBe(Role::Care)
        ->and($sanna->teams->modelKeys())->toBe([1])
        ->and($sanna->password_chosen_at)->toBeNull();
    Queue::assertPushed(MailPass::class, fn (MailPass $mail): bool => $mail->teammateId === $sanna->id
        && $mail->purpose === PassPurpose::Invitation && $mail->madeById === $this->teammate('corin')->id);
    $this->get('/people')->assertSee('Sanna Lind')->assertSee('invited, not here yet');
    $this->get('/set-up')->assertSee('1 invited, not here yet');

    $key = app(Passes::class)->make($sanna, PassPurpose::Invitation, null);
    $this->post('/sign-out');
    $this->travel(6)->days();
    $this->get("/pass/{$key}")->assertSee('Welcome, Sanna');
    $this->post("/pass/{$key}", ['password' => 'a heron on one leg', 'password_confirmation' => 'a heron on one leg']);
    $this->assertAuthenticatedAs($sanna);
    expect($sanna->refresh()->password_chosen_at)->not->toBeNull();
});

it('hands the link over by hand where no mail can be sent, shown once', function (): void {
    Account::query()->update(['state' => 'paused']);
    $this->post('/people', ($this->form)())->assertSessionHas('pass');
    $link = session('pass');
    $this->get(parse_url($link, PHP_URL_PATH))->assertOk()->assertSee('Welcome, Sanna');
    $sanna = Teammate::query()->where('email', 'sanna@brindle.example')->sole();
    $this->get("/people/{$sanna->id}")->assertDontSee($link);
});

it('refuses what cannot be', function (array $wrong, string $field): void {
    $this->get('/people/new')->assertOk();
    $this->post('/people', ($this->form)($wrong))->assertSessionHasErrors($field);
    expect(Teammate::query()->where('name', 'Sanna Lind')->exists())->toBeFalse();
})->with([
    'an address that somebody has' => [['email' => 'ILSE@brindle.example'], 'email'],
    'no address' => [['email' => 'sanna'], 'email'],
    'no name' => [['name' => ''], 'name'],
    'a role that there is not' => [['role' => 'owner'], 'role'],
    'a team that there is not' => [['teams' => [99999]], 'teams.0'],
    'a zone that there is not' => [['time_zone' => 'Europe/Atlantis'], 'time_zone'],
]);

it('changes a person, and keeps their share in a team', function (): void {
    $ilse = $this->teammate('ilse');
    $ilse->teams()->sync([1 => ['weight' => 7]]);
    $key = app(Passes::class)->make($ilse, PassPurpose::Reset, null);
    $two = Team::query()->where('id', '!=', 1)->value('id');
    $this->post("/people/{$ilse->id}", ($this->form)(['name' => 'Ilse Lund', 'email' => 'lund@brindle.example', 'teams' => [1, $two]]))
        ->assertSessionHas('done', 'Saved.');
    expect($ilse->refresh()->name)->toBe('Ilse Lund')
        ->and($ilse->teams()->find(1)->turn->weight)->toBe(7)
        ->and($ilse->teams()->count())->toBe(2)
        // It went to the address that she had.
        ->and(app(Passes::class)->open($key))->toBeNull();
});

it('leaves an administrator who can sign in, and has nobody change their own role', function (): void {
    $corin = $this->teammate('corin');
    $this->post("/people/{$corin->id}", ($this->form)(['name' => 'Corin', 'email' => $corin->email, 'role' => 'care']))
        ->assertSessionHas('problem_code', 'own_role');
    $this->post("/people/{$corin->id}/deactivate")->assertSessionHas('problem_code', 'oneself');
    $mads = $this->teammate('mads');
    $mads->forceFill(['role' => Role::Administrator])->save();
    $this->actingAs($mads)->post("/people/{$corin->id}/deactivate")->assertSessionHas('done');
    // An invited one, who has never come, can let nobody in.
    $this->post('/people', ($this->form)(['role' => 'administrator']));
    $sanna = Teammate::query()->where('name', 'Sanna Lind')->sole();
    $this->actingAs($sanna)->post("/people/{$mads->id}/deactivate")->assertSessionHas('problem_code', 'last_administrator');
    expect($mads->refresh()->may_sign_in)->toBeTrue();
});

it('hands on what lies with somebody who leaves', function (): void {
    $ilse = $this->teammate('ilse');
    $ruta = $this->teammate('ruta');
    [$open, $resolved, $drafted] = array_map(fn (string $subject) => Mails::conversation(
        ['From' => "{$subject}@lind.example", 'Subject' => $subject]
    ), ['open', 'resolved', 'drafted']);
    $resolved->forceFill(['state' => 'resolved'])->save();
    foreach ([$open, $resolved] as $conversation) {
        $conversation->forceFill(['owner_id' => $ilse->id])->save();
    }
    app(KeepTasks::class)->make($open, 'Ask the bench', $ilse, CarbonImmutable::now()->addDay(), null, $ilse);
    app(KeepDraft::class)->text($drafted, $ilse, Draft::REPLY, 'Dear Drafted, the spar');
    $this->actingAs($ilse)->post("/conversations/{$open->id}/reply", [
        'text' => 'On Monday then.', 'then' => 'waiting', 'seen' => PHP_INT_MAX, 'once' => (string) Str::uuid(), 'when' => 'at',
        'at' => '2026-11-30T09:00',
    ])->assertSessionHas('done');
    $rule = app(SaveRule::class)->save(null, new RuleToSave('To Ilse', Way::Every, [RuleEvent::Noted], ['all' => []], [
        RuleAction::of(['do' => 'assign_person', 'value' => (string) $ilse->id]),
        RuleAction::of(['do' => 'set_priority', 'value' => 'high']),
    ], '', ChangedBy::Leads), $this->teammate('mads'));
    $session = SignIns::note($ilse, '192.0.2.7', 'x');

    $this->actingAs($this->teammate('corin'))->get("/people/{$ilse->id}/leaving")
        ->assertSee('One conversation lies with them')->assertSee('One task is not done')
        ->assertSee('One answer is to be sent later')->assertSee('One draft')->assertSee('To Ilse');
    $this->post("/people/{$ilse->id}/deactivate", [
        'conversations_to' => $ruta->id, 'tasks_to' => $ruta->id, 'rules_to' => $ruta->id, 'planned' => 'notes', 'drafts' => 'notes',
    ])->assertSessionHas('done');

    expect($ilse->refresh()->may_sign_in)->toBeFalse()
        ->and($session->refresh()->ended_at)->not->toBeNull()
        ->and($open->refresh()->owner_id)->toBe($ruta->id)
        ->and($resolved->refresh()->owner_id)->toBe($ruta->id)
        ->and(Task::query()->sole()->assignee_id)->toBe($ruta->id)
        ->and(ScheduledReply::query()->sole()->state)->toBe(ScheduledReply::CALLED_OFF)
        ->and(Draft::query()->exists())->toBeFalse()
        ->and(Note::query()->orderBy('id')->pluck('text')->join(' | '))->toContain('Dear Drafted, the spar')->toContain('On Monday then.')
        ->and(Rule::query()->sole()->actions)->toBe([
            ['do' => 'assign_person', 'value' => (string) $ruta->id], ['do' => 'set_priority', 'value' => 'high'],
        ])
        ->and(RuleVersion::query()->where('rule_id', $rule->id)->count())->toBe(2);
    $this->get("/conversations/{$open->id}")->assertSee('Ilse Norrby is not in the team any more');
    // Sent twice, nothing happens twice.
    $this->post("/people/{$ilse->id}/deactivate", ['conversations_to' => $ruta->id, 'drafts' => 'notes'])->assertSessionHas('done');
    expect(Note::query()->count())->toBe(2);
});

it('gives drafts with their files to whoever takes over, beside what that one has begun', function (): void {
    $ilse = $this->teammate('ilse');
    $ruta = $this->teammate('ruta');
    $conversation = Mails::conversation();
    $file = ['name' => 'spar.png', 'type' => 'image/png', 'size' => 3, 'sha256' => str_repeat('a', 64), 'file' => 'aa/a.gz'];
    foreach ([[$ilse, 'Dear Tomas, the spar'], [$ruta, 'Dear Mr Hrubý']] as [$who, $text]) {
        app(KeepDraft::class)->text($conversation, $who, Draft::REPLY, $text, ['cc' => "{$who->id}@x.example"]);
    }
    Draft::for($conversation, $ilse, Draft::REPLY)->sole()->forceFill(['files' => [$file]])->save();
    // One with a file alone, of a kind that is no answer.
    app(KeepDraft::class)->text($conversation, $ilse, Draft::NOTE, '');
    Draft::for($conversation, $ilse, Draft::NOTE)->sole()->forceFill(['files' => [$file]])->save();
    $this->post("/people/{$ilse->id}/deactivate", ['conversations_to' => $ruta->id, 'drafts' => 'taker'])->assertSessionHas('done');
    $draft = Draft::query()->sole();
    expect($draft->teammate_id)->toBe($ruta->id)
        ->and($draft->text)->toBe("Dear Tomas, the spar\n\nDear Mr Hrubý")
        ->and(array_column($draft->files, 'name'))->toBe(['spar.png'])
        ->and(Note::query()->sole()->text)->toContain('with spar.png');
});

it('hands to nobody who is gone, or to them themselves', function (): void {
    $ilse = $this->teammate('ilse');
    $this->teammate('ruta')->forceFill(['may_sign_in' => false])->save();
    foreach ([$ilse->id, $this->teammate('ruta')->id, 99999] as $wrong) {
        $this->post("/people/{$ilse->id}/deactivate", ['conversations_to' => $wrong])->assertSessionHas('problem_code', 'not_here');
    }
    expect($ilse->refresh()->may_sign_in)->toBeTrue();
});

it('gives many conversations on some at a time, and none once they are back', function (): void {
    $ilse = $this->teammate('ilse');
    $conversation = Mails::conversation();
    $conversation->forceFill(['owner_id' => $ilse->id])->save();
    HandOnConversations::dispatchSync($ilse->id, null, $this->teammate('corin')->id);
    expect($conversation->refresh()->owner_id)->toBe($ilse->id);
    $ilse->forceFill(['may_sign_in' => false])->save();
    HandOnConversations::dispatchSync($ilse->id, $this->teammate('ruta')->id, $this->teammate('corin')->id);
    HandOnConversations::dispatchSync($ilse->id, null, $this->teammate('corin')->id);
    expect($conversation->refresh()->owner_id)->toBe($this->teammate('ruta')->id);
});

it('lets somebody in again with a password of their own choice', function (): void {
    $ilse = $this->teammate('ilse');
    $this->post("/people/{$ilse->id}/deactivate")->assertSessionHas('done');
    $this->get('/people')->assertSee('Deactivated')->assertSee('Let in again');
    $this->post("/people/{$ilse->id}/pass")->assertStatus(409);
    $this->post("/people/{$ilse->id}/activate")->assertSessionHas('done');
    // Pressed twice, or by two: whoever has chosen a password meanwhile keeps it.
    Passes::choosePassword($ilse->refresh(), 'a heron on one leg');
    $this->post("/people/{$ilse->id}/activate")->assertSessionHas('problem_code', 'is_there');
    expect(Hash::check('a heron on one leg', $ilse->refresh()->password))->toBeTrue();
    expect($ilse->may_sign_in)->toBeTrue();
    Queue::assertPushed(MailPass::class, fn (MailPass $mail): bool => $mail->purpose === PassPurpose::Invitation);
    $this->post('/sign-out');
    $this->post('/sign-in', ['email' => $ilse->email, 'password' => 'kites-and-cairns'])->assertSessionHasErrors('email');
});

it('signs somebody out everywhere', function (): void {
    $session = SignIns::note($this->teammate('ilse'), '192.0.2.7', 'x');
    $this->post("/people/{$this->teammate('ilse')->id}/sign-ins/end")->assertSessionHas('done');
    expect($session->refresh()->ended_at)->not->toBeNull();
});
