<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

use App\Support\StoreSettings;
use Closure;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * The journal's news for those that follow it, each with a place of its own up to which it has read. Entries
 * get their number before their transaction ends, so those of the last moments are given again: what follows
 * must be safe to repeat.
 */
final readonly class JournalNews
{
    private const AT_ONCE = 2000;

    private const SETTLED_SECONDS = 10;

    public function __construct(private StoreSettings $settings) {}

    /**
     * @param  string  $follower  whose place it is
     * @param  bool  $fromTheBeginning  whether a new follower reads all there is, or only what comes
     * @param  Closure(Collection<int, \stdClass>): mixed  $take  gets the entries with `id`, `conversation_id` and `at`
     * @return bool whether there is more at once
     */
    public function follow(string $follower, bool $fromTheBeginning, Closure $take): bool
    {
        $place = $this->settings->get($follower);
        if ($place === null && ! $fromTheBeginning) {
            $this->settings->put($follower, (int) DB::table('journal')->max('id'));

            return false;
        }
        $news = DB::table('journal')->where('id', '>', (int) $place)
            ->orderBy('id')
            ->limit(self::AT_ONCE)
            ->get(['id', 'conversation_id', 'at']);
        $take($news);
        $isAll = $news->count() < self::AT_ONCE;
        $last = $isAll
            ? $news->where('at', '<=', now()->subSeconds(self::SETTLED_SECONDS)->format('Y-m-d H:i:s'))->max('id')
            : $news->max('id');
        if ($last !== null) {
            $this->settings->put($follower, (int) $last);
        }

        return ! $isAll;
    }
}
