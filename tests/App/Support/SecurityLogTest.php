<?php

declare(strict_types=1);

use App\People\KeepPeople;
use Illuminate\Support\Facades\Log;

beforeEach(function (): void {
    $this->path = tempnam(sys_get_temp_dir(), 'security');
    config(['logging.channels.security.path' => $this->path]);
    Log::forgetChannel('security');
    $this->events = fn (): array => array_map(
        static fn (string $line): array => json_decode($line, true, flags: JSON_THROW_ON_ERROR),
        file($this->path, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []
    );
});

afterEach(fn () => unlink($this->path));

it('has who signed in and who tried to, and nothing of what was typed', function (): void {
    $ilse = $this->teammate('ilse');
    $this->post('/sign-in', ['email' => "ILSE@brindle.example\nsign_in.done", 'password' => 'not-this-one']);
    $this->post('/sign-in', ['email' => 'ilse@brindle.example', 'password' => 'nor-this-one']);
    $this->post('/sign-in', ['email' => 'nobody@brindle.example', 'password' => 'nor-this-one']);
    $this->post('/sign-in', ['email' => 'ilse@brindle.example', 'password' => 'kites-and-cairns']);
    $events = ($this->events)();
    expect(array_column($events, 'message'))->toBe(['sign_in.wrong', 'sign_in.wrong', 'sign_in.wrong', 'sign_in.done'])
        ->and(array_column(array_column($events, 'context'), 'person'))->toBe([null, $ilse->id, null, $ilse->id])
        ->and($events[1]['context']['network'])->toBe('127.0.0.1')
        ->and((string) file_get_contents($this->path))->not->toContain('this-one')->not->toContain('kites');
});

it('has what was refused, by whom, and who let whom go', function (): void {
    $this->actingAs($this->teammate('femi'))->get('/people')->assertForbidden();
    app(KeepPeople::class)->deactivate($this->teammate('ruta'), $this->teammate('corin'));
    $events = ($this->events)();
    expect(array_column($events, 'message'))->toBe(['refused', 'people.deactivated'])
        ->and($events[0]['context'])->toMatchArray(['method' => 'GET', 'path' => 'people', 'person' => $this->teammate('femi')->id])
        ->and($events[1]['context'])->toMatchArray(['whom' => $this->teammate('ruta')->id, 'person' => $this->teammate('corin')->id]);
});
