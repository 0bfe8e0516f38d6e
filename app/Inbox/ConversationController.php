<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Orders\RefreshOrder;
use App\Support\SecurityHeaders;
use App\Team\Teammate;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

final readonly class ConversationController
{
    public function __construct(private ConversationPage $page, private ChangeMark $mark) {}

    public function show(Request $request, Conversation $conversation): Response|RedirectResponse
    {
        Gate::authorize('view', $conversation);
        if ($conversation->joined_into_id !== null) {
            return redirect()->route('conversation', $conversation->joined_into_id)->with('done', "{$conversation->number()} is part of this one.");
        }
        /** @var Teammate $teammate */
        $teammate = $request->user();
        $pictures = (int) $request->query('pictures');
        $content = $this->page->content($conversation, $teammate, $pictures);
        foreach ($content['orders'] as $order) {
            RefreshOrder::whereStale($order);
        }
        $response = response(view('inbox.conversation', $content)->render());
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
        if ($request->query('mark') === $this->mark->ofConversation($conversation)) {
            return response()->noContent();
        }
        /** @var Teammate $teammate */
        $teammate = $request->user();

        return response(view('inbox.conversation-live', $this->page->content($conversation, $teammate, (int) $request->query('pictures')))->render());
    }
}
