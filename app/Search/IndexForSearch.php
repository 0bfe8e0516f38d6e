<?php

declare(strict_types=1);

namespace App\Search;

use App\Support\StoreSettings;
use Illuminate\Support\Facades\DB;

/**
 * Makes what has changed findable. Every change writes the journal, so the journal's news say what to
 * put together anew. Runs every few seconds; safe to repeat.
 */
final readonly class IndexForSearch
{
    private const CURSOR = 'search.indexed';

    private const AT_ONCE = 300;

    private const ENTRIES = 3000;

    /** Of one run, so that much to catch up with leaves room for other work. */
    private const SLICES = 3;

    /** Entries get their number before their transaction ends: those of the last moments are looked at again. */
    private const SETTLED_SECONDS = 10;

    public function __construct(private SearchDocument $document, private StoreSettings $settings) {}

    /**
     * @return int how many conversations were put together
     */
    public function run(): int
    {
        $made = 0;
        $slices = 0;
        do {
            $cursor = (int) $this->settings->get(self::CURSOR, 0);
            $news = DB::table('journal')->where('id', '>', $cursor)->orderBy('id')->limit(self::ENTRIES)->get(['id', 'conversation_id', 'at']);
            $ids = array_map(intval(...), $news->pluck('conversation_id')->unique()->values()->all());
            foreach (array_chunk($ids, self::AT_ONCE) as $chunk) {
                $this->document->make($chunk);
            }
            $made += count($ids);
            $isAll = $news->count() < self::ENTRIES;
            $settled = now()->subSeconds(self::SETTLED_SECONDS)->format('Y-m-d H:i:s');
            $last = $isAll ? $news->where('at', '<=', $settled)->max('id') : $news->max('id');
            if ($last !== null) {
                $this->settings->put(self::CURSOR, (int) $last);
            }
        } while (! $isAll && ++$slices < self::SLICES);

        return $made;
    }
}
