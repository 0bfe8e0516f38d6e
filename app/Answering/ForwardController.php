<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\Actor;
use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Conversations\SetStandingCopies;
use App\Support\RandomUuid;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * Passing on to others: once, or everything of a conversation.
 */
final readonly class ForwardController
{
    use ActsOnConversation;

    public function __construct(private ForwardMessages $forward, private SetStandingCopies $copies) {}

    public function write(Request $request, Conversation $conversation): View
    {
        Gate::authorize('reply', $conversation);

        return view('answering.forward', [
            'conversation' => $conversation,
            'messages' => Message::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('forwarded', false)
                ->whereNull('partner_thread_id')
                ->whereNull('called_back_at')
                ->with(['attachments', 'teammate'])
                ->orderBy('received_at')
                ->orderBy('id')
                ->get(),
            'chosen' => (int) $request->query('message'),
            'onceKey' => RandomUuid::make(),
        ]);
    }

    public function send(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $written = $request->validate([
            'to' => ['required', 'string', 'max:2000'],
            'text' => ['nullable', 'string', 'max:100000'],
            'messages' => ['array'],
            'messages.*' => ['integer'],
            'files' => ['array'],
            'files.*' => ['integer'],
            'once' => ['required', 'uuid'],
        ]);
        $to = Recipients::read($written['to']);
        $this->forward->forward(
            $conversation, SignedIn::teammate($request), $to, (string) ($written['text'] ?? ''),
            array_map(intval(...), array_values($written['messages'] ?? [])),
            array_map(intval(...), array_values($written['files'] ?? [])), $written['once']
        );

        return $this->done($conversation, 'Forwarded to '.implode(', ', $to).'.');
    }

    public function copies(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $this->copies->set(
            $conversation,
            Recipients::read((string) ($request->validate(['to' => ['nullable', 'string', 'max:2000']])['to'] ?? '')),
            Actor::teammate(SignedIn::teammate($request))
        );

        return $this->done($conversation, 'Saved.');
    }
}
