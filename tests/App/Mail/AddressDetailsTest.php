<?php

declare(strict_types=1);

use App\Answering\Outbox\ComposeOutgoing;
use App\Channels\Account;
use App\Channels\Mail\AddressDetails;
use App\Channels\Mail\FetchMailbox;
use App\Channels\Mail\MailComposer;
use App\Channels\Mail\TakeMail;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use Cairnfield\Core\Threading\SignedDetail;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Tests\App\Mails;

/*
 * Addresses of an account with a detail, by which answers and reports find back, where the mail server takes them.
 */

beforeEach(function (): void {
    $this->account = Account::query()->where('address', 'care@brindle.example')->sole();
    $this->returnPath = fn (Message $message): string => AddressDetails::returnPath($message->account()->firstOrFail(), $message->id);
    // Names nothing of what it is about.
    $this->report = fn (string $to, string $said = "The mailbox is full.\r\n552 5.2.2 over quota\r\n"): string => Mails::raw([
        'From' => 'MAILER-DAEMON@mx.hruby.example', 'To' => "<{$to}>", 'Return-Path' => '<>', 'Subject' => 'Undelivered mail',
    ], $said);
});

it('uses them once a mail of its own has arrived, and shows that mail to nobody', function (): void {
    $address = 'box-'.Str::lower(Str::random(12)).'@brindle.example';
    $this->account->forceFill([
        'address' => $address, 'settings' => [...$this->account->settings, 'imap_user' => $address], 'takes_details' => false,
        'details_tried_at' => null,
    ])->save();
    app(AddressDetails::class)->tryUntried();
    expect($this->account->refresh()->details_tried_at)->not->toBeNull()->and($this->account->takes_details)->toBeFalse();
    $this->actingAs($this->teammate('corin'))->get("/accounts/{$this->account->id}")->assertSee('has not arrived here');

    app()->call([new FetchMailbox($this->account->id), 'handle']);
    expect($this->account->refresh()->takes_details)->toBeTrue()
        ->and($this->account->last_uid)->toBe(1)
        ->and(Conversation::query()->exists())->toBeFalse();
    $this->get("/accounts/{$this->account->id}")->assertSee('asks for replies to one of its conversation');
    // It was tried: not again every minute.
    app(AddressDetails::class)->tryUntried();
    app()->call([new FetchMailbox($this->account->id), 'handle']);
    expect($this->account->refresh()->last_uid)->toBe(1);
});

it('does without them where its own mail came back, or arrived in another mailbox', function (): void {
    $other = Account::query()->where('address', 'returns@brindle.example')->sole();
    $secret = (string) config('cairnfield.mail.reply_secret');
    $to = (new SignedDetail('t', 'try'))->addTo('care@brindle.example', $this->account->id, $secret);
    Mails::take(($this->report)('care@brindle.example', "550 5.1.1 <{$to}>: no such user\r\n\r\nMessage-ID: <{$to}>\r\n"));
    expect($this->account->refresh()->takes_details)->toBeFalse()->and(Conversation::query()->exists())->toBeFalse();

    $this->account->forceFill(['takes_details' => true])->save();
    app(TakeMail::class)->take(Mails::raw(['From' => 'care@brindle.example', 'To' => $to]), $other);
    expect($this->account->refresh()->takes_details)->toBeFalse()
        ->and($other->refresh()->takes_details)->toBeTrue()
        ->and(Conversation::query()->exists())->toBeFalse();
});

it('writes from the bare address where it is not known that they arrive', function (): void {
    $this->account->forceFill(['takes_details' => false])->save();
    $conversation = Mails::conversation();
    $message = $this->answer($conversation, 'It is on its way.');
    $outgoing = app(ComposeOutgoing::class)->ofMessage($message->load('attachments'), $this->account->refresh(), []);
    expect(app(MailComposer::class)->compose($outgoing)->getReplyTo()[0]->getAddress())->toBe('care@brindle.example')
        ->and(($this->returnPath)($message))->toBe('care@brindle.example');
});

it('ties a report to the answer that it came back for, whatever it names', function (string $said, string $mark): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $conversation = Mails::conversation();
    $answer = $this->answer($conversation, 'It is on its way.');
    Mails::take(($this->report)(($this->returnPath)($answer), $said));
    expect(Conversation::query()->count())->toBe(1)
        ->and($answer->refresh()->marks)->toHaveCount(1)
        ->and($answer->marks[0])->toStartWith($mark)
        ->and($conversation->refresh()->state)->toBe(ConversationState::Open);
})->with([
    'nothing' => ["The mailbox is full.\r\n552 5.2.2 over quota\r\n", 'Did not reach tomas@hruby.example: the mailbox is full'],
    'where it was forwarded to' => [
        "<tom@elsewhere.example>: 550 5.1.1 unknown\r\n", 'Did not reach tomas@hruby.example: there is no such mailbox',
    ],
]);

it('ties an out-of-office note to the answer that it came back for', function (): void {
    $conversation = Mails::conversation();
    $answer = $this->answer($conversation, 'It is on its way.');
    Mails::take(Mails::raw([
        'From' => 'tomas@hruby.example', 'To' => ($this->returnPath)($answer), 'Subject' => 'Away until Monday',
        'Auto-Submitted' => 'auto-replied',
    ], "I am away.\r\n"));
    expect(Conversation::query()->count())->toBe(1)
        ->and(Message::query()->where('subject', 'Away until Monday')->value('conversation_id'))->toBe($conversation->id)
        ->and($answer->refresh()->marks)->toBe([]);
});

it('believes no address that somebody made up', function (): void {
    $conversation = Mails::conversation();
    $answer = $this->answer($conversation, 'It is on its way.');
    $forged = preg_replace('/\.[a-z2-7]{16}@/', '.aaaaaaaaaaaaaaaa@', ($this->returnPath)($answer));
    Mails::take(($this->report)($forged));
    // Of a message that came in, nothing can come back.
    $incoming = Message::query()->where('direction', Message::IN)->orderBy('id')->firstOrFail();
    Mails::take(($this->report)(($this->returnPath)($incoming)));
    expect($answer->refresh()->marks)->toBe([])
        ->and($incoming->refresh()->marks)->toBe([])
        ->and(Conversation::query()->count())->toBe(3);
});

it('lets its addresses grow old', function (int $days, int $conversations): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $conversation = Mails::conversation();
    $replyTo = AddressDetails::replyTo($this->account, $conversation->id);
    $this->travel($days)->days();
    Mails::take(Mails::raw(['From' => 'somebody@else.example', 'To' => $replyTo, 'Subject' => 'Hello again'], 'Still there?'));
    expect(Conversation::query()->count())->toBe($conversations);
})->with(['within a year' => [364, 1], 'after it' => [366, 2]]);

it('takes nothing back for a message that was sent long ago', function (int $days, int $conversations): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $answer = $this->answer(Mails::conversation(), 'It is on its way.');
    $this->travel($days)->days();
    Mails::take(($this->report)(($this->returnPath)($answer)));
    expect(Conversation::query()->count())->toBe($conversations)->and($answer->refresh()->marks)->toHaveCount(2 - $conversations);
})->with(['within a month' => [29, 1], 'after it' => [31, 2]]);
