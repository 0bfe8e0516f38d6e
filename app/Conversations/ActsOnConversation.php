<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Team\Teammate;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * What the controllers share that act on a conversation: who acts, and where to go afterwards.
 */
trait ActsOnConversation
{
    private function teammate(Request $request): Teammate
    {
        $teammate = $request->user();

        return $teammate instanceof Teammate ? $teammate : abort(401);
    }

    private function done(Conversation $conversation, string $what): RedirectResponse
    {
        return redirect()->route('conversation', $conversation)->with('done', $what);
    }
}
