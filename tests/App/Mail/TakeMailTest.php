<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\Mail\TakeMail;
use App\Channels\Mail\UnreadableMail;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Message;
use App\Support\FileStore;
use Illuminate\Support\Str;
use Tests\App\Mails;

it('puts a message to the account it was written to, with that account’s team', function (): void {
    $conversation = Mails::conversation(['To' => 'Returns <returns@brindle.example>']);
    expect($conversation->account->address)->toBe('returns@brindle.example')
        ->and($conversation->team->name)->toBe('Returns bench')
        ->and($conversation->customer->name)->toBe('Tomas Hrubý')
        ->and($conversation->waiting_since)->not->toBeNull()
        ->and($conversation->due_at->greaterThan($conversation->waiting_since))->toBeTrue();
});

it('stores the same message once that comes by two ways', function (): void {
    $raw = Mails::raw();
    $first = Mails::take($raw);
    $byAnotherWay = "Received: from mx.example by other.example\r\n".str_replace("\r\n", "\n", $raw);
    $second = app(TakeMail::class)->take($byAnotherWay, Account::query()->where('address', 'returns@brindle.example')->firstOrFail());
    expect($first->result)->toBe('new')
        ->and($second->result)->toBe('again')
        ->and($second->outcome?->message)->toBe($first->outcome?->message);
});

it('keeps two messages that share an id but not their text', function (): void {
    Mails::take(Mails::raw(['Message-ID' => '<same@x.example>'], 'one'));
    Mails::take(Mails::raw(['Message-ID' => '<same@x.example>'], 'two'));
    expect(Message::query()->pluck('text')->all())->toBe(['one', 'two']);
});

it('knows a customer again by the address, whatever its case', function (): void {
    $one = Mails::conversation(['Subject' => 'First']);
    $two = Mails::conversation(['Subject' => 'Second', 'From' => 'TOMAS@Hruby.example']);
    expect($two->customer_id)->toBe($one->customer_id)->and($two->id)->not->toBe($one->id);
});

it('sets aside what is too large, whole, with a reason that says how to mend it', function (): void {
    config(['cairnfield.mail.largest_message' => 2000]);
    $raw = Mails::raw(['Subject' => 'Huge =?utf-8?Q?Dr=C3=A5ke?='], str_repeat('x', 3000));
    $taken = Mails::take($raw);
    $kept = UnreadableMail::query()->sole();
    expect($taken->result)->toBe('unreadable')
        ->and(Message::query()->count())->toBe(0)
        ->and($kept->subject)->toBe('Huge Dråke')
        ->and($kept->from)->toContain('tomas@hruby.example')
        ->and($kept->reason)->toContain('MAIL_LARGEST_MESSAGE')
        ->and(app(FileStore::class)->read($kept->original))->toBe($raw);

    expect(Mails::take($raw)->result)->toBe('unreadable')->and(UnreadableMail::query()->count())->toBe(1);
});

it('lets an administrator take a set-aside message after all', function (): void {
    config(['cairnfield.mail.largest_message' => 100]);
    Mails::take(Mails::raw());
    $kept = UnreadableMail::query()->sole();
    $this->actingAs($this->teammate('corin'))->get('/unreadable-mail')->assertOk()->assertSee('Where is my kite');
    $this->post("/unreadable-mail/{$kept->id}/take")->assertSessionHas('problem');
    config(['cairnfield.mail.largest_message' => 10_000]);
    $this->post("/unreadable-mail/{$kept->id}/take")->assertRedirectContains('/conversations/');
    expect(Message::query()->count())->toBe(1)->and($kept->refresh()->state)->toBe(UnreadableMail::TAKEN);
    $this->get("/unreadable-mail/{$kept->id}/original")->assertOk()->assertHeader('Content-Type', 'application/octet-stream');
});

it('says of an empty message that it is empty', function (): void {
    $taken = Mails::take("\r\n \r\n");
    expect($taken->result)->toBe('unreadable')->and($taken->toArray()['reason'])->toBe('The message is empty.');
});

it('puts an answer into its conversation and says why', function (array $headers, string $why): void {
    $conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $sent = $this->answer($conversation, 'Which letter does it say?');
    $headers = array_map(static fn (string $value): string => strtr($value, [
        '{sent}' => "<{$sent->message_id}>",
        '{number}' => $conversation->number(),
        '{token}' => \Cairnfield\Core\Threading\ReplyToken::addTo(
            'care@brindle.example', $conversation->id, config('cairnfield.mail.reply_secret')
        ),
    ]), $headers);
    $answered = Mails::conversation(['Subject' => 'Something else', ...$headers]);
    expect($answered->id)->toBe($conversation->id)
        ->and($answered->state->value)->toBe('open')
        ->and($answered->journal()->where('kind', JournalKind::MessageReceived)->orderByDesc('id')->value('why'))->toBe($why);
})->with([
    'In-Reply-To' => [['In-Reply-To' => '{sent}'], 'it refers to an earlier message'],
    'References' => [['References' => "<other@x.example>\r\n {sent}"], 'it refers to an earlier message'],
    'the token in our address' => [
        ['To' => '{token}', 'From' => 'tomas@work.example'], 'it was sent to the reply address of this conversation',
    ],
    'the number in the subject' => [['Subject' => 'New: [{number}]'], 'its subject has this number'],
    'the same subject' => [['Subject' => 'AW: where is my KITE'], 'same sender and subject within 14 days'],
]);

it('attaches nothing by a forged token', function (): void {
    $conversation = Mails::conversation();
    $forged = "care+c{$conversation->id}.aaaaaaaaaaaaaaaa@brindle.example";
    $stranger = Mails::conversation(['To' => $forged, 'From' => 'eve@else.example', 'Subject' => 'Hi']);
    expect($stranger->id)->not->toBe($conversation->id)->and($stranger->linked_conversation_id)->toBeNull()
        ->and($conversation->messages()->count())->toBe(1);
});

it('begins a new conversation for an answer to a closed one, with a link', function (): void {
    $conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $conversation->forceFill(['state' => 'closed'])->save();
    $next = Mails::conversation(['In-Reply-To' => '<first@hruby.example>', 'Subject' => 'Re: Where is my kite']);
    expect($next->id)->not->toBe($conversation->id)
        ->and($next->linked_conversation_id)->toBe($conversation->id)
        ->and($conversation->refresh()->state->value)->toBe('closed');
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$next->id}")->assertSee($conversation->number());
});

it('brings a resolved conversation back when the customer writes', function (): void {
    $conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $this->answer($conversation, 'Done.');
    $conversation->refresh()->forceFill(['state' => 'resolved'])->save();
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>']));
    expect($conversation->refresh()->state->value)->toBe('open')->and($conversation->waiting_since)->not->toBeNull();
});

it('leaves it the customer’s turn when only a machine answers', function (): void {
    $conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $this->answer($conversation, 'Which letter?');
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>', 'Auto-Submitted' => 'auto-replied', 'Subject' => 'Out of office']));
    expect($conversation->refresh()->state->value)->toBe('waiting')
        ->and($conversation->waiting_since)->toBeNull()
        ->and($conversation->messages()->count())->toBe(3);
});

it('makes it our turn when our answer could not be delivered', function (): void {
    $conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $sent = $this->answer($conversation, 'Which letter?');
    Mails::take(
        Mails::raw([
            'From' => 'MAILER-DAEMON@mx.example', 'Return-Path' => '<>', 'References' => "<{$sent->message_id}>",
            'Subject' => 'Undelivered',
        ])
    );
    expect($conversation->refresh()->state->value)->toBe('open');
});

it('takes a forward that is signed, and no other', function (): void {
    $account = Account::query()->where('address', 'care@brindle.example')->firstOrFail();
    $body = Mails::raw();
    $sign = static fn (int $time, string $signed): array => [
        'CONTENT_TYPE' => 'message/rfc822',
        'HTTP_CAIRNFIELD_TIME' => (string) $time,
        'HTTP_CAIRNFIELD_SIGNATURE' => hash_hmac('sha256', "{$time}.{$signed}", $account->secrets['forward_secret']),
    ];
    $post = fn (array $server): \Illuminate\Testing\TestResponse => $this->call(
        'POST', "/intake/mail/{$account->id}", [], [], [], $server, $body
    );
    $now = now()->getTimestamp();

    $post([])->assertUnauthorized();
    $post($sign($now, 'another body'))
        ->assertUnauthorized()
        ->assertJsonPath('error', fn (string $error): bool => str_contains($error, 'Signature'));
    $post($sign($now - 301, $body))
        ->assertUnauthorized()
        ->assertJsonPath('error', fn (string $error): bool => str_contains($error, 'clock'));
    expect(Conversation::query()->count())->toBe(0);

    $post($sign($now, $body))->assertCreated()->assertJsonPath('result', 'new')->assertJsonPath('subject', 'Where is my kite');
    $post($sign($now, $body))->assertOk()->assertJsonPath('result', 'again');
});

it('knows an answer of a machine by its subject alone, and does not wake what waits', function (string $subject, bool $isMachine): void {
    $conversation = Mails::conversation(['Subject' => 'Where is my kite']);
    $answer = $this->answer($conversation, 'It is on its way.');
    expect($conversation->refresh()->state)->toBe(ConversationState::Waiting);
    Mails::take(Mails::raw(
        ['Subject' => mb_encode_mimeheader($subject, 'UTF-8'), 'In-Reply-To' => "<{$answer->message_id}>"], "I am away until Monday.\r\n"
    ));
    expect($conversation->refresh()->state)->toBe($isMachine ? ConversationState::Waiting : ConversationState::Open)
        ->and($conversation->messages()->count())->toBe(3);
})->with([
    ['Automatic reply: Where is my kite', true], ['Automatische Antwort: Where is my kite', true], ['Abwesenheitsnotiz: Kite', true],
    ['Autosvar: Where is my kite', true], ['Out of Office: Where is my kite', true], ['Out of office', true],
    ['Réponse automatique : Where is my kite', true], ['Automatiskt svar: Where is my kite', true],
    ['Automātiskā atbilde: Where is my kite', true], ['RE: Auto-Reply: Where is my kite', true],
    ['Re: Where is my kite', false], ['Automatic kite reel: broken', false], ['Out of office chairs: a question', false],
    ['Auto-roof kite: torn', false],
]);

it('puts flowed text together again, and leaves other text as it is', function (): void {
    $body = "The kite tore \r\nat the seam.\r\n> You said \r\n> this.\r\n";
    $text = function (string $type) use (&$body): string {
        return Mails::conversation(
            ['Content-Type' => $type, 'Subject' => $type, 'From' => Str::random(8).'@hruby.example'], $body
        )->messages()->sole()->text;
    };
    expect($text('text/plain; charset=utf-8; format=flowed'))->toBe("The kite tore at the seam.\n> You said this.")
        ->and($text('text/plain; charset=utf-8'))->toBe("The kite tore \nat the seam.\n> You said \n> this.");
    $body = "返品は \r\nできますか\r\n";
    expect($text('text/plain; charset=utf-8; format=flowed; delsp=yes'))->toBe('返品はできますか');
});
