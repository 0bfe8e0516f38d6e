<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Auth;

/**
 * What the controllers share that act on a conversation: who acts, and where to go afterwards.
 */
trait ActsOnConversation
{
    private function done(Conversation $conversation, string $what): RedirectResponse
    {
        $teammate = Auth::user();
        if ($teammate instanceof Teammate && ! app(WhoMayRead::class)->mayReadNumber($teammate->id, $conversation->id)) {
            return redirect()->route('queue')->with(
                'done', "{$what} {$conversation->number()} is for the members of its category alone now, and you are none of them."
            );
        }

        return redirect()->route('conversation', $conversation)->with('done', $what);
    }
}
