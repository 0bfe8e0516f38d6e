<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Answering\AddNote;
use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class NoteController
{
    use ActsOnConversation;

    public function __construct(private AddNote $addNote) {}

    public function add(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $written = $request->validate([
            'text' => ['nullable', 'string', 'max:20000'],
            'once' => ['required', 'uuid'],
        ]);
        $this->addNote->add($conversation, SignedIn::teammate($request), (string) ($written['text'] ?? ''), $written['once']);

        return $this->done($conversation, 'Note written. Only the team sees it.');
    }
}
