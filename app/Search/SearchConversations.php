<?php

declare(strict_types=1);

namespace App\Search;

use App\Inbox\Conversation;
use App\Team\Teammate;
use Cairnfield\Core\Search\SearchQuery;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Finds conversations by words and narrowings, the latest first.
 *
 * Two ways to the same result: what is common is found quickest by going through the latest conversations,
 * what is rare by the full-text index, which first gathers all there is. The first is tried over a limited
 * number and counts when it fills the page.
 */
final readonly class SearchConversations
{
    public const ROWS = 30;

    public function __construct(private Narrowings $narrowings, private int $latest = 300) {}

    /**
     * @return array{Collection<int, Conversation>, list<string>} one row more than is shown where there are more; and what could not be asked
     */
    public function find(SearchQuery $asked, Teammate $teammate, int $page = 1): array
    {
        $query = Conversation::query()->whereNull('joined_into_id')->orderByDesc('conversations.last_message_at')->orderByDesc('conversations.id');
        $asksForJunk = in_array(['is', 'junk'], array_map(static fn (array $one): array => [$one[0], mb_strtolower($one[1])], $asked->narrowings), true);
        $asksForJunk ?: $query->where('junk', false);
        $problems = [];
        foreach ($asked->narrowings as [$key, $value]) {
            $problems[] = $this->narrowings->narrow($query, $key, $value, $teammate);
        }
        $problems = array_values(array_filter($problems, is_string(...)));
        if ($problems !== []) {
            return [new Collection, $problems];
        }
        $from = ($page - 1) * self::ROWS;
        $ids = $asked->hasWords() ? $this->withWords($query, $asked, $from) : $query->skip($from)->limit(self::ROWS + 1)->pluck('conversations.id')->all();

        return [$this->rows(array_values(array_map(intval(...), $ids))), []];
    }

    /**
     * @param  Builder<Conversation>  $query
     * @return array<int|string>
     */
    private function withWords(Builder $query, SearchQuery $asked, int $from): array
    {
        if ($from === 0 && $this->latest > 0) {
            $latest = $query->clone()->limit($this->latest)->pluck('conversations.id')->all();
            $ids = $this->among($latest, $asked);
            if (count($ids) > self::ROWS || count($latest) < $this->latest) {
                return array_slice($ids, 0, self::ROWS + 1);
            }
        }

        return $query->join('search_documents', 'conversation_id', '=', 'conversations.id')
            ->whereRaw('MATCH (search_documents.text) AGAINST (? IN BOOLEAN MODE)', [$asked->booleanMode()])
            ->skip($from)->limit(self::ROWS + 1)->pluck('conversations.id')->all();
    }

    /**
     * @param  array<int|string>  $latest
     * @return list<int|string> those in which the words stand, in the order given
     */
    private function among(array $latest, SearchQuery $asked): array
    {
        [$with, $without] = $asked->patterns();
        $documents = DB::table('search_documents')->whereIn('conversation_id', $latest);
        // A plain look first: far quicker than an expression, and it leaves few.
        foreach ($asked->certain() as $word) {
            $documents->where('text', 'like', '%'.addcslashes($word, '\\%_').'%');
        }
        foreach ($with as $pattern) {
            $documents->whereRaw('text REGEXP ?', [$pattern]);
        }
        foreach ($without as $pattern) {
            $documents->whereRaw('text NOT REGEXP ?', [$pattern]);
        }

        return array_values(array_intersect($latest, $documents->pluck('conversation_id')->all()));
    }

    /**
     * @param  list<int>  $ids
     * @return Collection<int, Conversation>
     */
    private function rows(array $ids): Collection
    {
        $order = array_flip($ids);

        return Conversation::query()->whereKey($ids)->with(['customer', 'account', 'owner', 'orders'])->get()
            ->sortBy(static fn (Conversation $conversation): int => $order[$conversation->id])->values();
    }
}
