<?php

declare(strict_types=1);

use App\Answering\Draft;
use App\Conversations\Message;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\App\FilledForm;
use Tests\App\Mails;

/*
 * With a full file store, what was written stays, and what needs no file goes on.
 */

beforeEach(function (): void {
    $this->conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $disk = config('filesystems.default');
    config(["filesystems.disks.{$disk}.root" => '/proc']);
    Storage::forgetDisk($disk);
    $this->send = fn (array $form) => $this->post("/conversations/{$this->conversation->id}/reply", [
        'text' => 'Here is the list.', 'then' => 'waiting', 'seen' => PHP_INT_MAX, 'once' => (string) Str::uuid(), ...$form,
    ]);
});

it('says why an answer with a file does not go, and keeps it', function (): void {
    ($this->send)(['cc' => 'boss@hruby.example', 'files' => [UploadedFile::fake()->createWithContent('list.txt', 'one')]])
        ->assertRedirect()
        ->assertSessionHas('problem', fn (string $problem): bool => str_contains($problem, 'A file could not be kept'));
    $draft = Draft::for($this->conversation, $this->teammate('ilse'), Draft::REPLY)->sole();
    expect($draft->text)->toBe('Here is the list.')
        ->and($draft->details['cc'])->toBe('boss@hruby.example')
        ->and(Message::query()->where('direction', Message::OUT)->exists())->toBeFalse();
    $this->get("/conversations/{$this->conversation->id}")->assertOk()->assertSee('Here is the list.');
});

it('says so where a file is chosen while one writes', function (): void {
    $this->post("/conversations/{$this->conversation->id}/draft-files", [
        'once' => (string) Str::uuid(), 'files' => [UploadedFile::fake()->createWithContent('list.txt', 'one')],
    ])->assertOk()->assertSee('A file could not be kept');
});

it('lets an answer without a file go', function (): void {
    ($this->send)([])->assertSessionHas('done', 'Sent.');
});

it('tells a customer that their files could not be kept, in the form as they wrote it', function (): void {
    Auth::forgetGuards();
    $form = FilledForm::on($this->get('/forms/contact')->assertOk(), '/forms/contact')->values();
    $this->travel(30)->seconds();
    $written = [...$form, 'name' => 'Karin Dahl', 'email' => 'karin@dahl.example', 'text' => 'The spar is broken.'];
    $this->post('/forms/contact', [...$written, 'files' => [UploadedFile::fake()->createWithContent('spar.txt', 'broken')]])
        ->assertStatus(503)
        ->assertSee('The files could not be kept just now')
        ->assertSee('The spar is broken.')
        ->assertSee('karin@dahl.example');
    expect(Message::query()->where('from_address', 'karin@dahl.example')->exists())->toBeFalse();
    // Without them it goes, once.
    $this->post('/forms/contact', $written)->assertSuccessful();
    expect(Message::query()->where('from_address', 'karin@dahl.example')->count())->toBe(1);
});
