<?php

declare(strict_types=1);

namespace App\Conversations;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * The conversation from which somebody came to a form, where they came from one that they may read.
 */
final class ConversationBeside
{
    public static function of(Request $request): ?Conversation
    {
        $id = $request->integer('conversation');
        $conversation = $id === 0 ? null : Conversation::query()->findOrFail($id);
        $conversation === null ?: Gate::authorize('view', $conversation);

        return $conversation;
    }
}
