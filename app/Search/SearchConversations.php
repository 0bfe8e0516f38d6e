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

    /**
     * @param  list<int>  $latest  among how many of the latest is looked first, the few first
     */
    public function __construct(private Narrowings $narrowings, private array $latest = [300, 4000]) {}

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
        foreach ($from === 0 ? $this->latest : [] as $latest) {
            [$ids, $isAll] = $this->amongLatest($query, $latest, $asked);
            if (count($ids) > self::ROWS || $isAll) {
                return array_slice($ids, 0, self::ROWS + 1);
            }
        }

        return $query->join('search_documents', 'conversation_id', '=', 'conversations.id')
            ->whereRaw('MATCH (search_documents.text) AGAINST (? IN BOOLEAN MODE)', [$asked->booleanMode()])
            ->skip($from)->limit(self::ROWS + 1)->pluck('conversations.id')->all();
    }

    /**
     * @param  Builder<Conversation>  $query
     * @return array{list<int|string>, bool} those of the latest in which the words stand, and whether the latest are all there are
     */
    private function amongLatest(Builder $query, int $latest, SearchQuery $asked): array
    {
        [$with, $without] = $asked->patterns();
        $documents = DB::query()->fromSub($query->clone()->toBase()->select('conversations.id', 'conversations.last_message_at')->limit($latest), 'latest')
            ->join('search_documents', 'conversation_id', '=', 'latest.id');
        // A plain look first: far quicker than an expression, and it leaves few.
        foreach ($asked->certain() as $word) {
            $documents->where('search_documents.text', 'like', '%'.addcslashes($word, '\\%_').'%');
        }
        foreach ($with as $pattern) {
            $documents->whereRaw('search_documents.text REGEXP ?', [$pattern]);
        }
        foreach ($without as $pattern) {
            $documents->whereRaw('search_documents.text NOT REGEXP ?', [$pattern]);
        }
        $ids = $documents->orderByDesc('latest.last_message_at')->orderByDesc('latest.id')->limit(self::ROWS + 1)->pluck('latest.id')->all();
        $isAll = count($ids) <= self::ROWS && $query->clone()->skip($latest)->limit(1)->pluck('conversations.id')->isEmpty();

        return [array_values($ids), $isAll];
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
