<?php

declare(strict_types=1);

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Customers\Handle;
use App\Notifications\News;
use App\Notifications\NewsKind;
use App\Notifications\NotifyFromJournal;
use Carbon\CarbonImmutable;
use Tests\App\Mails;

/*
 * What mail systems say of our answers is tied to the answer it is about.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    app(NotifyFromJournal::class)->run();
    $this->conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>']);
    $this->answer = $this->answer($this->conversation, 'It is on its way.');
    CarbonImmutable::setTestNow('2026-11-23T10:05:00Z');
    // As RFC 3464 has it, without any header that refers to ours but the one of the message that came back.
    $this->report = fn (
        string $action = 'failed', string $status = '5.1.1', string $to = 'ana@wrenfield.example', ?string $id = null
    ) => Mails::raw([
        'From' => 'Mail Delivery System <MAILER-DAEMON@mx.wrenfield.example>', 'Subject' => 'Undelivered Mail Returned to Sender',
        'Return-Path' => '<>', 'Content-Type' => 'multipart/report; report-type=delivery-status; boundary=b',
    ], implode("\r\n", [
        '--b', 'Content-Type: text/plain', '', 'This is the mail system. I could not deliver your message.',
        '--b', 'Content-Type: message/delivery-status', '', 'Reporting-MTA: dns; mx.wrenfield.example', '',
        "Final-Recipient: rfc822; {$to}", "Action: {$action}", "Status: {$status}",
        "Diagnostic-Code: smtp; 550 {$status} <{$to}>:", '  User unknown',
        '--b', 'Content-Type: text/rfc822-headers', '', 'Subject: Re: Where is my kite',
        'Message-ID: <'.($id ?? $this->answer->message_id).'>', '--b--', '',
    ]));
    $this->actingAs($this->teammate('ilse'));
});

it('marks the answer that came back, makes it our turn, and marks the address', function (): void {
    Mails::take(($this->report)());
    $page = $this->get("/conversations/{$this->conversation->id}");
    $handle = Handle::query()->where('value', 'ana@wrenfield.example')->sole();
    expect(Conversation::query()->count())->toBe(1)
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Open)
        ->and($this->conversation->due_at)->not->toBeNull()
        ->and($this->answer->refresh()->marks)->toBe([
            'Did not reach ana@wrenfield.example: there is no such mailbox, “550 5.1.1 <ana@wrenfield.example>: User unknown”.',
        ])
        ->and(OutboxItem::query()->sole()->state)->toBe(OutboxItem::FAILED)
        ->and($handle->undeliverable_why)->toContain('there is no such mailbox');
    $page->assertSee('The answer to ana@wrenfield.example could not be delivered')
        ->assertSee('Mail to ana@wrenfield.example came back')
        ->assertSee('mail to it came back')
        ->assertSee('Send it again');
    app(NotifyFromJournal::class)->run();
    expect(News::query()->where('teammate_id', $this->teammate('ilse')->id)->pluck('kind')->all())->toContain(NewsKind::NotSent);
});

it('takes the same report once, and knows the address to work when somebody writes from it', function (): void {
    $report = ($this->report)();
    Mails::take($report);
    Mails::take($report);
    expect(Message::query()->where('direction', Message::IN)->count())->toBe(2)
        ->and($this->answer->refresh()->marks)->toHaveCount(1);
    Mails::take(Mails::raw(['From' => 'ana@wrenfield.example', 'In-Reply-To' => "<{$this->answer->message_id}>"], 'I am back.'));
    expect(Handle::query()->where('value', 'ana@wrenfield.example')->value('undeliverable_since'))->toBeNull();
});

it('only marks the answer where it is tried on', function (): void {
    Mails::take(($this->report)('delayed', '4.4.1'));
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Waiting)
        ->and($this->answer->refresh()->marks[0])
        ->toStartWith('Not with ana@wrenfield.example yet, it is tried on: the mail server cannot be reached')
        ->and(OutboxItem::query()->sole()->state)->toBe(OutboxItem::SENT)
        ->and(Handle::query()->whereNotNull('undeliverable_since')->exists())->toBeFalse();
});

it('reads what the common programs write otherwise', function (array $headers, string $body): void {
    $text = strtr($body, ['{id}' => $this->answer->message_id]);
    Mails::take(Mails::raw(['From' => 'MAILER-DAEMON@mx.example', 'Return-Path' => '<>', ...$headers], str_replace("\n", "\r\n", $text)));
    expect(Conversation::query()->count())->toBe(1)
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Open)
        ->and($this->answer->refresh()->marks[0])->toStartWith('Did not reach ana@wrenfield.example: the mailbox is full');
})->with([
    'with the message below' => [
        ['Subject' => 'failure notice'],
        "Hi. This is the mail program at mx.example.\nI'm afraid I wasn't able to deliver your message.\n\n<ana@wrenfield.example>:\n"
            ."552 5.2.2 Mailbox full\n\n--- Below this line is a copy of the message.\n\nFrom: x\nMessage-ID: <{id}>\n\nIt is on its way.",
    ],
    'with the address in a header' => [
        ['Subject' => 'Mail delivery failed: returning message to sender', 'X-Failed-Recipients' => 'ana@wrenfield.example'],
        "A message could not be delivered.\n\n    SMTP error: 552 5.2.2 Mailbox full\n\n------ This is a copy of the message ------\n\n"
            ."Message-ID: <{id}>\nTo: ana@wrenfield.example\n",
    ],
    'in German, referring to ours' => [
        ['Subject' => 'Unzustellbar: Re: Where is my kite', 'In-Reply-To' => '<{id}>'],
        "Ihre Nachricht an ana@wrenfield.example konnte nicht zugestellt werden.\n552 5.2.2 voll\n\nMessage-ID: <{id}>\n",
    ],
]);

it('leaves alone what names no answer of ours, or nobody whom it went to, each on its own', function (): void {
    Mails::take(($this->report)(id: 'nobody@knows.example'));
    Mails::take(($this->report)(id: 'nobody-else@knows.example'));
    Mails::take(($this->report)(to: 'somebody@else.example'));
    expect(Conversation::query()->count())->toBe(4)
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Waiting)
        ->and($this->answer->refresh()->marks)->toBe([])
        ->and(Handle::query()->whereNotNull('undeliverable_since')->exists())->toBeFalse();
});

it('does not take a person who writes about delivery for a mail system', function (): void {
    Mails::take(Mails::raw([
        'From' => 'ana@wrenfield.example', 'Subject' => 'Mail delivery', 'In-Reply-To' => "<{$this->answer->message_id}>",
    ], "550 kites, please.\r\nMessage-ID: <{$this->answer->message_id}>"));
    expect($this->answer->refresh()->marks)->toBe([])->and($this->conversation->refresh()->state)->toBe(ConversationState::Open);
});

it('marks one in copy who was not reached, and does not offer to send to all again', function (): void {
    $item = OutboxItem::query()->sole();
    $item->forceFill(['recipients' => ['ana@wrenfield.example', 'cy@wrenfield.example']])->save();
    Mails::take(($this->report)(to: 'cy@wrenfield.example'));
    expect($item->refresh()->state)->toBe(OutboxItem::SENT)
        ->and($this->answer->refresh()->marks[0])->toStartWith('Did not reach cy@wrenfield.example')
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Open);
});
