<?php

declare(strict_types=1);

use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\Services\EventTrace;
use App\Conversations\Message;
use Tests\App\Services;

it('takes an event that is rightly signed, and says what became of it', function (): void {
    $account = Services::account(Channel::Pennon);
    $event = Services::post('@brindlekites hello there');
    Services::send($this, $account, $event)->assertOk()->assertJson(['taken' => true, 'result' => 'new']);
    Services::send($this, $account, $event)->assertOk()->assertJson(['result' => 'again']);
    expect(Message::query()->count())->toBe(1)->and($account->refresh()->last_heard_at)->not->toBeNull();
});

it('refuses what is wrongly signed, old, no JSON or too large, says why, and leaves a trace', function (
    array|string $event, ?string $secret, int $secondsAgo, int $status, string $problem
): void {
    $account = Services::account(Channel::Pennon);
    Services::send($this, $account, $event, $secret, $secondsAgo)->assertStatus($status)->assertJson(['error' => $problem]);
    expect(Message::query()->count())->toBe(0)
        ->and(EventTrace::query()->sole()->problem)->toBe($problem)
        ->and(EventTrace::query()->sole()->event)->toBeNull();
    $this->actingAs($this->teammate('corin'))->get("/accounts/{$account->id}")->assertOk()->assertSee(EventTrace::query()->sole()->reason);
})->with([
    'a wrong secret' => [fn () => Services::post('x'), 'another secret', 0, 401, 'bad_signature'],
    'an hour old' => [fn () => Services::post('x'), null, 3600, 401, 'bad_signature'],
    'from the future' => [fn () => Services::post('x'), null, -3600, 401, 'bad_signature'],
    'no JSON' => ['<xml/>', null, 0, 400, 'bad_json'],
    'a list' => ['[1]', null, 0, 400, 'bad_json'],
    'ten megabytes' => [fn () => '{"a":"'.str_repeat('x', 10_000_000).'"}', null, 0, 413, 'too_large'],
]);

it('keeps a signed event that it cannot read, without the numbers in it, to be taken later', function (): void {
    $account = Services::account(Channel::Pennon);
    Services::send($this, $account, ['type' => 'post.praised', 'text' => 'card 4111 1111 1111 1111'])
        ->assertStatus(422)
        ->assertJson(['taken' => false]);
    Services::send($this, $account, ['type' => 'post.praised', 'text' => 'card 4111 1111 1111 1111'])->assertStatus(422);
    $trace = EventTrace::query()->sole();
    expect($trace->times)->toBe(2)->and($trace->event)->toContain('[card …1111]')->not->toContain('4111 1111');

    $this->actingAs($this->teammate('corin'))->post("/troubles/{$trace->id}/take")->assertSessionHas('problem');
    $trace->forceFill(['event' => json_encode(Services::post('@brindlekites now it can be read'))])->save();
    $this->post("/troubles/{$trace->id}/take")->assertSessionHas('done');
    expect($trace->refresh()->state)->toBe('taken')->and(Message::query()->count())->toBe(1);
});

it('listens to no account that is paused, disconnected or of another kind', function (): void {
    $account = Services::account(Channel::Pennon);
    $account->forceFill(['state' => AccountState::Paused])->save();
    Services::send($this, $account, Services::post('x'))->assertStatus(202);
    $account->forceFill(['state' => AccountState::Disconnected])->save();
    Services::send($this, $account, Services::post('x'))->assertNotFound();
    Services::send($this, Services::account(Channel::Email), Services::post('x'), 'x')->assertNotFound();
    expect(Message::query()->count())->toBe(0);
});
