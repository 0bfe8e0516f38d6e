<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class PartnerController
{
    use ActsOnConversation;

    public function __construct(private AskPartner $askPartner, private KeepDraft $keepDraft) {}

    public function ask(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('hold', $conversation);
        $teammate = SignedIn::teammate($request);
        $written = $request->validate([
            'thread' => ['nullable', 'integer'],
            'name' => ['nullable', 'string', 'max:120'],
            'address' => ['nullable', 'string', 'max:320'],
            'text' => ['nullable', 'string', 'max:100000'],
            'once' => ['required', 'uuid'],
        ]);
        $this->keepDraft->text($conversation, $teammate, Draft::PARTNER, (string) ($written['text'] ?? ''));
        $thread = isset($written['thread'])
            ? PartnerThread::query()->whereIn('conversation_id', $conversation->withJoined())->findOrFail((int) $written['thread'])
            : null;
        $this->askPartner->ask(
            $conversation, $teammate, $thread, (string) ($written['name'] ?? ''), (string) ($written['address'] ?? ''),
            (string) ($written['text'] ?? ''), $written['once']
        );
        Draft::for($conversation, $teammate, Draft::PARTNER)->delete();

        return $this->done($conversation, 'Asked. It is held until they answer.');
    }
}
