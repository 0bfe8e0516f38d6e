<?php

declare(strict_types=1);

use App\Answering\AnswerRoutes;
use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\Mail\Email;
use App\Conversations\Conversation;
use App\Conversations\Message;
use Cairnfield\Core\Mail\SenderCheck;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * A mail in somebody else's name, which the store's own mail server has found out.
 */
const CHECKED_BY = "Received: from thief (192.0.2.9) by mx.brindle.example with ESMTP; Mon, 23 Nov 2026 09:52:00 +0100\r\n";

function checkedMail(string $found, array $headers = [], string $text = 'Where is B-20388?'): Conversation
{
    $taken = Mails::take("Authentication-Results: {$found}\r\n".CHECKED_BY.Mails::raw([
        'From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Other matter', ...$headers,
    ], $text));

    return Conversation::query()->findOrFail($taken->outcome?->conversation);
}

const FAILED = 'mx.brindle.example; dmarc=fail header.from=wrenfield.example';

beforeEach(function (): void {
    Http::fake(['*' => Http::response([], 404)]);
    foreach (Account::query()->whereIn('channel', Channel::mail())->get() as $account) {
        $account->forceFill(['settings' => [...$account->settings, Email::CHECK_SERVER => 'mx.brindle.example']])->save();
    }
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    $this->ana = Mails::conversation([
        'From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Message-ID' => '<a@w.example>', 'Subject' => 'Kite',
    ]);
    $this->actingAs($this->teammate('ilse'));
});

it('joins nobody’s conversation, and becomes nobody, when it was found out', function (array $headers): void {
    $forged = checkedMail(FAILED, ['Reply-To' => 'ana@thief.example', ...$headers]);
    expect($forged->id)->not->toBe($this->ana->id)
        ->and($forged->customer_id)->not->toBe($this->ana->customer_id)
        ->and($forged->messages()->sole()->sender_check)->toBe(SenderCheck::Failed)
        ->and(app(AnswerRoutes::class)->of($forged)[0]->to)->toBe('ana@wrenfield.example');
    $this->get("/conversations/{$forged->id}")
        ->assertSee('Not verified')
        ->assertSee('It says to be from ana@wrenfield.example, and the mail server found that it is not')
        ->assertSee('The mail server found that this does not come from ana@wrenfield.example')
        ->assertDontSee('Merlin delta')->assertDontSee('8000 Aarhus');
})->with([
    'by reference' => [['In-Reply-To' => '<a@w.example>', 'Subject' => 'Re: Kite']],
    'by subject' => [['Subject' => 'Kite']],
    'by order' => [[]],
    'with somebody in copy' => [['Cc' => 'other@thief.example']],
]);

it('puts nobody into copy whom such a mail names', function (): void {
    $forged = checkedMail(FAILED, ['Cc' => 'other@thief.example']);
    $this->get("/conversations/{$forged->id}")->assertDontSee('value="other@thief.example"', false);
});

it('goes on where it was found to be from there, or nothing was found', function (string $found, ?SenderCheck $is): void {
    $conversation = checkedMail($found, ['In-Reply-To' => '<a@w.example>']);
    expect($conversation->id)->toBe($this->ana->id)
        ->and($conversation->messages()->orderByDesc('id')->firstOrFail()->sender_check)->toBe($is);
    $this->get("/conversations/{$conversation->id}")->assertDontSee('Not verified');
})->with([
    'passed' => ['mx.brindle.example; dmarc=pass header.from=wrenfield.example', SenderCheck::Passed],
    'another server' => ['mx.else.example; dmarc=fail header.from=wrenfield.example', null],
    'nothing' => ['mx.brindle.example; none', null],
]);

it('goes on where somebody has what we signed, and marks it', function (): void {
    $answer = $this->answer($this->ana, 'It is on its way.');
    $token = Cairnfield\Core\Threading\ReplyToken::addTo(
        'care@brindle.example', $this->ana->id, config('cairnfield.mail.reply_secret')
    );
    $conversation = checkedMail(FAILED, ['To' => $token, 'In-Reply-To' => "<{$answer->message_id}>"], 'Thank you.');
    expect($conversation->id)->toBe($this->ana->id);
    $this->get("/conversations/{$conversation->id}")->assertSee('found that this does not come from ana@wrenfield.example');
});

it('is theirs once a person says so, and refuses to be said of what nobody doubts', function (): void {
    $forged = checkedMail(FAILED);
    $this->post("/conversations/{$forged->id}/is-sender")->assertSessionHas('done');
    $this->get("/conversations/{$forged->id}")->assertDontSee('Nothing of a customer with that address')->assertSee('Merlin delta');
    expect($forged->refresh()->customer_id)->toBe($this->ana->customer_id);
    $this->post("/conversations/{$forged->id}/is-sender")->assertSessionHas('done');
    $this->post("/conversations/{$this->ana->id}/is-sender")->assertSessionHas('problem_code', 'sender_not_doubted');
    $unknown = checkedMail(
        'mx.brindle.example; spf=fail smtp.mailfrom=new.example', ['From' => 'Nia <nia@new.example>', 'Subject' => 'New']
    );
    expect($unknown->customer->handles()->count())->toBe(0);
    $this->post("/conversations/{$unknown->id}/is-sender")->assertSessionHas('done');
    expect($unknown->customer->handles()->pluck('value')->all())->toBe(['nia@new.example']);
});

it('believes nobody where no server is named', function (): void {
    foreach (Account::query()->whereIn('channel', Channel::mail())->get() as $account) {
        $account->forceFill(['settings' => [...$account->settings, Email::CHECK_SERVER => '']])->save();
    }
    expect(checkedMail(FAILED, ['In-Reply-To' => '<a@w.example>'])->id)->toBe($this->ana->id)
        ->and(Message::query()->whereNotNull('sender_check')->exists())->toBeFalse();
});
