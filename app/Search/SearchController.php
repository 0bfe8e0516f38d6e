<?php

declare(strict_types=1);

namespace App\Search;

use App\Conversations\Conversation;
use App\Support\Written;
use App\Team\SignedIn;
use Cairnfield\Core\Search\SearchQuery;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class SearchController
{
    private const COMPLETIONS = 8;

    public function __construct(private SearchConversations $search, private Narrowings $narrowings, private FoundPieces $pieces) {}

    public function show(Request $request): View
    {
        Gate::authorize('viewAny', Conversation::class);
        $teammate = SignedIn::teammate($request);
        $written = mb_substr(Written::text($request, 'q'), 0, 10_000);
        $asked = SearchQuery::read($written, $this->narrowings->keys());
        $page = max(1, min(100, $request->integer('page', 1)));
        [$rows, $problems] = $asked->isEmpty() ? [null, []] : $this->search->find($asked, $teammate, $page);
        $shown = $rows?->take(SearchConversations::ROWS);

        return view('search.show', [
            'written' => mb_substr($written, 0, SearchQuery::LONGEST),
            'asked' => $asked,
            'rows' => $shown,
            'hasMore' => ($rows?->count() ?? 0) > SearchConversations::ROWS,
            'page' => $page,
            'problems' => $problems,
            'pieces' => $shown === null ? [] : $this->pieces->of($shown, $asked->marked()),
            'words' => $asked->marked(),
        ]);
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
