<?php

declare(strict_types=1);

use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Hours\Calendars;
use App\Promises\Promise;
use App\Promises\PromiseSet;
use App\Sorting\Outcome;
use Illuminate\Support\Facades\DB;
use Tests\Fixtures\SimulatedMonth;

/*
 * On a small store; `bin/bench month` does the same on a large one.
 */
it('agrees over a month between what is stored, what is reckoned and what happened', function (bool $changesMeanwhile): void {
    $month = new SimulatedMonth(
        $this->teammate('ilse'), PromiseSet::query()->sole(), app(Calendars::class)->main(),
        Outcome::query()->where('name', 'Information given')->sole()
    );
    $month->go(140, 10, $changesMeanwhile);
    expect($month->conversations())->toHaveCount(10)
        ->and($month->differencesFromJournal())->toBe([])
        ->and($changesMeanwhile ? [] : $month->differencesFromWhatHappened())->toBe([])
        ->and(Promise::query()->count())->toBeGreaterThan(30);
    // Each warning and each miss once.
    $told = JournalEntry::query()->whereIn('kind', [JournalKind::PromiseWarned, JournalKind::PromiseMissed])->get()
        ->map(static fn (JournalEntry $entry): string => $entry->conversation_id.$entry->kind->value.json_encode($entry->details));
    expect($told->duplicates()->all())->toBe([])
        ->and(DB::table('promises')->where('state', 'running')->where('due_at', '<', now())->whereNull('missed_at')->count())->toBe(0);
})->with(['as it began' => [false], 'with other hours and promises meanwhile' => [true]]);
