<?php

declare(strict_types=1);

namespace App\Search;

use App\Conversations\Conversation;
use App\Support\Written;
use App\Team\SignedIn;
use App\Team\Teammate;
use Cairnfield\Core\Search\SearchQuery;
use Cairnfield\Core\Text\Folding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class SearchController
{
    private const COMPLETIONS = 8;

    public function __construct(
        private SearchConversations $search, private Narrowings $narrowings, private FoundPieces $pieces,
        private ProposeWords $propose
    ) {}

    public function show(Request $request): View
    {
        Gate::authorize('viewAny', Conversation::class);
        $teammate = SignedIn::teammate($request);
        $written = mb_substr(Written::text($request, 'q'), 0, 10_000);
        $asked = SearchQuery::read($written, $this->narrowings->keys());
        $page = max(1, min(100, $request->integer('page', 1)));
        [$rows, $problems] = $asked->isEmpty() ? [null, []] : $this->search->find($asked, $teammate, $page);
        $shown = $rows?->take(SearchConversations::ROWS);
        $isNothing = $problems === [] && $rows?->isEmpty() === true && $page === 1;

        return view('search.show', [
            'written' => mb_substr($written, 0, SearchQuery::LONGEST),
            'asked' => $asked,
            'rows' => $shown,
            'hasMore' => ($rows?->count() ?? 0) > SearchConversations::ROWS,
            'page' => $page,
            'problems' => $problems,
            'proposed' => $isNothing ? $this->proposed($asked, mb_substr($written, 0, SearchQuery::LONGEST), $teammate) : null,
            'hints' => $this->narrowings->hints($asked->unknown),
            'pieces' => $shown === null ? [] : $this->pieces->of($shown, $asked->marked()),
            'words' => $asked->marked(),
        ]);
    }

    /**
     * The same search with the words that were meant; null where nothing is near.
     */
    private function proposed(SearchQuery $asked, string $written, Teammate $teammate): ?string
    {
        $proposed = $written;
        foreach ($this->propose->instead($asked, $teammate) as $word => $meant) {
            // As it was written, whatever its accents and case.
            $proposed = (string) preg_replace_callback(
                '/(?<![\p{L}\p{M}:])[\p{L}\p{M}]+/u',
                static fn (array $found): string => Folding::fold($found[0]) === (string) $word ? $meant : $found[0], $proposed
            );
        }

        return $proposed === $written ? null : $proposed;
    }

    public function complete(Request $request): View
    {
        Gate::authorize('viewAny', Conversation::class);
        $written = mb_substr(Written::text($request, 'q'), 0, SearchQuery::LONGEST);
        preg_match('/(?:[\p{L}_.]+:"[^"]*|\S*)$/uD', $written, $last);
        $last = $last[0] ?? '';
        $before = mb_substr($written, 0, mb_strlen($written) - mb_strlen($last));

        return view('search.completions', [
            'completions' => array_map(
                static fn (string $completed): string => $before.$completed,
                array_slice($this->narrowings->completions($last), 0, self::COMPLETIONS)
            ),
        ]);
    }
}
