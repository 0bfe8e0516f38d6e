<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\AccountState;
use Tests\App\Mails;

function accountForm(array $more = []): array
{
    return [
        'address' => 'club@brindle.example', 'sender_name' => 'Brindle club', 'state' => 'active',
        'imap_host' => 'mail.brindle.example', 'imap_port' => 993, 'imap_security' => 'tls', 'imap_user' => 'club',
        'imap_password' => 'imap secret',
        'smtp_host' => 'mail.brindle.example', 'smtp_port' => 587, 'smtp_security' => 'starttls', 'smtp_user' => 'club',
        'smtp_password' => 'smtp secret',
        ...$more,
    ];
}

it('connects an address, which then takes what is written to it', function (): void {
    $this->actingAs($this->teammate('corin'))->post('/accounts', accountForm())->assertSessionHas('done');
    $account = Account::query()->where('address', 'club@brindle.example')->sole();
    expect($account->secrets)->toMatchArray(['imap_password' => 'imap secret', 'smtp_password' => 'smtp secret'])
        ->and($account->secrets['forward_secret'])->toHaveLength(48)
        ->and(Mails::conversation(['To' => 'Club+summer@Brindle.example'])->account_id)->toBe($account->id);
    $this->get('/accounts')->assertSee('club@brindle.example')->assertSee('never');
});

it('pauses an account', function (): void {
    $account = Account::query()->firstOrFail();
    $this->actingAs($this->teammate('corin'))->post("/accounts/{$account->id}/pause")->assertSessionHas('done');
    expect($account->refresh()->state)->toBe(AccountState::Paused);
    $this->get('/accounts')->assertSee('Paused');
    $this->post("/accounts/{$account->id}/pause")->assertSessionHas('done');
    expect($account->refresh()->state)->toBe(AccountState::Active);
});

it('reads from the beginning when the mailbox is another one', function (): void {
    $account = Account::query()->firstOrFail();
    $account->forceFill(['uid_validity' => 7, 'last_uid' => 99])->save();
    $this->actingAs($this->teammate('corin'))->post("/accounts/{$account->id}", accountForm(['address' => $account->address]));
    expect($account->refresh()->last_uid)->toBe(0)->and($account->uid_validity)->toBeNull();
});

it('says which setting is wrong', function (array $wrong, string $field): void {
    $this->actingAs($this->teammate('corin'))->post('/accounts', accountForm($wrong))->assertSessionHasErrors($field);
    expect(Account::query()->where('address', 'club@brindle.example')->exists())->toBeFalse();
})->with([
    'an address twice' => [['address' => 'care@brindle.example'], 'address'],
    'no address' => [['address' => 'care'], 'address'],
    'a host with a flag in it' => [['imap_host' => 'x/norsh}INBOX'], 'imap_host'],
    'a port beyond' => [['smtp_port' => 70000], 'smtp_port'],
    'an encryption nobody knows' => [['imap_security' => 'rot13'], 'imap_security'],
]);
