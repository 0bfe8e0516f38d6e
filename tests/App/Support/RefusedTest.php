<?php

declare(strict_types=1);

use App\Support\Refused;
use Illuminate\Support\Facades\Exceptions;
use Illuminate\Support\Str;
use Tests\App\FilledForm;
use Tests\App\Mails;

beforeEach(function (): void {
    $this->conversation = Mails::conversation();
    $this->at = "/conversations/{$this->conversation->id}";
    $this->actingAs($this->teammate('ilse'));
});

it('says what is wrong where it was tried, with the form as it was typed', function (): void {
    $form = ['to' => 'nobody', 'text' => 'Could you look at it?', 'once' => (string) Str::uuid()];
    $this->from("{$this->at}/forward")->post("{$this->at}/forward", $form)
        ->assertRedirect("{$this->at}/forward")->assertSessionHas('problem')->assertSessionHas('problem_code', 'no_address');
    $page = $this->get("{$this->at}/forward")->assertSee('nobody');
    expect(FilledForm::on($page, "{$this->at}/forward")->values()['to'])->toBe('nobody');
});

it('tells a program the code, the sentence and the place', function (): void {
    $this->postJson("{$this->at}/notes", ['text' => ' ', 'once' => (string) Str::uuid()])
        ->assertStatus(422)
        ->assertJsonPath('error.code', 'empty_note')
        ->assertJsonStructure(['error' => ['code', 'message', 'at']]);
});

it('is nothing that a developer is told of', function (): void {
    Exceptions::fake();
    $this->post("{$this->at}/notes", ['text' => ' ', 'once' => (string) Str::uuid()])->assertSessionHas('problem');
    Exceptions::assertNothingReported();
});

it('asks whether a file is missing by the code, not by the sentence', function (): void {
    $this->withSession(['problem' => 'In other words.', 'problem_code' => 'no_file_attached'])->get($this->at)->assertSee('without_file');
    $this->withSession(
        ['problem' => 'Somebody wrote: no file is attached', 'problem_code' => 'closed']
    )->get($this->at)->assertDontSee('without_file');
});

it('gives every refusal a code of its own in its class, and a sentence', function (): void {
    $root = dirname(__DIR__, 3).'/app';
    $found = 0;
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $file) {
        $code = (string) file_get_contents($file->getPathname());
        if (! str_contains($code, 'extends Refused')) {
            continue;
        }
        $class = 'App\\'.str_replace('/', '\\', substr($file->getPathname(), strlen($root) + 1, -4));
        preg_match_all("/new self\(\s*'([a-z_]+)',/", $code, $codes);
        // What the core refuses has its code there.
        $count = preg_match_all('/new self\((?!\$why->errorCode\(\),)/', $code);
        expect(is_subclass_of($class, Refused::class))->toBeTrue()->and(count($codes[1]))->toBe($count, $class);
        $found++;
    }
    expect($found)->toBeGreaterThan(10);
});
