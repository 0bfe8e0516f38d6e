<?php

declare(strict_types=1);

use App\Answering\Draft;
use App\Answering\Outbox\ComposeOutgoing;
use App\Answering\Outbox\DeliverDue;
use App\Answering\Outbox\DeliverOutboxItem;
use App\Channels\DeliveryFailed;
use App\Channels\Mail\MailComposer;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Sorting\Outcome;
use App\Support\ProcessMark;
use Cairnfield\Core\Threading\ReplyToken;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Str;
use Tests\App\Mails;

function replyForm(array $fields): array
{
    return ['text' => 'An answer', 'then' => 'waiting', 'seen' => PHP_INT_MAX, 'once' => Str::uuid()->toString(), ...$fields];
}

it('answers the customer, gives the conversation an owner, and makes it the customer’s turn', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$conversation->id}/reply", replyForm(['text' => 'It is on its way.']))
        ->assertRedirect("/conversations/{$conversation->id}");
    $message = $conversation->messages()->where('direction', Message::OUT)->sole();
    expect($conversation->refresh()->state->value)->toBe('waiting')
        ->and($conversation->owner->name)->toBe('Ilse Norrby')
        ->and($conversation->due_at)->toBeNull()
        ->and($message->to)->toBe(['tomas@hruby.example'])
        ->and($this->sender->delivered)->toBe([$message->once_key]);
});

it('writes mail that keeps the thread together', function (): void {
    $conversation = Mails::conversation([
        'Message-ID' => '<first@hruby.example>', 'References' => '<before@hruby.example>', 'Reply-To' => 'tomas@home.example',
    ]);
    $message = $this->answer($conversation, "It is on its way.\n\nIlse & the team");
    $email = app(MailComposer::class)->compose(
        app(ComposeOutgoing::class)->ofMessage($message->load(['attachments']), $conversation->account, [])
    );
    $raw = $email->toString();
    $reply = $email->getReplyTo()[0]->getAddress();
    expect($raw)->toContain("Message-ID: <{$message->message_id}>")
        ->toContain('In-Reply-To: <first@hruby.example>')
        ->toContain('References: <before@hruby.example> <first@hruby.example>')
        ->not->toContain('Auto-Submitted')
        ->and($email->getSubject())->toBe("Re: Where is my kite [{$conversation->number()}]")
        ->and($email->getTo()[0]->getAddress())->toBe('tomas@hruby.example')
        ->and(ReplyToken::read($reply, config('cairnfield.mail.reply_secret')))->toBe($conversation->id)
        ->and($email->getTextBody())->toContain('It is on its way.')->toContain('-- ')->toContain('> my kite has not come.')
        ->and($email->getHtmlBody())->toContain('Ilse &amp; the team')->toContain('<blockquote');
    $message->automatic = true;
    expect(
        app(MailComposer::class)->compose(app(ComposeOutgoing::class)->ofMessage($message, $conversation->account, []))->toString()
    )->toContain('Auto-Submitted: auto-generated');
});

it('stops an answer when somebody else answered in between, and shows what came', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $page = (string) $this->get("/conversations/{$conversation->id}")->getContent();
    preg_match('/name="seen" value="(\d+)"/', $page, $seen);
    $this->answer($conversation, 'I sent two new spars.', 'mads');

    $stopped = $this->post("/conversations/{$conversation->id}/reply", replyForm(['text' => 'Which letter is it?', 'seen' => $seen[1]]));
    $stopped->assertConflict()->assertSee('this came in between')->assertSee('I sent two new spars.')->assertSee('Which letter is it?');
    expect($conversation->messages()->where('direction', Message::OUT)->count())->toBe(1);

    preg_match('/name="seen" value="(\d+)"/', (string) $stopped->getContent(), $seenNow);
    $this->post(
        "/conversations/{$conversation->id}/reply", replyForm(['text' => 'Which letter is it?', 'seen' => $seenNow[1]])
    )->assertRedirect();
    expect($conversation->messages()->where('direction', Message::OUT)->count())->toBe(2);
});

it('stops an answer when the customer wrote again in between', function (): void {
    $conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $seen = $conversation->journal()->max('id');
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'Never mind, it came.'));
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$conversation->id}/reply", replyForm(['seen' => $seen]))
        ->assertConflict()->assertSee('Never mind, it came.');
});

it('is not stopped by what one did oneself', function (): void {
    $conversation = Mails::conversation();
    $seen = $conversation->journal()->max('id');
    $this->actingAs($this->teammate('ilse'));
    $this->post(
        "/conversations/{$conversation->id}/notes", ['text' => 'Batch K again', 'once' => Str::uuid()->toString()]
    )->assertRedirect();
    $this->post("/conversations/{$conversation->id}/reply", replyForm(['seen' => $seen]))->assertRedirect();
});

it('sends a form once, however often it is sent', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $form = replyForm([]);
    foreach (range(1, 3) as $time) {
        $this->post("/conversations/{$conversation->id}/reply", $form)->assertRedirect();
    }
    expect($conversation->messages()->where('direction', Message::OUT)->count())->toBe(1)
        ->and($this->sender->delivered)->toHaveCount(1)
        ->and(Draft::query()->count())->toBe(0);
});

it('keeps what was written when it cannot be sent', function (): void {
    $conversation = Mails::conversation();
    $conversation->forceFill(['state' => 'closed'])->save();
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$conversation->id}/reply", replyForm(['text' => 'A long answer']))
        ->assertSessionHas('problem', fn (string $problem): bool => str_contains($problem, 'is closed'));
    expect(Draft::query()->sole()->text)->toBe('A long answer');
});

it('refuses an answer without anything in it', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$conversation->id}/reply", replyForm(['text' => "  \n"]))
        ->assertSessionHas('problem');
    expect($conversation->messages()->count())->toBe(1);
});

it('sends the files of the draft with the answer', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->post(
        "/conversations/{$conversation->id}/draft-files",
        ['files' => [UploadedFile::fake()->createWithContent('label.pdf', '%PDF-1.4 label')], 'once' => Str::uuid()->toString()]
    )
        ->assertOk()->assertSee('label.pdf');
    $this->post(
        "/conversations/{$conversation->id}/reply",
        replyForm(['files' => [UploadedFile::fake()->createWithContent('map.txt', 'left, then left')]])
    )->assertRedirect();
    $message = $conversation->messages()->where('direction', Message::OUT)->with('attachments')->sole();
    expect($message->attachments->pluck('name')->all())->toBe(['label.pdf', 'map.txt'])
        ->and(
            app(MailComposer::class)->compose(
                app(ComposeOutgoing::class)->ofMessage($message, $conversation->account, [])
            )->getAttachments()
        )->toHaveCount(2);
});

it('attaches nothing to what was sent meanwhile', function (): void {
    $conversation = Mails::conversation();
    $form = replyForm(['files' => [UploadedFile::fake()->createWithContent('map.txt', 'left, then left')]]);
    $this->actingAs($this->teammate('ilse'))->post("/conversations/{$conversation->id}/reply", $form)->assertRedirect();
    $this->post(
        "/conversations/{$conversation->id}/draft-files",
        ['files' => [UploadedFile::fake()->createWithContent('map.txt', 'left, then left')], 'once' => $form['once']]
    )
        ->assertOk()->assertDontSee('map.txt');
});

it('says of a file that cannot be attached why, and keeps the rest', function (): void {
    config(['cairnfield.mail.largest_attachments' => 20]);
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->post("/conversations/{$conversation->id}/draft-files", ['files' => [
        UploadedFile::fake()->createWithContent('empty.txt', ''),
        UploadedFile::fake()->createWithContent('good.txt', 'fits'),
        UploadedFile::fake()->createWithContent('big.txt', str_repeat('x', 30)),
    ], 'once' => Str::uuid()->toString()])->assertOk()->assertSee('“big.txt” was not attached')->assertSee('good.txt');
    $sha = Draft::query()->sole()->files[0]['sha256'];
    $this->delete("/conversations/{$conversation->id}/draft-files/{$sha}")->assertOk()->assertDontSee('good.txt');
});

it('attaches nothing twice where the same form is sent once more, as when its answer was lost', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $map = static fn (): UploadedFile => UploadedFile::fake()->createWithContent('map.txt', 'left, then left');
    $form = ['text' => 'See the map.', 'then' => 'waiting', 'outcome' => '', 'seen' => 0, 'once' => Str::uuid()->toString()];
    // The first time somebody answered in between: what was written and attached is kept.
    $this->answer($conversation, 'Another was quicker.');
    $this->post("/conversations/{$conversation->id}/reply", [...$form, 'files' => [$map()]]);
    $this->post(
        "/conversations/{$conversation->id}/reply", [...$form, 'seen' => JournalEntry::query()->max('id'), 'files' => [$map(), $map()]]
    )->assertSessionHas('done');
    $sent = Message::query()->where('text', 'See the map.')->sole();
    expect($sent->attachments()->pluck('name')->all())->toBe(['map.txt']);
});

it('keeps a draft for each person', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$conversation->id}/drafts/reply", ['text' => 'Ilse writes', 'once' => Str::uuid()->toString()])
        ->assertOk()
        ->assertSee('draft kept');
    $this->actingAs($this->teammate('mads'))->get("/conversations/{$conversation->id}")->assertDontSee('Ilse writes');
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->assertSee('Ilse writes');
});

it('keeps no draft of what was sent meanwhile, however late it arrives', function (string $kind, string $sends, array $more): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $form = ['text' => 'It is sent tomorrow.', 'once' => Str::uuid()->toString()];
    $this->post("/conversations/{$conversation->id}/drafts/{$kind}", $form)->assertSee('draft kept');
    $this->post(
        "/conversations/{$conversation->id}/{$sends}", [...$form, 'seen' => JournalEntry::query()->max('id'), ...$more]
    )->assertSessionHasNoErrors();
    $this->post("/conversations/{$conversation->id}/drafts/{$kind}", $form)->assertOk()->assertDontSee('draft kept');
    expect(Draft::query()->where('text', '!=', '')->count())->toBe(0);
    $this->post(
        "/conversations/{$conversation->id}/drafts/{$kind}", ['text' => 'And one more', 'once' => Str::uuid()->toString()]
    )->assertSee('draft kept');
})->with([
    'an answer' => ['reply', 'reply', ['then' => 'waiting']],
    'an answer for later' => ['reply', 'reply', ['then' => 'waiting', 'when' => 'at', 'at' => '2099-01-04T10:00']],
    'a note' => ['note', 'notes', []],
    'a question to a partner' => ['partner', 'partner', ['name' => 'Wren Parcel', 'address' => 'help@wrenparcel.example']],
]);

it('tries again with growing pauses when the mail server cannot take it now', function (): void {
    config(['cairnfield.outbox.pauses' => [10, 60]]);
    $conversation = Mails::conversation();
    $this->sender->refuses = DeliveryFailed::forNow('The mail server answered 451.');
    $this->answer($conversation, 'Hello');
    $item = OutboxItem::query()->sole();
    expect($item->state)->toBe(OutboxItem::DUE)->and($item->attempts)->toBe(1)
        ->and($item->due_at->diffInSeconds(now(), true))->toBeLessThan(11);

    DeliverOutboxItem::dispatchSync($item->id);
    expect($item->refresh()->attempts)->toBe(1, 'not before its time');
    CarbonImmutable::setTestNow(now()->addSeconds(11));
    DeliverOutboxItem::dispatchSync($item->id);
    expect($item->refresh()->attempts)->toBe(2);
    CarbonImmutable::setTestNow(now()->addSeconds(61));
    $this->sender->refuses = null;
    DeliverOutboxItem::dispatchSync($item->id);
    expect($item->refresh()->state)->toBe(OutboxItem::SENT)->and($this->sender->delivered)->toHaveCount(1);
    DeliverOutboxItem::dispatchSync($item->id);
    expect($this->sender->delivered)->toHaveCount(1, 'sent once');
});

it('gives up after the last pause, says so on the trail, and can send again', function (): void {
    config(['cairnfield.outbox.pauses' => []]);
    $conversation = Mails::conversation();
    $this->sender->refuses = DeliveryFailed::forNow('The mail server could not be reached.');
    $message = $this->answer($conversation, 'Hello');
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('Not delivered.')->assertSee('The mail server could not be reached.')->assertSee('Send it again');
    expect($conversation->journal()->where('kind', JournalKind::DeliveryFailed)->count())->toBe(1);

    $this->sender->refuses = null;
    $this->post("/messages/{$message->id}/send-again")->assertRedirect();
    expect($this->sender->delivered)->toBe([$message->once_key]);
    $this->get("/conversations/{$conversation->id}")->assertDontSee('Send it again');
    $this->post("/messages/{$message->id}/send-again")->assertRedirect();
    expect($this->sender->delivered)->toHaveCount(1);
});

it('does not try again what was refused for good', function (): void {
    $conversation = Mails::conversation();
    $this->sender->refuses = DeliveryFailed::forGood('The mail server answered 550: no such mailbox.');
    $this->answer($conversation, 'Hello');
    expect(OutboxItem::query()->sole()->state)->toBe(OutboxItem::FAILED);
});

it('lets one worker at a time hold a message, and another go on when that one died', function (): void {
    $conversation = Mails::conversation();
    $this->sender->refuses = DeliveryFailed::forNow('busy');
    $this->answer($conversation, 'Hello');
    $item = OutboxItem::query()->sole();
    $item->forceFill(['due_at' => now()])->save();
    expect(OutboxItem::lease($item->id))->not->toBeNull()
        ->and(OutboxItem::lease($item->id))->toBeNull();
    // Its process lives: nothing is let go of.
    OutboxItem::freeOfTheDead();
    expect(OutboxItem::lease($item->id))->toBeNull();
    CarbonImmutable::setTestNow(now()->addSeconds((int) config('cairnfield.outbox.lease_seconds') + 1));
    expect(OutboxItem::lease($item->id))->not->toBeNull();
});

it('goes on at once with what a process held that has ended, and not with what another machine holds', function (
    Closure $mark, bool $isFree
): void {
    $this->sender->refuses = DeliveryFailed::forNow('busy');
    $this->answer(Mails::conversation(), 'Hello');
    $item = OutboxItem::query()->sole();
    $item->forceFill(['due_at' => now(), 'lease_until' => now()->addMinutes(4), 'held_by' => $mark()])->save();
    $this->sender->refuses = null;
    (new DeliverDue)->handle();
    expect($item->refresh()->state)->toBe($isFree ? OutboxItem::SENT : OutboxItem::DUE);
})->with([
    'ended' => [function (): string {
        $process = Process::start(['sleep', '60']);
        $pid = $process->id();
        $began = explode(' ', (string) file_get_contents("/proc/{$pid}/stat"))[21];
        $process->signal(SIGKILL);
        $process->wait();

        return gethostname().":{$pid}:{$began}";
    }, true],
    'its pid is another’s by now' => [fn (): string => gethostname().':'.getmypid().':1', true],
    'alive' => [fn (): string => ProcessMark::own(), false],
    'on another machine' => [fn (): string => 'elsewhere:4711:12345', false],
    'no mark' => [fn (): string => 'somebody', false],
]);

it('resolves with an outcome, with the answer or without', function (): void {
    $outcome = Outcome::query()->where('name', 'Sent again')->firstOrFail();
    $this->actingAs($this->teammate('ilse'));
    $answered = Mails::conversation(['Subject' => 'one']);
    $this->post("/conversations/{$answered->id}/reply", replyForm(['then' => 'resolved', 'outcome' => $outcome->id]))->assertRedirect();
    $unanswered = Mails::conversation(['Subject' => 'two']);
    $this->post("/conversations/{$unanswered->id}/resolve", ['outcome' => $outcome->id, 'seen' => PHP_INT_MAX])->assertRedirect();
    foreach ([$answered, $unanswered] as $conversation) {
        expect($conversation->refresh()->state->value)->toBe('resolved')->and($conversation->outcome->name)->toBe('Sent again');
    }
    $this->post("/conversations/{$unanswered->id}/state", ['state' => 'open'])->assertRedirect();
    expect($unanswered->refresh()->state->value)->toBe('open')->and($unanswered->outcome_id)->toBeNull();
});

it('does not resolve over what came in between', function (): void {
    $conversation = Mails::conversation();
    $seen = $conversation->journal()->max('id');
    $this->answer($conversation, 'Wait, I look.', 'mads');
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$conversation->id}/resolve", ['outcome' => Outcome::query()->value('id'), 'seen' => $seen])
        ->assertSessionHas('problem');
    expect($conversation->refresh()->state->value)->toBe('waiting');
});
