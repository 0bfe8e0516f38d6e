<?php

declare(strict_types=1);

namespace App\Inbox;

use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * What belongs together, and what is junk.
 */
final readonly class SortingController
{
    use ActsOnConversation;

    public function __construct(private JoinConversations $joinConversations, private SortJunk $sortJunk) {}

    public function join(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $chosen = $request->validate(['other' => ['required', 'integer', 'exists:conversations,id']]);
        $other = Conversation::query()->findOrFail((int) $chosen['other']);
        try {
            $this->joinConversations->join($conversation, $other, $this->teammate($request));
        } catch (InboxRefused $why) {
            return $this->refused($conversation, $why);
        }

        return $this->done($conversation, "{$other->number()} is part of this one now. It can be separated again under “This conversation”.");
    }

    public function separate(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        try {
            $this->joinConversations->separate($conversation, $this->teammate($request));
        } catch (InboxRefused $why) {
            return $this->refused($conversation, $why);
        }

        return $this->done($conversation, 'It is a conversation of its own again.');
    }

    public function junk(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $chosen = $request->validate(['block' => ['nullable', Rule::in(['sender', 'domain'])]]);
        $this->sortJunk->junk($conversation, $this->teammate($request), $chosen['block'] ?? null);

        return redirect()->route('queue')->with('done', "{$conversation->number()} is with the junk. It can be taken back from the view “Junk”.");
    }

    public function notJunk(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $this->sortJunk->takeBack($conversation, $this->teammate($request));

        return $this->done($conversation, 'Taken back from the junk: it is our turn.');
    }
}
