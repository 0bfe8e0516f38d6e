<?php

declare(strict_types=1);

namespace App\Search;

use App\Conversations\Conversation;
use App\Team\Teammate;
use Cairnfield\Core\Search\SearchQuery;
use Illuminate\Database\Eloquent\Builder as EloquentBuilder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Finds conversations by words and narrowings, the latest first.
 *
 * Three ways to the same result: what few conversations are left of by its narrowings, these are gone through;
 * what is common is found quickest by going through the latest documents, which lie in that order; what is rare
 * by the full-text index, which first gathers all there is. How often it stands in the latest tells which of
 * the two is shorter.
 */
final readonly class SearchConversations
{
    public const ROWS = 20;

    /** Of those left by the narrowings. */
    private const NARROWED = 300;

    /** Fewer than this among the latest, and it is taken for rare. */
    private const ENOUGH_TO_JUDGE = 5;

    /** Of several words, one in fewer than so many of the latest is asked for alone. */
    private const RARE_BY_ITSELF = 15;

    /** Going through more than this takes longer than the index. */
    private const MOST_GONE_THROUGH = 20_000;

    /**
     * @param  int  $latest  among how many of the latest is looked first; 0 to ask the index at once
     */
    public function __construct(private Narrowings $narrowings, private int $latest = 1000) {}

    /**
     * @return array{Collection<int, Conversation>, list<string>} one row more than is shown where there are more; and what could
     *   not be asked
     */
    public function find(SearchQuery $asked, Teammate $teammate, int $page = 1): array
    {
        $query = Conversation::readable($teammate)->whereNull('joined_into_id');
        $asksForJunk = in_array(
            ['is', 'junk', false],
            array_map(static fn (array $one): array => [$one[0], mb_strtolower($one[1]), $one[2]], $asked->narrowings), true
        );
        $asksForJunk ?: $query->where('junk', false);
        $problems = $this->narrow($query, $asked, $teammate);
        if ($problems !== []) {
            return [new Collection, $problems];
        }
        $from = ($page - 1) * self::ROWS;
        $ids = $asked->hasWords()
            ? $this->withWords($query->toBase(), $asked, $from)
            : $query->orderByDesc('conversations.last_message_at')->orderByDesc('conversations.id')
                ->skip($from)
                ->limit(self::ROWS + 1)
                ->pluck('conversations.id')
                ->all();

        return [$this->rows(array_values(array_map(intval(...), $ids))), []];
    }

    /**
     * Several of one kind mean any of them; what must not be so holds for each.
     *
     * @param  EloquentBuilder<Conversation>  $query
     * @return list<string> what could not be asked
     */
    private function narrow(EloquentBuilder $query, SearchQuery $asked, Teammate $teammate): array
    {
        $problems = $anyOf = [];
        foreach ($asked->narrowings as $index => [$key, $value, $mustNot]) {
            if (! $mustNot) {
                $anyOf[$this->narrowings->isEachByItself($key) ? "{$key} {$index}" : $key][] = [$key, $value];

                continue;
            }
            // All others, also those of which nothing is known: what nobody has is not Ilse's.
            $those = Conversation::query();
            $problems[] = $this->narrowings->narrow($those, $key, $value, $teammate);
            $query->whereNotIn('conversations.id', $those->select('conversations.id'));
        }
        foreach ($anyOf as $values) {
            $query->where(function (EloquentBuilder $any) use ($values, $teammate, &$problems): void {
                foreach ($values as [$key, $value]) {
                    $any->orWhere(function (EloquentBuilder $one) use ($key, $value, $teammate, &$problems): void {
                        $problems[] = $this->narrowings->narrow($one, $key, $value, $teammate);
                    });
                }
            });
        }

        return array_values(array_filter($problems, is_string(...)));
    }

    /**
     * @return array<int|string>
     */
    private function withWords(Builder $conversations, SearchQuery $asked, int $from): array
    {
        $rare = null;
        if ($this->latest > 0) {
            if ($asked->narrowings !== []) {
                $ids = $this->amongNarrowed($conversations, $asked, $from);
                if ($ids !== null) {
                    return $ids;
                }
            }
            for ($latest = $this->latest; $latest > 0 && $latest <= self::MOST_GONE_THROUGH; $latest = $needed) {
                $ids = $this->amongLatest($conversations, $latest, $asked, $from, $isAll);
                if (count($ids) > self::ROWS || $isAll) {
                    return $ids;
                }
                $found = $from + count($ids);
                $needed = $found < self::ENOUGH_TO_JUDGE ? 0 : max($latest + 1, intdiv($latest * ($from + self::ROWS + 1) * 3, $found * 2));
            }
            $rare = $this->rarest($asked);
        }
        $documents = $this->withPatterns(
            $conversations->clone()->join('search_documents', 'conversation_id', '=', 'conversations.id'), $asked
        )
            ->whereRaw('MATCH (search_documents.text) AGAINST (? IN BOOLEAN MODE)', [$asked->booleanMode($rare)]);

        return $this->page($documents, $from);
    }

    /**
     * @return array<int|string>|null null where the narrowings leave more than can be gone through
     */
    private function amongNarrowed(Builder $conversations, SearchQuery $asked, int $from): ?array
    {
        $latest = $conversations->clone()->orderByDesc('conversations.last_message_at')->orderByDesc('conversations.id');
        $left = $latest->clone()->select('conversations.id')->limit(self::NARROWED);
        $ids = $this->page(
            $this->withPatterns(
                DB::query()->fromSub($left, 'conversations')->join('search_documents', 'conversation_id', '=', 'conversations.id'),
                $asked
            ),
            $from
        );

        return count($ids) > self::ROWS || $latest->skip(self::NARROWED)->limit(1)->pluck('conversations.id')->isEmpty() ? $ids : null;
    }

    /**
     * @param-out  bool  $isAll  whether the latest are all there are
     *
     * @return array<int|string>
     */
    private function amongLatest(Builder $conversations, int $latest, SearchQuery $asked, int $from, ?bool &$isAll): array
    {
        $since = $this->since($latest);
        $isAll = $since === null;
        $documents = $this->withPatterns(
            $conversations->clone()->join('search_documents', 'conversation_id', '=', 'conversations.id'), $asked
        );
        $isAll ?: $documents->where('search_documents.said_at', '>=', $since);

        return $this->page($documents, $from);
    }

    /**
     * When the last of so many of the latest documents was added to; null where there are fewer.
     */
    private function since(int $latest): ?string
    {
        $since = DB::table('search_documents')
            ->orderByDesc('said_at')
            ->orderByDesc('conversation_id')
            ->skip($latest)
            ->limit(1)
            ->value('said_at');

        return $since === null ? null : (string) $since;
    }

    /**
     * Of several words the one that is rare by itself: the index gathers it alone, and the others are looked for in what it finds.
     */
    private function rarest(SearchQuery $asked): ?string
    {
        $words = $asked->certain();
        $since = count($words) < 2 ? null : $this->since($this->latest);
        if ($since === null) {
            return null;
        }
        $counts = DB::table('search_documents')->where('said_at', '>=', $since);
        foreach ($words as $index => $word) {
            $counts->selectRaw("SUM(text LIKE ?) AS word{$index}", [self::containing($word)]);
        }
        $counts = array_map(intval(...), (array) $counts->first());
        $fewest = min($counts);

        return $fewest < self::RARE_BY_ITSELF ? $words[(int) substr((string) array_search($fewest, $counts, true), 4)] : null;
    }

    private function withPatterns(Builder $documents, SearchQuery $asked): Builder
    {
        [$with, $without] = $asked->patterns();
        // A plain look first: far quicker than an expression, and it leaves few.
        foreach ($asked->certain() as $word) {
            $documents->where('search_documents.text', 'like', self::containing($word));
        }
        foreach ($with as $pattern) {
            $documents->whereRaw('search_documents.text REGEXP ?', [$pattern]);
        }
        foreach ($without as $pattern) {
            $documents->whereRaw('search_documents.text NOT REGEXP ?', [$pattern]);
        }

        return $documents;
    }

    /**
     * @return array<int|string>
     */
    private function page(Builder $documents, int $from): array
    {
        return $documents->orderByDesc('search_documents.said_at')
            ->orderByDesc('search_documents.conversation_id')
            ->skip($from)
            ->limit(self::ROWS + 1)
            ->pluck('search_documents.conversation_id')
            ->all();
    }

    private static function containing(string $word): string
    {
        return '%'.addcslashes($word, '\\%_').'%';
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
