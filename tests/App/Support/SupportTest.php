<?php

declare(strict_types=1);

use App\Conversations\ChangeMark;
use App\Conversations\Journal\JournalEntry;
use App\Support\FileStore;
use App\Support\LocalTime;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\App\Mails;

it('keeps the same bytes once and gives them back as they were', function (): void {
    $files = app(FileStore::class);
    $bytes = random_bytes(5000)."\0end";
    $name = $files->keep($bytes);
    expect($files->keep($bytes))->toBe($name)
        ->and($files->read($name))->toBe($bytes)
        ->and(Storage::disk('files')->allFiles())->toBe([$name]);
});

it('says so when a kept file is damaged', function (): void {
    $files = app(FileStore::class);
    $name = $files->keep('kite');
    Storage::disk('files')->put($name, 'not compressed');
    expect(fn () => @$files->read($name))->toThrow(RuntimeException::class, 'damaged');
});

it('shows times as short as is clear, in the reader’s zone', function (string $at, string $shown): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->actingAs($this->teammate('ilse'));
    expect(app(LocalTime::class)->short(CarbonImmutable::parse($at)))->toBe($shown);
})->with([
    'today' => ['2026-11-23T08:52:00Z', '09:52'],
    'yesterday evening, which is today there' => ['2026-11-22T23:30:00Z', '00:30'],
    'this week' => ['2026-11-20T15:40:00Z', 'Fri 16:40'],
    'tomorrow' => ['2026-11-24T08:00:00Z', 'Tue 09:00'],
    'last month' => ['2026-10-13T11:02:00Z', 'Tue 13 Oct 13:02'],
    'long ago' => ['2024-03-01T11:02:00Z', 'Fri 1 Mar 2024 12:02'],
]);

it('tells a change that was numbered early and appeared late', function (): void {
    $conversation = Mails::conversation();
    $mark = app(ChangeMark::class)->ofAll();
    $newest = JournalEntry::query()->orderByDesc('id')->firstOrFail();
    // Another transaction took a lower number and ends only now.
    DB::table('journal')->insert([...(array) DB::table('journal')->find($newest->id), 'id' => $newest->id + 5]);
    $afterHigher = app(ChangeMark::class)->ofAll();
    DB::table('journal')->insert([...(array) DB::table('journal')->find($newest->id), 'id' => $newest->id + 3]);
    expect($afterHigher)->not->toBe($mark)
        ->and(app(ChangeMark::class)->ofAll())->not->toBe($afterHigher)
        ->and(app(ChangeMark::class)->ofConversation($conversation))->toBe(app(ChangeMark::class)->ofConversation($conversation));
});
