<?php

declare(strict_types=1);

use App\Conversations\Message;
use App\Support\FileStore;
use Illuminate\Support\Arr;
use Tests\App\Mail\OddMails;
use Tests\App\Mails;

it('takes every odd message, keeps it byte for byte, and knows it again', function (string $raw, array $expected): void {
    $taken = Mails::take($raw);
    $printed = json_decode($taken->toJson(), true);
    expect($printed['result'])->toBe('new', $printed['reason'] ?? '');
    $message = Message::query()->findOrFail($taken->outcome?->message);
    expect(app(FileStore::class)->read((string) $message->original))->toBe($raw);

    foreach ($expected as $key => $value) {
        match ($key) {
            'text_contains' => expect($printed['text'])->toContain($value),
            'html_contains' => expect($message->html)->toContain($value),
            'html_lacks' => expect($message->html)->not->toContain($value),
            'marks' => expect($message->marks)->toHaveCount($value),
            'sent_year' => expect($message->sent_at->format('Y'))->toBe($value),
            'customer' => expect($message->conversation->customer->name)->toBe($value),
            'conversation_subject' => expect($message->conversation->subject)->toBe($value),
            default => expect(Arr::get($printed, $key))->toBe($value),
        };
    }

    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$message->conversation_id}")->assertOk();

    $again = Mails::take($raw);
    expect($again->result)->toBe('again')
        ->and($again->outcome?->message)->toBe($message->id)
        ->and(Message::query()->count())->toBe(1);
})->with(OddMails::all());

it('has a corpus worth the name', function (): void {
    expect(count(OddMails::all()))->toBeGreaterThanOrEqual(80);
});
