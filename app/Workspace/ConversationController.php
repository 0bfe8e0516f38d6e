<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\ChangeMark;
use App\Conversations\Conversation;
use App\Notifications\News;
use App\Orders\RefreshOrder;
use App\Support\SecurityHeaders;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

final readonly class ConversationController
{
    public function __construct(
        private ConversationPage $page, private ChangeMark $mark, private Presence $presence, private LastLook $lastLook
    ) {}

    public function show(Request $request, Conversation $conversation): Response|RedirectResponse
    {
        Gate::authorize('view', $conversation);
        if ($conversation->joined_into_id !== null) {
            return redirect()
                ->route('conversation', $conversation->joined_into_id)
                ->with('done', "{$conversation->number()} is part of this one.");
        }
        $teammate = SignedIn::teammate($request);
        $pictures = (int) $request->query('pictures');
        $content = $this->page->content($conversation, $teammate, $pictures);
        $look = $this->lastLook->note($conversation, $teammate, $content['seen']);
        $here = $this->presence->here($conversation, $teammate, false);
        $content = [...$content, 'here' => $here, 'hereMark' => Presence::mark($here), 'look' => $look, 'since' => $look['entry'] ?? 0];
        if ($content['hasNews']) {
            News::query()
                ->where('teammate_id', $teammate->id)
                ->where('conversation_id', $conversation->id)
                ->whereNull('read_at')
                ->update(['read_at' => now()]);
        }
        // The shop is asked by a worker anyway: nobody waits for its being told.
        defer(static fn () => $content['orders']->each(RefreshOrder::whereStale(...)));
        $response = response(view('workspace.conversation', $content)->render());
        if ($pictures > 0) {
            $response->header(SecurityHeaders::ALLOW_REMOTE_PICTURES, 'yes');
        }

        return $response;
    }

    /**
     * 204 while nothing has changed, else the parts that change by others.
     */
    public function changes(Request $request, Conversation $conversation): Response
    {
        Gate::authorize('view', $conversation);
        $teammate = SignedIn::teammate($request);
        $here = $this->presence->here($conversation, $teammate, $request->query('writes') === 'yes');
        $hereMark = Presence::mark($here);
        $isSame = $request->query('mark') === $this->mark->ofConversation($conversation);
        if ($isSame && $request->query('here', Presence::mark([])) === $hereMark) {
            return response()->noContent();
        }
        if ($isSame) {
            return response(
                view('workspace.here', ['here' => $here, 'hereMark' => $hereMark, 'oob' => true])->render()
            )->header('HX-Reswap', 'none');
        }
        $content = $this->page->content($conversation, $teammate, (int) $request->query('pictures'));
        $this->lastLook->note($conversation, $teammate, $content['seen']);

        return response(
            view(
                'workspace.conversation-live',
                [...$content, 'here' => $here, 'hereMark' => $hereMark, 'since' => (int) $request->query('since'), 'look' => null]
            )->render()
        );
    }

    /**
     * Said by a page that is being left.
     */
    public function left(Request $request, Conversation $conversation): Response
    {
        Gate::authorize('view', $conversation);
        $teammate = SignedIn::teammate($request);
        $this->presence->left($conversation, $teammate);

        return response()->noContent();
    }
}
