<?php

declare(strict_types=1);

use App\Conversations\OutboxItem;
use App\SignIn\AnswerForgotten;
use App\SignIn\MailPass;
use App\SignIn\Pass;
use App\SignIn\Passes;
use App\SignIn\PassPurpose;
use App\SignIn\Password;
use App\SignIn\SignIn;
use App\SignIn\SignIns;
use App\SignIn\TellOfChange;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;

/*
 * Who is signed in, until when; passwords, and links to choose one.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake([TellOfChange::class]);
    config(['cairnfield.sign_in' => (require config_path('cairnfield.php'))['sign_in']]);
    $this->ilse = $this->teammate('ilse');
    $this->signIn = fn (string $email = 'ilse@brindle.example', string $password = 'kites-and-cairns') => $this->post(
        '/sign-in', ['email' => $email, 'password' => $password]
    );
    $this->isIn = fn (): bool => $this->get('/own-settings')->getStatusCode() === 200;
});

it('has somebody signed in until nothing was done for long, or some days whatever was done', function (): void {
    ($this->signIn)()->assertRedirect('/queue');
    $this->travel(11)->hours();
    expect(($this->isIn)())->toBeTrue();
    $this->travel(13)->hours();
    expect(($this->isIn)())->toBeFalse();
    $this->get('/queue')->assertRedirect('/sign-in');

    ($this->signIn)();
    foreach (range(1, 28) as $half) {
        $this->travel(12)->hours();
        $this->travel(-1)->minutes();
        $was = ($this->isIn)();
    }
    expect($was)->toBeTrue();
    $this->travel(11)->hours();
    expect(($this->isIn)())->toBeFalse();
});

it('does not count as being there that an open page asks for news', function (): void {
    ($this->signIn)();
    foreach (range(1, 13) as $hour) {
        $this->travel(1)->hours();
        $last = $this->get('/queue/my-turn/changes?mark=0', ['HX-Request' => 'true']);
    }
    // The whole page goes to sign in: no form is put where the news were to be.
    $last->assertStatus(401)->assertHeader('HX-Redirect', '/sign-in');
    expect($last->getContent())->toBe('');
    foreach (['http://attacker.example/x' => '/queue', url('/customers?page=2') => url('/customers?page=2')] as $page => $back) {
        $this->get('/queue/my-turn/changes?mark=0', ['HX-Request' => 'true', 'HX-Current-URL' => $page])->assertStatus(401);
        ($this->signIn)()->assertRedirect($back);
        $this->post('/sign-out');
    }
    // What somebody does keeps them signed in, also where only a part of the page is sent.
    ($this->signIn)();
    $conversation = Mails::conversation();
    foreach (range(1, 13) as $hour) {
        $this->travel(1)->hours();
        $last = $this->post("/conversations/{$conversation->id}/drafts/reply", [
            'text' => "Hour {$hour}", 'once' => (string) Str::uuid(),
        ], ['HX-Request' => 'true']);
    }
    $last->assertOk()->assertSee('draft kept');
});

it('knows whoever was deactivated no more, at the next request', function (): void {
    ($this->signIn)();
    expect(($this->isIn)())->toBeTrue();
    $this->ilse->forceFill(['may_sign_in' => false])->save();
    // As each request of a browser does, it asks anew who that is.
    Auth::forgetGuards();
    $this->get('/queue/my-turn')->assertRedirect('/sign-in')->assertSessionHas('problem');
    $this->assertGuest();
    // They do not come back by the same session when they are let in again.
    $this->ilse->forceFill(['may_sign_in' => true])->save();
    expect(($this->isIn)())->toBeFalse();
});

it('knows no session that was never noted', function (): void {
    $this->actingAs($this->ilse);
    $this->withSession(['sign_in' => 999_999])->get('/queue')->assertRedirect('/sign-in');
    $others = SignIns::note($this->teammate('mads'), '127.0.0.1', 'Test');
    $this->actingAs($this->ilse)->withSession(SignIns::inSession($others))->get('/queue')->assertRedirect('/sign-in');
});

it('ends what was signed out of, and lets one end others of one’s own', function (): void {
    ($this->signIn)();
    $elsewhere = SignIns::note($this->ilse, '192.0.2.7', 'Mozilla/5.0 (iPhone; CPU iPhone OS 19_0) Version/19.0 Safari/604.1');
    $others = SignIns::note($this->teammate('mads'), '192.0.2.8', 'x');
    $this->get('/own-sign-in')->assertOk()->assertSee('Safari on iOS')->assertSee('192.0.2.7')->assertDontSee('192.0.2.8');
    $this->post("/own-sign-in/{$elsewhere->id}/end")->assertSessionHas('done');
    $this->post("/own-sign-in/{$others->id}/end")->assertNotFound();
    expect($elsewhere->refresh()->ended_at)->not->toBeNull()->and($others->refresh()->ended_at)->toBeNull();
    $third = SignIns::note($this->ilse, '192.0.2.9', 'x');
    $this->post('/own-sign-in/others/end');
    expect($third->refresh()->ended_at)->not->toBeNull()->and(($this->isIn)())->toBeTrue();
    $this->post('/sign-out');
    expect(SignIn::open($this->ilse->id)->exists())->toBeFalse();
});

it('changes one’s password, and signs out everywhere else', function (): void {
    ($this->signIn)();
    $elsewhere = SignIns::note($this->ilse, '192.0.2.7', 'x');
    $change = fn (string $current, string $new, ?string $again = null) => $this->post('/own-sign-in/password', [
        'current' => $current, 'password' => $new, 'password_confirmation' => $again ?? $new,
    ]);
    $change('wrong', 'a heron on one leg')->assertSessionHasErrors(['current' => 'That is not your password.']);
    $change('kites-and-cairns', 'a heron on one leg', 'a heron on two legs')->assertSessionHasErrors('password');
    $change('kites-and-cairns', 'kites-and-cairns')->assertSessionHasErrors('password');
    $change('kites-and-cairns', 'a heron on one leg')->assertSessionHas('done');
    expect(Hash::check('a heron on one leg', $this->ilse->refresh()->password))->toBeTrue()
        ->and($elsewhere->refresh()->ended_at)->not->toBeNull()
        ->and(($this->isIn)())->toBeTrue();
    foreach (range(1, 5) as $try) {
        $change("guess {$try}", 'a heron on one leg now');
    }
    $change('a heron on one leg', 'a heron on one leg now')->assertSessionHasErrors(['current' => 'Too many wrong tries. Wait a minute.']);
});

it('takes no password that is tried first', function (string $password, ?string $said): void {
    $problem = (new Password($this->ilse))->problem($password);
    $said === null ? expect($problem)->toBeNull() : expect($problem)->toContain($said);
})->with([
    'short' => ['kite 2026', 'at least 10 characters'],
    'a common one' => ['q1w2e3r4t5', 'tried first'],
    'a common one, larger' => ['Basketball', 'tried first'],
    'a common one with a year behind' => ['Manchester2026!', 'tried first'],
    'their name' => ['ilsenorrby1', 'your name'],
    'the store' => ['Brindle Kite 1', 'store’s name'],
    'the same again and again' => ['aaaaaaaaaaaab', 'different characters'],
    'very long' => [str_repeat('ab cd ef ', 30), 'at most 200'],
    'words' => ['a heron on one leg', null],
    'words with a name among them' => ['ilse sees a heron on one leg', null],
    'other letters' => ['ørreder i åen om natten', null],
]);

it('counts wrong tries for the person however the address is spelt', function (): void {
    foreach (['ilse@brindle', 'ILSE@brindle', ' ilse@brindle', 'Ïlse@Brindle', 'ilse@BRINDLE'] as $spelt) {
        ($this->signIn)("{$spelt}.example", 'wrong')->assertRedirect();
    }
    ($this->signIn)()->assertTooManyRequests();
    // Others from the same place still can.
    ($this->signIn)('mads@brindle.example')->assertRedirect('/queue');
});

it('counts wrong tries from one network for whomever they are', function (): void {
    foreach (range(1, 30) as $try) {
        ($this->signIn)("nobody{$try}@brindle.example", 'wrong')->assertRedirect();
    }
    ($this->signIn)('mads@brindle.example')->assertTooManyRequests();
    $this->travel(61)->seconds();
    ($this->signIn)('mads@brindle.example')->assertRedirect('/queue');
});

it('works as hard for an address that nobody has', function (): void {
    Hash::shouldReceive('make')->once()->with('wrong')->andReturn('hash');
    Hash::shouldReceive('check')->never();
    ($this->signIn)('nobody@brindle.example', 'wrong')->assertSessionHasErrors('email');
});

it('says the same of a forgotten password whether somebody has the address or not', function (): void {
    Queue::fake([AnswerForgotten::class]);
    $said = array_map(function (string $email): array {
        $answer = $this->post('/forgotten', ['email' => $email]);

        return [$answer->getStatusCode(), $answer->headers->get('Location'), session('done')];
    }, ['ilse@brindle.example', 'nobody@brindle.example']);
    expect($said[0])->toBe($said[1]);
    Queue::assertPushed(AnswerForgotten::class, 2);
});

it('mails a link only to somebody of the team, and not again and again', function (): void {
    Queue::fake([MailPass::class]);
    (new AnswerForgotten('nobody@brindle.example'))->handle();
    Queue::assertNothingPushed();
    (new AnswerForgotten('ilse@brindle.example'))->handle();
    Queue::assertPushed(MailPass::class, 1);
    app(Passes::class)->make($this->ilse, PassPurpose::Reset, null);
    (new AnswerForgotten('ilse@brindle.example'))->handle();
    Queue::assertPushed(MailPass::class, 1);
    $this->ilse->forceFill(['may_sign_in' => false])->save();
    $this->travel(10)->minutes();
    (new AnswerForgotten('ilse@brindle.example'))->handle();
    Queue::assertPushed(MailPass::class, 1);
});

it('lets one choose a password by a link, once', function (): void {
    $elsewhere = SignIns::note($this->ilse, '192.0.2.7', 'x');
    $key = app(Passes::class)->make($this->ilse, PassPurpose::Reset, null);
    $choose = fn (string $password) => $this->post("/pass/{$key}", ['password' => $password, 'password_confirmation' => $password]);
    // To look at it, as mail programs do, uses nothing.
    $this->get("/pass/{$key}")->assertOk()->assertSee('ilse@brindle.example');
    $choose('password123')->assertSessionHasErrors('password');
    $choose('a heron on one leg')->assertRedirect('/queue');
    $this->assertAuthenticatedAs($this->ilse);
    expect(Hash::check('a heron on one leg', $this->ilse->refresh()->password))->toBeTrue()
        ->and($elsewhere->refresh()->ended_at)->not->toBeNull();
    $this->post('/sign-out');
    $choose('another heron on a leg')->assertStatus(410)->assertSee('cannot be used any more');
    $this->get("/pass/{$key}")->assertStatus(410);
    expect(Hash::check('a heron on one leg', $this->ilse->refresh()->password))->toBeTrue();
});

it('takes no link that is old, replaced, made up, or of somebody who was deactivated', function (Closure $spoils): void {
    $key = app(Passes::class)->make($this->ilse, PassPurpose::Reset, null);
    $key = $spoils($this, $this->ilse, $key) ?? $key;
    $this->get("/pass/{$key}")->assertStatus(410);
    $this->post("/pass/{$key}", ['password' => 'a heron on one leg', 'password_confirmation' => 'a heron on one leg'])->assertStatus(410);
    $this->assertGuest();
})->with([
    'old' => [function ($test): void {
        $test->travel(121)->minutes();
    }],
    'replaced' => [function ($test, Teammate $ilse): void {
        app(Passes::class)->make($ilse, PassPurpose::Reset, null);
    }],
    'made up' => [fn ($test, Teammate $ilse, string $key): string => strrev($key)],
    'of somebody who left' => [function ($test, Teammate $ilse): void {
        $ilse->forceFill(['may_sign_in' => false])->save();
    }],
    'after the password was changed' => [function ($test, Teammate $ilse): void {
        Passes::choosePassword($ilse, 'a heron on two legs');
    }],
]);

it('lets both links work where it is not known whether the first has arrived', function (): void {
    $first = app(Passes::class)->make($this->ilse, PassPurpose::Reset, null);
    $second = app(Passes::class)->make($this->ilse, PassPurpose::Reset, null, true);
    foreach ([$first, $second] as $key) {
        $this->get("/pass/{$key}")->assertOk();
    }
    $this->post("/pass/{$first}", ['password' => 'a heron on one leg', 'password_confirmation' => 'a heron on one leg']);
    $this->get("/pass/{$second}")->assertStatus(410);
});

it('keeps of a link only what cannot be used', function (): void {
    $key = app(Passes::class)->make($this->ilse, PassPurpose::Reset, null);
    expect(strlen($key))->toBe(32)
        ->and(json_encode(Pass::query()->sole()->getAttributes()))->not->toContain($key)
        ->and(OutboxItem::query()->exists())->toBeFalse();
});

it('forgets after a while who was signed in', function (): void {
    SignIns::note($this->ilse, '192.0.2.7', 'x');
    $this->travel(91)->days();
    $recent = SignIns::note($this->ilse, '192.0.2.7', 'x');
    SignIns::tidy();
    expect(SignIn::query()->pluck('id')->all())->toBe([$recent->id]);
});
