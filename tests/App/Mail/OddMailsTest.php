<?php

declare(strict_types=1);

use App\Conversations\Message;
use App\Support\FileStore;
use Illuminate\Support\Arr;
use Tests\App\Mail\OddMails;
use Tests\App\Mails;
use Tests\Fixtures\HostileMail;

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

it('takes whatever was made to hold it up, keeps it, and shows it', function (string $kind): void {
    $raw = HostileMail::kinds()[$kind](20_000);
    $taken = Mails::take($raw);
    $message = Message::query()->findOrFail($taken->outcome?->message);
    $message->redacted !== null || expect(app(FileStore::class)->read((string) $message->original))->toBe($raw);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$message->conversation_id}")->assertOk();
})->with(array_keys(HostileMail::kinds()));

it('keeps all of a text that is too long to be shown, without what was taken out of it', function (): void {
    $taken = Mails::take(Mails::raw([], str_repeat("kite 4111 1111 1111 1111\r\n", 60_000).'The end.'));
    $message = Message::query()->findOrFail($taken->outcome?->message);
    $file = $message->attachments()->sole();
    expect(strlen($message->text))->toBeLessThanOrEqual(1_000_000)
        ->and($message->original)->toBeNull()
        ->and($file->name)->toBe('whole-text.txt')
        ->and(app(FileStore::class)->read($file->file))->toEndWith('The end.')->not->toContain('4111 1111');
});

it('has a corpus worth the name', function (): void {
    expect(count(OddMails::all()))->toBeGreaterThanOrEqual(80);
});
