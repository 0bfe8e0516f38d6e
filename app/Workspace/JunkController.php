<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Conversations\SortJunk;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * What is junk, and what is not.
 */
final readonly class JunkController
{
    use ActsOnConversation;

    public function __construct(private SortJunk $sortJunk) {}

    public function junk(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $chosen = $request->validate(['block' => ['nullable', Rule::in(['sender', 'domain'])]]);
        $this->sortJunk->junk($conversation, SignedIn::teammate($request), $chosen['block'] ?? null);

        return redirect()
            ->route('queue')
            ->with('done', "{$conversation->number()} is with the junk. It can be taken back from the view “Junk”.");
    }

    public function notJunk(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $this->sortJunk->takeBack($conversation, SignedIn::teammate($request));

        return $this->done($conversation, 'Taken back from the junk: it is our turn.');
    }
}
