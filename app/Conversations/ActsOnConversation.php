<?php

declare(strict_types=1);

namespace App\Conversations;

use Illuminate\Http\RedirectResponse;

/**
 * What the controllers share that act on a conversation: who acts, and where to go afterwards.
 */
trait ActsOnConversation
{
    private function done(Conversation $conversation, string $what): RedirectResponse
    {
        return redirect()->route('conversation', $conversation)->with('done', $what);
    }
}
