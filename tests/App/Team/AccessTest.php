<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\Channel;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Str;
use Tests\App\Mails;

it('signs in with the right password, in a new session', function (): void {
    $this->get('/sign-in')->assertOk();
    $before = session()->getId();
    $this->post('/sign-in', ['email' => 'ilse@brindle.example', 'password' => 'kites-and-cairns'])->assertRedirect('/queue');
    $this->assertAuthenticatedAs($this->teammate('ilse'));
    expect(session()->getId())->not->toBe($before);
    $this->post('/sign-out')->assertRedirect('/sign-in');
    $this->assertGuest();
});

it('says neither whether the address nor whether the password was wrong', function (string $email): void {
    $this->post('/sign-in', ['email' => $email, 'password' => 'wrong'])
        ->assertSessionHasErrors(['email' => 'The email address and the password do not go together. Check both and try again.']);
    $this->assertGuest();
})->with(['ilse@brindle.example', 'nobody@brindle.example']);

it('slows down guessing', function (): void {
    foreach (range(1, 5) as $try) {
        $this->post('/sign-in', ['email' => 'ilse@brindle.example', 'password' => "guess {$try}"])->assertRedirect();
    }
    $this->post('/sign-in', ['email' => 'ilse@brindle.example', 'password' => 'kites-and-cairns'])->assertTooManyRequests();
    $this->assertGuest();
});

it('lets nobody in who may not sign in any more', function (): void {
    $this->teammate('ilse')->forceFill(['may_sign_in' => false])->save();
    $this->post('/sign-in', ['email' => 'ilse@brindle.example', 'password' => 'kites-and-cairns'])->assertSessionHasErrors('email');
});

it('shows nothing to those who are not signed in', function (string $address): void {
    Mails::conversation();
    $this->get($address)->assertRedirect('/sign-in');
})->with([
    '/', '/queue/my-turn', '/queue/my-turn/changes', '/conversations/1001', '/accounts', '/unreadable-mail', '/attachments/1',
    '/messages/1/original', '/own-settings',
]);

it('lets the returns bench read, note and hold, but not write to customers', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('femi'));
    $this->get("/conversations/{$conversation->id}")->assertOk()->assertDontSee('id="reply-form"', false);
    $this->post("/conversations/{$conversation->id}/notes", ['text' => 'Measured', 'once' => Str::uuid()->toString()])->assertRedirect();
    $this->post(
        "/conversations/{$conversation->id}/reply",
        ['text' => 'Hi', 'then' => 'waiting', 'seen' => 99999, 'once' => Str::uuid()->toString()]
    )->assertForbidden();
    $this->post("/conversations/{$conversation->id}/resolve", ['outcome' => 1, 'seen' => 99999])->assertForbidden();
    expect($conversation->messages()->count())->toBe(1);
});

it('keeps accounts and unreadable mail to administrators', function (string $name, int $status): void {
    $this->actingAs($this->teammate($name));
    $account = Account::query()->value('id');
    foreach (['/accounts', '/accounts/new', "/accounts/{$account}", '/unreadable-mail'] as $address) {
        $this->get($address)->assertStatus($status);
    }
})->with([['ilse', 403], ['mads', 403], ['femi', 403], ['corin', 200]]);

it('never shows a secret again, and keeps it where the field is left empty', function (): void {
    $account = Account::query()->firstOrFail();
    $secret = $account->secrets['imap_password'];
    $this->actingAs($this->teammate('corin'));
    $this->get("/accounts/{$account->id}")->assertOk()->assertDontSee($secret);
    $form = ['address' => $account->address, 'sender_name' => 'Brindle & Co', 'state' => 'active', ...$account->settings];
    $this->post("/accounts/{$account->id}", $form)->assertSessionHas('done');
    expect($account->refresh()->secrets['imap_password'])->toBe($secret)->and($account->sender_name)->toBe('Brindle & Co');
    $this->post("/accounts/{$account->id}", [...$form, 'imap_password' => 'new one'])->assertSessionHas('done');
    expect($account->refresh()->secrets['imap_password'])->toBe('new one')
        ->and((string) DB::table('accounts')->where('id', $account->id)->value('secrets'))->not->toContain('new one');
    $this->post("/accounts/{$account->id}", [...$form, 'imap_port' => 'x'])->assertSessionHasErrors('imap_port');
});

it('sends a secret that is kept to no other place by who does not know it', function (string $setting, string|int $other): void {
    $account = Account::query()->firstOrFail();
    $before = $account->settings;
    $this->actingAs($this->teammate('corin'));
    $form = ['address' => $account->address, 'sender_name' => 'Brindle', ...$before, $setting => $other];
    $this->post("/accounts/{$account->id}", $form)->assertSessionHasErrors('imap_password');
    expect($account->refresh()->settings)->toBe($before);
    $this->post("/accounts/{$account->id}", [...$form, 'imap_password' => 'once more'])->assertSessionHas('done');
    expect((string) $account->refresh()->settings[$setting])->toBe((string) $other)
        ->and($account->secrets['imap_password'])->toBe('once more');
})->with([
    ['imap_host', 'mail.thief.example'], ['imap_port', 1993], ['imap_security', 'starttls'], ['imap_user', 'somebody'],
]);

it('sends the key of a service to no other address either', function (): void {
    $account = Account::query()->where('channel', Channel::Shop)->firstOrFail();
    $this->actingAs($this->teammate('corin'));
    $form = ['address' => $account->address, ...$account->settings, 'base_url' => 'https://thief.example'];
    $this->post("/accounts/{$account->id}", $form)->assertSessionHasErrors('api_key');
    expect($account->refresh()->settings['base_url'])->not->toBe('https://thief.example');
});

it('makes a signing secret for forwarded mail and shows it once', function (): void {
    $account = Account::query()->firstOrFail();
    $before = $account->secrets['forward_secret'];
    $this->actingAs($this->teammate('ilse'))->post("/accounts/{$account->id}/forward-secret")->assertForbidden();
    $this->actingAs($this->teammate('corin'))
        ->from("/accounts/{$account->id}")
        ->post("/accounts/{$account->id}/forward-secret")
        ->assertRedirect();
    $secret = $account->refresh()->secrets['forward_secret'];
    expect($secret)->not->toBe($before);
    $this->get("/accounts/{$account->id}")->assertSee($secret);
    $this->get("/accounts/{$account->id}")->assertDontSee($secret);
});

it('tells administrators on every page, at once, when a mailbox cannot be read', function (): void {
    Account::query()->firstOrFail()->heard();
    Account::query()->firstOrFail()->wentWrong('The mail server refused the password.');
    $this->actingAs($this->teammate('corin'))->get('/queue/my-turn')->assertSee('The mail server refused the password.');
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')->assertDontSee('The mail server refused the password.');
});

it('sends headers that let nothing foreign run', function (): void {
    $policy = (string) $this->get('/sign-in')->headers->get('Content-Security-Policy');
    expect($policy)
        ->toContain("default-src 'none'")
        ->toContain("script-src 'self'")
        ->toContain("frame-ancestors 'none'")
        ->not->toContain('unsafe');
    $this->get('/sign-in')->assertHeader('X-Content-Type-Options', 'nosniff')->assertHeader('Referrer-Policy', 'same-origin');
});

it('lets no cookie go without encryption where the address of the application has it', function (): void {
    $this->get('/sign-in')->assertHeaderMissing('Strict-Transport-Security');
    $isSecure = static fn (string $address): string => Process::env(['APP_URL' => $address])
        ->path(base_path())
        ->run(['php', 'artisan', 'config:show', 'session.secure'])
        ->output();
    expect($isSecure('https://care.brindle.example'))->toContain('true')->and($isSecure('http://127.0.0.1:8460'))->toContain('false');
    config(['app.url' => 'https://care.brindle.example', 'session.secure' => true]);
    $answer = $this->get('/sign-in')->assertHeader('Strict-Transport-Security', 'max-age=31536000');
    foreach ($answer->headers->getCookies() as $cookie) {
        expect($cookie->isSecure())->toBeTrue($cookie->getName());
    }
});

it('shows one’s own settings as they are', function (): void {
    $this->actingAs($this->teammate('ilse'))
        ->get('/own-settings')
        ->assertOk()
        ->assertSee('<option selected>Europe/Copenhagen</option>', false);
});

it('shows times in the reader’s own zone, and lets single keys be switched off', function (): void {
    $this->actingAs($this->teammate('ilse'));
    $this->post('/own-settings', ['time_zone' => 'Asia/Tokyo', 'single_keys' => '0'])->assertSessionHas('done');
    $this->get('/queue/my-turn')->assertSee('data-single-keys="off"', false);
    $conversation = Mails::conversation();
    $shown = $conversation->created_at->setTimezone('Asia/Tokyo')->format('H:i');
    $this->actingAs(Teammate::query()->findOrFail($this->teammate('ilse')->id))
        ->get("/conversations/{$conversation->id}")
        ->assertSee($shown);
    $this->post('/own-settings', ['time_zone' => 'Europe/Atlantis'])->assertSessionHasErrors('time_zone');
});
