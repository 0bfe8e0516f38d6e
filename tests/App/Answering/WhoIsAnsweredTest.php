<?php

declare(strict_types=1);

use App\Answering\AnswerRoute;
use App\Answering\AnswerRoutes;
use App\Channels\Account;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Tests\App\Mails;

/*
 * An answer goes to the customer, whoever wrote last; who was in copy stays in copy.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Message-ID' => '<a@wrenfield.example>']);
    $this->goesTo = fn (): array => array_column(app(AnswerRoutes::class)->of($this->conversation->refresh()), 'to');
    $this->later = fn (string $from, array $headers = []) => Mails::take(Mails::raw([
        'From' => $from, 'In-Reply-To' => '<a@wrenfield.example>', ...$headers,
    ]));
    $this->actingAs($this->teammate('ilse'));
    $this->copies = function (): string {
        preg_match('/name="cc"\s+value="([^"]*)"/', $this->get("/conversations/{$this->conversation->id}")->getContent(), $field);

        return $field[1];
    };
});

it('answers the customer where a colleague of theirs wrote last, who gets a copy', function (): void {
    ($this->later)('Ana <ana@wrenfield.example>', ['Cc' => 'Bo <Bo@wrenfield.example>']);
    ($this->later)('Bo Wrenfield <bo@wrenfield.example>', [
        'To' => 'care@brindle.example, dee@wrenfield.example', 'Cc' => 'Ana <ana@wrenfield.example>, Cy <cy@wrenfield.example>',
    ]);
    expect(Conversation::query()->count())->toBe(1)
        ->and(($this->goesTo)())->toBe(['ana@wrenfield.example', 'bo@wrenfield.example'])
        ->and(($this->copies)())->toBe('bo@wrenfield.example, dee@wrenfield.example, cy@wrenfield.example');
    $this->get("/conversations/{$this->conversation->id}")
        ->assertSee('bo@wrenfield.example')
        ->assertSee('to care@brindle.example, dee@wrenfield.example, copy to ana@wrenfield.example, cy@wrenfield.example');
});

it('does not let a stranger in who refers to what the customer wrote, nor answers them', function (): void {
    ($this->later)('Ana Wrenfield <ana@freemail.example>', ['Subject' => 'Re: Where is my kite', 'Cc' => 'ana@wrenfield.example']);
    $stranger = Conversation::query()->orderByDesc('id')->firstOrFail();
    expect($stranger->id)->not->toBe($this->conversation->id)
        ->and($stranger->linked_conversation_id)->toBe($this->conversation->id)
        ->and($stranger->customer_id)->not->toBe($this->conversation->customer_id)
        ->and(($this->goesTo)())->toBe(['ana@wrenfield.example']);
    $this->get("/conversations/{$stranger->id}")->assertSee('it refers to a message of one in which they take no part');
});

it('knows somebody in copy again whose address has signs that are written otherwise in what is stored', function (): void {
    ($this->later)('Ana <ana@wrenfield.example>', ['Cc' => 'Sales <sales/north@wrenfield.example>']);
    ($this->later)('Sales <Sales/north@wrenfield.example>');
    expect(Conversation::query()->count())->toBe(1);
});

it('lets in whom we have written to, and whom the customer had in copy, however they are written', function (): void {
    ($this->later)('Ana <ana@wrenfield.example>', ['Cc' => 'Cy_o%x <CY_o%x@wrenfield.example>']);
    ($this->later)('Cy <cy_O%X@Wrenfield.example>');
    ($this->later)('Cy <cyXo%x@wrenfield.example>');
    expect(Conversation::query()->count())->toBe(2)->and($this->conversation->messages()->count())->toBe(3);
});

it('never answers a machine', function (string $machine): void {
    ($this->later)("Mail system <{$machine}>", ['Subject' => 'Undelivered']);
    expect(($this->goesTo)())->toBe(['ana@wrenfield.example'])->and(($this->copies)())->toBe('');
})->with(['MAILER-DAEMON@mx.example', 'postmaster@wrenfield.example', 'no-reply@shop.example', 'bounces+17@list.example']);

it('has no way to answer where only a machine has written', function (): void {
    $machine = Mails::conversation(['From' => 'no-reply@shop.example']);
    expect(app(AnswerRoutes::class)->of($machine))->toBe([]);
    $this->get("/conversations/{$machine->id}")->assertOk()->assertSee('There is no address to answer to yet');
});

it('answers the person behind a machine, where it says who that is', function (): void {
    $form = Mails::conversation(['From' => 'no-reply@shop.example', 'Reply-To' => 'una@fell.example']);
    expect(array_column(app(AnswerRoutes::class)->of($form), 'to'))->toBe(['una@fell.example']);
});

it('answers the customer at the address they wrote from last as themselves, which gets no copy besides', function (): void {
    $this->conversation->customer->handles()->forceCreate([
        'kind' => 'email', 'value' => 'ana@home.example', 'shown' => 'Ana@home.example', 'why' => '',
    ]);
    ($this->later)('Ana <Ana@home.example>', ['Cc' => 'ana@wrenfield.example, Cy <cy@wrenfield.example>']);
    expect(($this->goesTo)()[0])->toBe('Ana@home.example')->and(($this->copies)())->toBe('cy@wrenfield.example');
});

it('takes nobody into copy who is us, who is answered, or who is nobody', function (): void {
    $care = Account::query()->where('address', 'care@brindle.example')->sole();
    ($this->later)('Ana <ana@wrenfield.example>', [
        'To' => "{$care->address}, CARE+c9.x@brindle.example, wholesale@brindle.example",
        'Cc' => 'ANA@wrenfield.example, noreply@shop.example, cy@wrenfield.example, CY@wrenfield.example',
    ]);
    expect(($this->copies)())->toBe('cy@wrenfield.example');
});

it('takes nobody into copy where the last message had nobody', function (): void {
    ($this->later)('Ana <ana@wrenfield.example>', ['Cc' => 'cy@wrenfield.example']);
    ($this->later)('Ana <ana@wrenfield.example>');
    expect(($this->copies)())->toBe('');
});

it('sends to the customer and to those in copy once each, and their answers come to the same conversation', function (): void {
    ($this->later)('Ana <ana@wrenfield.example>', ['Cc' => 'bo@wrenfield.example']);
    $this->post("/conversations/{$this->conversation->id}/reply", [
        'text' => 'It is on its way.', 'then' => 'waiting', 'seen' => PHP_INT_MAX, 'once' => (string) Str::uuid(),
        'route' => app(AnswerRoutes::class)->of($this->conversation->refresh())[0]->key,
        'cc' => 'bo@wrenfield.example, ANA@wrenfield.example',
    ])->assertSessionHas('done');
    $answer = Message::query()->where('direction', Message::OUT)->sole();
    expect($answer->to)->toBe(['ana@wrenfield.example'])
        ->and($answer->cc)->toBe(['bo@wrenfield.example'])
        ->and(OutboxItem::query()->sole()->recipients)->toBe(['ana@wrenfield.example', 'bo@wrenfield.example']);
    Mails::take(Mails::raw(['From' => 'Bo <bo@wrenfield.example>', 'In-Reply-To' => "<{$answer->message_id}>", 'Subject' => 'Re: x']));
    expect(Conversation::query()->count())->toBe(1)->and($this->conversation->refresh()->state->value)->toBe('open');
});

it('never preselects where a mail in the customer’s name asks for answers, until somebody has written there', function (): void {
    $conversation = Mails::conversation(['From' => 'Una Fell <una@fell.example>', 'Message-ID' => '<una@fell.example>']);
    // That they have written themselves makes them nobody whom she knows.
    Mails::take(Mails::raw(['From' => 'una.fell@attacker.example', 'In-Reply-To' => '<una@fell.example>'], 'Hello.'));
    Mails::take(Mails::raw([
        'From' => 'Una Fell <una@fell.example>', 'Reply-To' => 'una.fell@attacker.example', 'In-Reply-To' => '<una@fell.example>',
        'Authentication-Results' => 'mx.brindle.example; dmarc=fail',
    ], 'Please tell me my address again.'));
    $ways = fn (): array => array_map(
        static fn (AnswerRoute $route): array => [$route->to, $route->isStrange], app(AnswerRoutes::class)->of($conversation->refresh())
    );
    expect($ways())->toBe([['una@fell.example', false], ['una.fell@attacker.example', true]]);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('asks for answers at una.fell@attacker.example')
        ->assertSee('una.fell@attacker.example, where their mail asks for answers; nobody there has taken part');
    // By itself nothing goes there.
    $message = $this->answer($conversation, 'We do not send addresses.');
    expect($message->to)->toBe(['una@fell.example']);

    // Somebody has chosen it: from then on it takes part.
    $strange = app(AnswerRoutes::class)->of($conversation->refresh())[1];
    $this->post("/conversations/{$conversation->id}/reply", [
        'text' => 'As you ask.', 'then' => 'waiting', 'seen' => PHP_INT_MAX, 'once' => (string) Str::uuid(), 'route' => $strange->key,
    ])->assertSessionHas('done');
    expect($ways()[0])->toBe(['una.fell@attacker.example', false]);
});

it('marks a stranger who wrote in with what we signed, and answers the customer first', function (): void {
    $token = Cairnfield\Core\Threading\ReplyToken::addTo(
        'care@brindle.example', $this->conversation->id, config('cairnfield.mail.reply_secret')
    );
    Mails::take(Mails::raw(['From' => 'Dee <dee@else.example>', 'To' => $token, 'Subject' => 'Re: x']));
    $routes = app(AnswerRoutes::class)->of($this->conversation->refresh());
    expect(array_map(static fn (AnswerRoute $route): string => $route->label(), $routes))->toBe([
        'Email to ana@wrenfield.example', 'Email to dee@else.example, who wrote here as well; nobody there has taken part',
    ]);
    $this->post("/conversations/{$this->conversation->id}/reply", [
        'text' => 'It is on its way.', 'then' => 'waiting', 'seen' => PHP_INT_MAX, 'once' => (string) Str::uuid(),
        'route' => $routes[1]->key,
    ])->assertSessionHas('done');
    expect(app(AnswerRoutes::class)->of($this->conversation->refresh())[1]->label())->toBe('Email to dee@else.example');
});
