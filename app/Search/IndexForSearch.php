<?php

declare(strict_types=1);

namespace App\Search;

use App\Conversations\Journal\JournalNews;
use Illuminate\Support\Collection;

/**
 * Makes what has changed findable. Every change writes the journal, so the journal's news say what to
 * put together anew. Runs every few seconds; safe to repeat.
 */
final readonly class IndexForSearch
{
    private const AT_ONCE = 300;

    /** Of one run, so that much to catch up with leaves room for other work. */
    private const SLICES = 4;

    public function __construct(private SearchDocument $document, private JournalNews $news) {}

    public function run(): void
    {
        $slices = 0;
        do {
            $hasMore = $this->news->follow('search.indexed', true, function (Collection $entries): void {
                foreach (
                    array_chunk(
                        array_map(intval(...), $entries->pluck('conversation_id')->unique()->values()->all()), self::AT_ONCE
                    ) as $ids
                ) {
                    $this->document->make($ids);
                }
            });
        } while ($hasMore && ++$slices < self::SLICES);
    }
}
