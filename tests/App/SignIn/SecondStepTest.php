<?php

declare(strict_types=1);

use App\SignIn\Passes;
use App\SignIn\PassPurpose;
use App\SignIn\SecondFactor;
use App\SignIn\SignIn;
use App\SignIn\SignIns;
use App\SignIn\TellOfChange;
use App\Team\Role;
use Cairnfield\Core\SignIn\Base32;
use Cairnfield\Core\SignIn\TimeBasedCode;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/*
 * A second step of signing in: switched on, asked for, lost, required.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake([TellOfChange::class]);
    $this->ilse = $this->teammate('ilse');
    $this->secret = SecondFactor::newSecret();
    $this->code = fn (int $later = 0): string => (new TimeBasedCode((string) Base32::decode($this->secret)))
        ->at(now()->getTimestamp() + $later);
    $this->signIn = fn () => $this->post('/sign-in', ['email' => 'ilse@brindle.example', 'password' => 'kites-and-cairns']);
    $this->switchOn = function (): array {
        $codes = app(SecondFactor::class)->begin($this->ilse, $this->secret, ($this->code)());
        $this->travel(1)->minutes();

        return (array) $codes;
    };
});

it('is switched on by a code that shows that a device has the secret', function (): void {
    Queue::fake([TellOfChange::class]);
    $this->actingAs($this->ilse);
    $elsewhere = SignIns::note($this->ilse, '192.0.2.7', 'x');
    $page = $this->get('/own-sign-in/second-step')->assertOk();
    $this->secret = session('new_second_factor');
    $page->assertSee("otpauth://totp/Brindle%20Kite%20Works:ilse%40brindle.example?secret={$this->secret}", false);
    // Looked at again, it is the same one.
    $this->get('/own-sign-in/second-step')->assertSee($this->secret);
    $this->post('/own-sign-in/second-step', ['code' => '000000'])->assertSessionHasErrors('code');
    expect($this->ilse->refresh()->second_factor_since)->toBeNull();
    $this->post('/own-sign-in/second-step', ['code' => ($this->code)()])->assertRedirect('/own-sign-in');
    $codes = session('recovery_codes');
    $this->get('/own-sign-in')->assertSee($codes[0])->assertSee('10 recovery codes are left');
    $this->get('/own-sign-in')->assertDontSee($codes[0]);
    expect($this->ilse->refresh()->second_factor_since)->not->toBeNull()
        ->and($elsewhere->refresh()->ended_at)->not->toBeNull()
        ->and($codes)->toHaveCount(10);
    $stored = json_encode(DB::table('teammates')->find($this->ilse->id));
    expect($stored)->not->toContain($this->secret)->not->toContain($codes[0]);
    Queue::assertPushed(TellOfChange::class, 1);
});

it('is asked for after the password, and nobody is in before', function (): void {
    ($this->switchOn)();
    ($this->signIn)()->assertRedirect('/sign-in/second-step');
    $this->assertGuest();
    $this->get('/queue')->assertRedirect('/sign-in');
    $this->get('/sign-in/second-step')->assertOk();
    $this->post('/sign-in/second-step', ['code' => '123456'])->assertSessionHasErrors('code');
    $this->assertGuest();
    $this->post('/sign-in/second-step', ['code' => ($this->code)()]);
    $this->assertAuthenticatedAs($this->ilse);
});

it('takes a code once, also as somebody else who has seen it', function (): void {
    ($this->switchOn)();
    $code = ($this->code)();
    ($this->signIn)();
    $this->post('/sign-in/second-step', ['code' => $code]);
    $this->assertAuthenticated();
    $this->post('/sign-out');
    ($this->signIn)();
    $this->post('/sign-in/second-step', ['code' => $code])->assertSessionHasErrors(['code' => 'That code is wrong, or was used.']);
    $this->assertGuest();
});

it('takes a recovery code in place of it, each once, however it is typed', function (): void {
    $codes = ($this->switchOn)();
    foreach ([$codes[0], ' '.strtoupper($codes[1]), str_replace('-', ' ', $codes[2])] as $typed) {
        ($this->signIn)();
        $this->post('/sign-in/second-step', ['code' => $typed]);
        $this->assertAuthenticated();
        $this->post('/sign-out');
    }
    ($this->signIn)();
    $this->post('/sign-in/second-step', ['code' => $codes[1]])->assertSessionHasErrors('code');
    expect($this->ilse->refresh()->recovery_codes)->toHaveCount(7);
});

it('lets nobody guess, nor wait with the first step done', function (): void {
    ($this->switchOn)();
    ($this->signIn)();
    foreach (range(1, 5) as $try) {
        $this->post('/sign-in/second-step', ['code' => (string) (100_000 + $try)]);
    }
    $this->post('/sign-in/second-step', ['code' => ($this->code)()])
        ->assertSessionHasErrors(['code' => 'Too many wrong tries. Wait a minute.']);
    $this->travel(5)->minutes();
    $this->post('/sign-in/second-step', ['code' => ($this->code)()])->assertRedirect('/sign-in')->assertSessionHas('problem');
    $this->assertGuest();
});

it('is asked for, too, of somebody who comes by a link', function (): void {
    ($this->switchOn)();
    $key = app(Passes::class)->make($this->ilse, PassPurpose::Reset, null);
    $this->post("/pass/{$key}", ['password' => 'a heron on one leg', 'password_confirmation' => 'a heron on one leg'])
        ->assertRedirect('/sign-in/second-step');
    $this->assertGuest();
});

it('takes somebody who comes by a link out of another’s open page first', function (): void {
    ($this->switchOn)();
    $this->actingAs($this->teammate('mads'));
    $key = app(Passes::class)->make($this->ilse, PassPurpose::Reset, null);
    $this->post("/pass/{$key}", ['password' => 'a heron on one leg', 'password_confirmation' => 'a heron on one leg']);
    $this->assertGuest();
    $this->post('/sign-in/second-step', ['code' => ($this->code)()]);
    $this->assertAuthenticatedAs($this->ilse);
    expect(SignIn::open($this->teammate('mads')->id)->exists())->toBeFalse();
});

it('is switched off, and its codes made anew, with the password', function (): void {
    $codes = ($this->switchOn)();
    $this->actingAs($this->ilse->refresh());
    $this->post('/own-sign-in/recovery-codes', ['confirm' => 'wrong'])->assertSessionHasErrors('confirm');
    $this->post('/own-sign-in/recovery-codes', ['confirm' => 'kites-and-cairns'])->assertSessionHas('recovery_codes');
    expect(app(SecondFactor::class)->accepts($this->ilse, $codes[0]))->toBeFalse();
    $this->post('/own-sign-in/second-step/end', ['confirm' => 'wrong'])->assertSessionHasErrors('confirm');
    expect($this->ilse->refresh()->second_factor_since)->not->toBeNull();
    $this->post('/own-sign-in/second-step/end', ['confirm' => 'kites-and-cairns'])->assertSessionHas('done');
    expect($this->ilse->refresh()->second_factor_secret)->toBeNull()->and($this->ilse->recovery_codes)->toBeNull();
});

it('is required of a role: whoever has none switches it on before anything else', function (): void {
    $this->actingAs($this->teammate('corin'))->post('/people/second-step', ['roles' => ['care']])->assertSessionHas('done');
    $this->post('/people/second-step', ['roles' => ['owner']])->assertSessionHasErrors('roles.0');
    $this->get('/people')->assertOk();
    Auth::forgetGuards();
    $this->actingAs($this->ilse);
    $this->get('/queue/my-turn')->assertRedirect('/own-sign-in/second-step');
    $this->post('/conversations/1/notes', ['text' => 'x'])->assertRedirect('/own-sign-in/second-step');
    $this->get('/own-sign-in')->assertOk();
    ($this->switchOn)();
    Auth::forgetGuards();
    $this->actingAs($this->ilse->refresh())->get('/queue/my-turn')->assertOk();
    expect(app(SecondFactor::class)->isRequiredOf(Role::Lead))->toBeFalse();
});

it('is ended by an administrator when the device is lost, and whoever has it is signed out', function (): void {
    ($this->switchOn)();
    $session = SignIns::note($this->ilse, '192.0.2.7', 'x');
    $this->actingAs($this->teammate('corin'))->get("/people/{$this->ilse->id}")->assertSee('Their device is lost');
    $this->post("/people/{$this->ilse->id}/second-step/end")->assertSessionHas('done');
    expect($this->ilse->refresh()->second_factor_since)->toBeNull()->and($session->refresh()->ended_at)->not->toBeNull();
});
