<?php

declare(strict_types=1);

use App\Conversations\Message;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\App\FilledForm;
use Tests\App\Mails;

/*
 * While the database is away what was typed stays in the page, and is taken over once when it is back.
 */

beforeEach(function (): void {
    $this->conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->written = [
        'text' => "It is \"on\" its way.\n\n<b>Ilse</b>", 'then' => 'waiting', 'seen' => (string) PHP_INT_MAX,
        'once' => (string) Str::uuid(), 'steps' => ['add_tag=batch K'], 'cc' => 'boss@hruby.example',
    ];
    $this->away = function (Closure $while): mixed {
        $connection = DB::connection();
        config(['database.connections.gone' => [...config('database.connections.mariadb'), 'port' => 9]]);
        DB::setDefaultConnection('gone');
        try {
            return $while();
        } finally {
            DB::setDefaultConnection($connection->getName());
        }
    };
});

it('gives back what was typed, and sends it once when it can', function (): void {
    $path = "/conversations/{$this->conversation->id}/reply";
    $page = ($this->away)(fn () => $this->post($path, $this->written));
    $page->assertStatus(503)->assertHeader('Retry-After', '10')->assertSee('this has not been taken over yet')->assertDontSee('SQLSTATE');
    $form = FilledForm::on($page, $path);
    expect(array_map(static fn (mixed $one) => is_string($one) ? str_replace("\r\n", "\n", $one) : $one, $form->values()))
        ->toMatchArray(array_diff_key($this->written, ['steps' => 1]));
    $form->send($this)->assertSessionHas('done');
    $form->send($this);
    $answer = Message::query()->where('direction', Message::OUT)->sole();
    expect(str_replace("\r\n", "\n", $answer->text))->toBe($this->written['text'])
        ->and($answer->cc)->toBe(['boss@hruby.example'])
        ->and($this->conversation->tags()->pluck('name')->all())->toBe(['batch K']);
});

it('says so where something is only looked at, and tries again by itself', function (): void {
    ($this->away)(fn () => $this->get('/queue/my-turn'))
        ->assertStatus(503)
        ->assertSee('http-equiv="refresh"', false)
        ->assertDontSee('Send it again');
});

it('keeps no password in the page', function (): void {
    Auth::guard('web')->forgetUser();
    ($this->away)(fn () => $this->post('/sign-in', ['email' => 'ilse@brindle.example', 'password' => 'kites-and-cairns']))
        ->assertStatus(503)->assertDontSee('kites-and-cairns')->assertSee('ilse@brindle.example', false);
});

it('tells a program to come back', function (): void {
    ($this->away)(fn () => $this->postJson('/intake/events/1', ['id' => 'e1']))->assertStatus(503)->assertHeader('Retry-After', '10');
});
