<?php

declare(strict_types=1);

namespace App\Notifications;

use App\Conversations\Conversation;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/**
 * What somebody was told, and following a conversation.
 */
final readonly class NewsController
{
    private const SHOWN = 100;

    public function index(Request $request): View
    {
        return view(
            'notifications.news',
            [
                'news' => News::of(SignedIn::teammate($request))
                    ->with('conversation')
                    ->orderByDesc('id')
                    ->limit(self::SHOWN)
                    ->get(),
            ]
        );
    }

    /**
     * 204 while as many are unread as are shown.
     */
    public function count(Request $request): Response
    {
        $count = News::unread(SignedIn::teammate($request))->count();

        return (string) $count === $request->query('shown')
            ? response()->noContent()
            : response(view('notifications.count', ['unreadNews' => $count])->render());
    }

    public function readAll(Request $request): RedirectResponse
    {
        News::query()->where('teammate_id', SignedIn::teammate($request)->id)->whereNull('read_at')->update(['read_at' => now()]);

        return redirect('/news')->with('done', 'All read.');
    }

    public function follow(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('view', $conversation);
        $follow = ['conversation_id' => $conversation->id, 'teammate_id' => SignedIn::teammate($request)->id];
        $isFollowed = DB::table('follows')->where($follow)->delete() > 0;
        if (! $isFollowed) {
            DB::table('follows')->insertOrIgnore([
                ...$follow, 'entry_id' => (int) DB::table('journal')->where('conversation_id', $conversation->id)->max('id'),
            ]);
        }

        return redirect()
            ->route('conversation', $conversation)
            ->with('done', $isFollowed ? 'You follow it no more.' : 'You follow it: what happens in it is told you.');
    }
}
